using System.Text.RegularExpressions;
using System.Xml;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Xml;
using Underlay.Core.Hosts;

namespace Underlay.Core.BaseFiles;

/// <summary>One row of an index.</summary>
/// <param name="Codes">The codes of the elements around it and its own, from the outermost.</param>
/// <param name="File">The path that it names, as written.</param>
/// <param name="Span">Its span of months, or null.</param>
/// <param name="At">Where it stands.</param>
public sealed record IndexRow(IReadOnlyList<string> Codes, string File, string? Span, TextPosition At);

/// <summary>An index as the host reads it.</summary>
/// <remarks>XML 1.0, UTF-8, without a document type: no entity is ever looked up.</remarks>
/// <param name="Problem">Why it cannot be read; null when it can.</param>
/// <param name="Faults">What the host does not accept.</param>
/// <param name="Rows">In order.</param>
public sealed partial record IndexFacts(TextProblem? Problem, IReadOnlyList<EntryFault> Faults, IReadOnlyList<IndexRow> Rows) : ContentFacts
{
    /// <inheritdoc/>
    public override TextProblem? Unreadable => Problem;

    /// <inheritdoc/>
    public override IReadOnlyList<EntryFault> Faults { get; } = Faults;

    private readonly Lazy<HashSet<string>> named = new(() => Rows.Select(r => r.File).ToHashSet(StringComparer.Ordinal));

    /// <summary>True when a row names the file.</summary>
    public bool Names(Packs.PackPath path) => named.Value.Contains(path.Value);

    /// <summary>Reads an index.</summary>
    public static IndexFacts Of(byte[] bytes, IndexShape shape)
    {
        if (TextLimit.FindProblem(bytes.Length) is { } tooLong) return CannotRead(new TextProblem(null, tooLong));
        if (!System.Text.Unicode.Utf8.IsValid(bytes)) return CannotRead(new TextProblem(null, "it is not UTF-8"));
        var whole = System.Text.Encoding.UTF8.GetString(bytes);
        if (XmlProlog.FindDocumentType(whole) is { } at)
            return CannotRead(new TextProblem(TextPosition.In(whole, at), "it has a document type, which is not allowed"));
        var settings = new XmlReaderSettings
        {
            DtdProcessing = DtdProcessing.Prohibit,
            XmlResolver = null,
            IgnoreComments = true,
            IgnoreProcessingInstructions = true,
        };
        // Whatever the declaration says, the bytes are UTF-8: read as such, and held against what it says.
        using var text = new StreamReader(
            new MemoryStream(bytes),
            new System.Text.UTF8Encoding(true, true),
            detectEncodingFromByteOrderMarks: true);
        using var reader = XmlReader.Create(text, settings);
        try
        {
            var rows = new RowReader(shape);
            while (reader.Read())
            {
                if (reader.NodeType == XmlNodeType.XmlDeclaration
                    && reader.GetAttribute("encoding") is { } encoding
                    && !encoding.Equals("utf-8", StringComparison.OrdinalIgnoreCase))
                    return CannotRead(new TextProblem(null, $"it says that its encoding is {encoding}, where UTF-8 is wanted"));
                if (reader.NodeType != XmlNodeType.Element) continue;
                if (reader.Depth >= TextLimit.MostDeep)
                    return CannotRead(new TextProblem(null, $"it is nested more than {TextLimit.MostDeep} deep"));
                rows.Add(reader);
            }

            return rows.Finish();
        }
        catch (XmlException problem)
        {
            return CannotRead(new TextProblem(new TextPosition(problem.LineNumber, problem.LinePosition), "it is no XML"));
        }
        catch (System.Text.DecoderFallbackException)
        {
            return CannotRead(new TextProblem(null, "it is not UTF-8"));
        }
    }

    /// <summary>An index that cannot be read.</summary>
    internal static IndexFacts CannotRead(TextProblem problem) => new(problem, [], []);

    private static bool IsSpan(string text) =>
        MonthSpan().Match(text) is { Success: true } match
            && match.Groups.Values
                .Skip(1)
                .All(g => g.Value.Length < 3 && int.Parse(g.Value, System.Globalization.CultureInfo.InvariantCulture) is >= 1 and <= 12);

    [GeneratedRegex(@"\A([0-9]+)-([0-9]+)\z", RegexOptions.CultureInvariant)]
    private static partial Regex MonthSpan();

    /// <summary>Takes the rows from elements as they come.</summary>
    private sealed class RowReader(IndexShape shape)
    {
        private readonly List<EntryFault> faults = [];
        private readonly List<IndexRow> rows = [];
        private readonly string[] codes = new string[shape.Levels.Count];
        private readonly List<string> around = [];
        private string root = "";

        public void Add(XmlReader reader)
        {
            around.RemoveRange(reader.Depth, around.Count - reader.Depth);
            var name = NameOf(reader);
            if (reader.Depth == 0) root = name;
            // Unknown elements are ignored with all that is in them.
            var level = reader.Depth - 1;
            if (level >= 0 && level < shape.Levels.Count && name == shape.Levels[level].Element && IsKnown(level))
                AddKnown(reader, level, name);
            around.Add(name);
        }

        public IndexFacts Finish() =>
            root == shape.Root
                ? new IndexFacts(null, faults, rows)
                : new IndexFacts(null, [new EntryFault("", shape.Root, $"the root element is “{root}”; wanted is "
                    + $"“{shape.Root}”")], []);

        private bool IsKnown(int level)
        {
            for (var i = 0; i < level; i++)
                if (around[i + 1] != shape.Levels[i].Element) return false;
            return true;
        }

        private void AddKnown(XmlReader reader, int level, string name)
        {
            var lines = (IXmlLineInfo)reader;
            var at = new TextPosition(lines.LineNumber, lines.LinePosition);
            var attributes = new Dictionary<string, string>(StringComparer.Ordinal);
            for (var more = reader.MoveToFirstAttribute(); more; more = reader.MoveToNextAttribute())
                attributes[NameOf(reader)] = reader.Value;
            reader.MoveToElement();
            string Want(string attribute)
            {
                if (attributes.TryGetValue(attribute, out var value)) return value;
                faults.Add(Fault(attribute, at, $"“{name}” in line {at.Line} lacks “{attribute}”"));
                return "";
            }

            codes[level] = Want(shape.Levels[level].Code);
            if (level < shape.Levels.Count - 1) return;
            var file = Want(shape.File);
            var span = attributes.GetValueOrDefault(shape.Span);
            if (span is not null && !IsSpan(span))
                faults.Add(
                    Fault(
                        shape.Span,
                        at,
                        $"“{shape.Span}” is “{span}” in line {at.Line}; wanted are two months from 1 to 12, such as 4-9"));
            rows.Add(new IndexRow([.. codes], file, span, at));
        }

        private static EntryFault Fault(string attribute, TextPosition at, string says) => new("", $"{attribute}, {at}", says, at);

        private static string NameOf(XmlReader reader) =>
            reader.NamespaceURI.Length == 0 ? reader.LocalName : $"{{{reader.NamespaceURI}}}{reader.LocalName}";
    }
}
