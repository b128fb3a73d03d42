using System.Text;
using System.Xml;
using System.Xml.Linq;

namespace Wrenfield;

/// <summary>A row of a guide's contents.</summary>
internal sealed record PlateRow(string Bird, string Plumage, string Src);

/// <summary>What a guide says of its plates.</summary>
internal static class Contents
{
    private const int Deepest = 64;

    /// <summary>Reads contents: "unreadable" or "rejected" when the viewer does not take them.</summary>
    public static (List<PlateRow> Rows, string? Problem) Read(byte[] bytes)
    {
        XDocument document;
        try
        {
            if (bytes.Length > 16 * 1024 * 1024) return ([], "unreadable");
            var text = new UTF8Encoding(false, true).GetString(bytes).TrimStart('\uFEFF');
            if (IsTooDeep(text)) return ([], "unreadable");
            document = XDocument.Load(Open(text));
        }
        catch (Exception problem) when (problem is XmlException or DecoderFallbackException)
        {
            return ([], "unreadable");
        }

        if (document.Declaration?.Encoding is { } encoding && !encoding.Equals("utf-8", StringComparison.OrdinalIgnoreCase))
            return ([], "unreadable");
        if (document.Root!.Name != "contents") return ([], "rejected");
        var rows = new List<PlateRow>();
        foreach (var chapter in document.Root.Elements("chapter"))
        {
            if (chapter.Attribute("family") is null) return ([], "rejected");
            foreach (var bird in chapter.Elements("bird"))
            {
                if (bird.Attribute("code") is not { } code) return ([], "rejected");
                foreach (var plate in bird.Elements("plate"))
                {
                    if (plate.Attribute("src") is not { } src
                        || plate.Attribute("plumage") is not { } plumage
                        || !AreMonths(plate.Attribute("months")?.Value))
                        return ([], "rejected");
                    rows.Add(new PlateRow(code.Value, plumage.Value, src.Value));
                }
            }
        }

        return (rows, null);
    }

    private static XmlReader Open(string text) =>
        XmlReader.Create(new StringReader(text), new XmlReaderSettings { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null });

    private static bool IsTooDeep(string text)
    {
        using var reader = Open(text);
        while (reader.Read())
            if (reader.NodeType == XmlNodeType.Element && reader.Depth >= Deepest) return true;
        return false;
    }

    private static bool AreMonths(string? text)
    {
        if (text is null) return true;
        var parts = text.Split('-');
        return parts.Length == 2
            && parts.All(
                p =>
                    p.Length is 1 or 2
                        && p.All(char.IsAsciiDigit)
                        && int.Parse(p, System.Globalization.CultureInfo.InvariantCulture) is >= 1 and <= 12);
    }
}
