using System.Text.RegularExpressions;
using System.Xml;
using Underlay.Core.Entries;
using Underlay.Core.Hosts;

namespace Underlay.Core.BaseFiles;

/// <summary>One row of an index.</summary>
/// <param name="Codes">The codes of the elements around it and its own, from the outermost.</param>
/// <param name="File">The path that it names, as written.</param>
/// <param name="Span">Its span of months, or null.</param>
/// <param name="Line">From 1.</param>
public sealed record IndexRow(IReadOnlyList<string> Codes, string File, string? Span, int Line);

/// <summary>An index as the host reads it.</summary>
/// <remarks>XML 1.0, UTF-8, without a document type: no entity is ever looked up.</remarks>
/// <param name="Problem">Why it cannot be read; null when it can.</param>
/// <param name="Faults">What the host does not accept.</param>
/// <param name="Rows">In order.</param>
public sealed partial record IndexFacts(string? Problem, IReadOnlyList<EntryFault> Faults, IReadOnlyList<IndexRow> Rows)
{
    private const int MostCharacters = 16 * 1024 * 1024;

    private readonly Lazy<HashSet<string>> named = new(() => Rows.Select(r => r.File).ToHashSet(StringComparer.Ordinal));

    /// <summary>True when a row names the file.</summary>
    public bool Names(Packs.PackPath path) => named.Value.Contains(path.Value);

    /// <summary>Reads an index.</summary>
    public static IndexFacts Of(byte[] bytes, IndexShape shape)
    {
        if (!System.Text.Unicode.Utf8.IsValid(bytes)) return Unreadable("it is not UTF-8");
        var settings = new XmlReaderSettings { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null, MaxCharactersInDocument = MostCharacters, IgnoreComments = true, IgnoreProcessingInstructions = true };
        // Whatever the declaration says, the bytes are UTF-8: read as such, and held against what it says.
        using var text = new StreamReader(new MemoryStream(bytes), new System.Text.UTF8Encoding(true, true), detectEncodingFromByteOrderMarks: true);
        using var reader = XmlReader.Create(text, settings);
        try
        {
            var document = new List<XmlElementLine>();
            var trail = new List<string>();
            while (reader.Read())
            {
                if (reader.NodeType == XmlNodeType.XmlDeclaration && reader.GetAttribute("encoding") is { } encoding && !encoding.Equals("utf-8", StringComparison.OrdinalIgnoreCase))
                    return Unreadable($"it says that its encoding is {encoding}, where UTF-8 is wanted");
                if (reader.NodeType == XmlNodeType.Element) document.Add(XmlElementLine.Of(reader, trail));
            }

            return Judge(document, shape);
        }
        catch (XmlException problem)
        {
            return Unreadable(problem.Message.Contains("DTD", StringComparison.Ordinal) ? "it has a document type, which is not allowed" : $"it is no XML (line {problem.LineNumber}, column {problem.LinePosition})");
        }
        catch (System.Text.DecoderFallbackException)
        {
            return Unreadable("it is not UTF-8");
        }
    }

    private static IndexFacts Judge(List<XmlElementLine> elements, IndexShape shape)
    {
        if (elements[0].Name != shape.Root) return new IndexFacts(null, [new EntryFault("", shape.Root, $"the root element is “{elements[0].Name}”; wanted is “{shape.Root}”")], []);
        var faults = new List<EntryFault>();
        var rows = new List<IndexRow>();
        var codes = new string[shape.Levels.Count];
        foreach (var element in elements.Skip(1))
        {
            // Unknown elements are ignored with all that is in them.
            if (!element.Path.Skip(1).SequenceEqual(shape.Levels.Take(element.Path.Count - 1).Select(l => l.Element), StringComparer.Ordinal) || element.Path[0] != shape.Root) continue;
            var depth = element.Path.Count - 2;
            var level = shape.Levels[depth];
            codes[depth] = Want(element, level.Code, faults);
            if (depth < shape.Levels.Count - 1) continue;
            var file = Want(element, shape.File, faults);
            var span = element.Attributes.GetValueOrDefault(shape.Span);
            if (span is not null && !IsSpan(span)) faults.Add(Fault(element, shape.Span, $"“{shape.Span}” is “{span}” in line {element.Line}; wanted are two months from 1 to 12, such as 4-9"));
            rows.Add(new IndexRow([.. codes], file, span, element.Line));
        }

        return new IndexFacts(null, faults, rows);
    }

    private static bool IsSpan(string text) =>
        MonthSpan().Match(text) is { Success: true } match && match.Groups.Values.Skip(1).All(g => g.Value.Length < 3 && int.Parse(g.Value, System.Globalization.CultureInfo.InvariantCulture) is >= 1 and <= 12);

    private static string Want(XmlElementLine element, string attribute, List<EntryFault> faults)
    {
        if (element.Attributes.TryGetValue(attribute, out var value)) return value;
        faults.Add(Fault(element, attribute, $"“{element.Name}” in line {element.Line} lacks “{attribute}”"));
        return "";
    }

    private static EntryFault Fault(XmlElementLine element, string attribute, string says) => new("", $"{attribute} in line {element.Line}", says);

    private static IndexFacts Unreadable(string problem) => new(problem, [], []);

    [GeneratedRegex(@"\A([0-9]+)-([0-9]+)\z", RegexOptions.CultureInvariant)]
    private static partial Regex MonthSpan();

    /// <summary>An element with the names of those around it, the root first and itself last.</summary>
    private sealed record XmlElementLine(string Name, IReadOnlyList<string> Path, Dictionary<string, string> Attributes, int Line)
    {
        public static XmlElementLine Of(XmlReader reader, List<string> trail)
        {
            trail.RemoveRange(reader.Depth, trail.Count - reader.Depth);
            var name = NameOf(reader);
            trail.Add(name);
            var line = ((IXmlLineInfo)reader).LineNumber;
            var attributes = new Dictionary<string, string>(StringComparer.Ordinal);
            for (var more = reader.MoveToFirstAttribute(); more; more = reader.MoveToNextAttribute()) attributes[NameOf(reader)] = reader.Value;
            return new XmlElementLine(name, [.. trail], attributes, line);
        }

        private static string NameOf(XmlReader reader) => reader.NamespaceURI.Length == 0 ? reader.LocalName : $"{{{reader.NamespaceURI}}}{reader.LocalName}";
    }
}
