using System.Text;
using System.Xml;

namespace Underlay.Core.Formats.Xml;

/// <summary>An attribute of an XML text.</summary>
/// <param name="Element">The element's name.</param>
/// <param name="Name">The attribute's name.</param>
/// <param name="Value">Its value, references undone.</param>
/// <param name="Beside">All attributes of the element, by name.</param>
public readonly record struct XmlAttributeText(string Element, string Name, string Value, IReadOnlyDictionary<string, string> Beside);

/// <summary>Changes attributes of an XML text; order, spacing, quotes and comments stay as the author wrote them.</summary>
/// <remarks>XML 1.0; no document type and no entity of its own.</remarks>
public static class XmlEdit
{
    /// <summary>The text with other values at attributes; the same bytes where nothing changes.</summary>
    /// <param name="utf8">XML that can be read.</param>
    /// <param name="change">The new value of an attribute, or null to leave it.</param>
    /// <exception cref="XmlException">The text is no XML.</exception>
    public static byte[] SetAttributes(byte[] utf8, Func<XmlAttributeText, string?> change)
    {
        var mark = Encoding.UTF8.Preamble;
        var isMarked = utf8.AsSpan().StartsWith(mark);
        var text = Encoding.UTF8.GetString(isMarked ? utf8.AsSpan(mark.Length) : utf8);
        var written = new StringBuilder();
        var copied = 0;
        foreach (var (start, end, value) in Changes(text, change))
        {
            written.Append(text, copied, start - copied).Append(value);
            copied = end;
        }

        if (copied == 0) return utf8;
        written.Append(text, copied, text.Length - copied);
        var bytes = Encoding.UTF8.GetBytes(written.ToString());
        return isMarked ? [.. mark, .. bytes] : bytes;
    }

    /// <summary>What is to be written where, in the order of the text: values between their quotes.</summary>
    private static List<(int Start, int End, string Value)> Changes(string text, Func<XmlAttributeText, string?> change)
    {
        var lines = LineStarts(text);
        var changes = new List<(int, int, string)>();
        using var reader = XmlReader.Create(
            new StringReader(text),
            new XmlReaderSettings { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null });
        var at = (IXmlLineInfo)reader;
        while (reader.Read())
        {
            if (reader.NodeType != XmlNodeType.Element) continue;
            var element = reader.LocalName;
            var beside = new Dictionary<string, string>(StringComparer.Ordinal);
            for (var more = reader.MoveToFirstAttribute(); more; more = reader.MoveToNextAttribute()) beside[reader.Name] = reader.Value;
            for (var more = reader.MoveToFirstAttribute(); more; more = reader.MoveToNextAttribute())
            {
                if (reader.NamespaceURI.Length > 0
                    || change(new XmlAttributeText(element, reader.LocalName, reader.Value, beside)) is not { } value
                    || value == reader.Value)
                    continue;
                var quote = text.AsSpan(lines[at.LineNumber - 1] + at.LinePosition - 1).IndexOfAny('"', '\'')
                    + lines[at.LineNumber - 1]
                    + at.LinePosition - 1;
                changes.Add((quote + 1, text.IndexOf(text[quote], quote + 1), Escape(value, text[quote])));
            }
        }

        return changes;
    }

    /// <summary>Where each line begins, as the reader counts them: CR, LF and CR LF end a line.</summary>
    private static List<int> LineStarts(string text)
    {
        var starts = new List<int> { 0 };
        for (var i = 0; i < text.Length; i++)
            if (text[i] == '\n' || (text[i] == '\r' && (i + 1 == text.Length || text[i + 1] != '\n'))) starts.Add(i + 1);
        return starts;
    }

    private static string Escape(string value, char quote) =>
        value.Replace("&", "&amp;", StringComparison.Ordinal).Replace("<", "&lt;", StringComparison.Ordinal)
            .Replace(quote.ToString(), quote == '"' ? "&quot;" : "&apos;", StringComparison.Ordinal);
}
