using System.Text;

namespace Underlay.Core.Formats.Csv;

/// <summary>One record of a CSV text.</summary>
/// <param name="Fields">Its values, quotes undone.</param>
/// <param name="Raw">The record as it stands, its line end included.</param>
/// <param name="Line">The line on which it begins, from 1.</param>
public sealed record CsvRow(IReadOnlyList<string> Fields, string Raw, int Line)
{
    /// <summary>Where each value stands in <see cref="Raw"/>, its quotes included, in characters.</summary>
    public required IReadOnlyList<Range> Spans { get; init; }
}

/// <summary>A CSV text, read strictly: what another reader would guess at is an error here. Each record keeps its own form.</summary>
/// <remarks>RFC 4180, with a line feed alone as line end too. Empty lines at the very end are no records.</remarks>
public sealed class CsvText
{
    private CsvText(char separator, IReadOnlyList<CsvRow> rows)
    {
        Separator = separator;
        Rows = rows;
    }

    /// <summary>What stands between two values.</summary>
    public char Separator { get; }

    /// <summary>The records, the header first.</summary>
    public IReadOnlyList<CsvRow> Rows { get; }

    /// <summary>The values of the header; empty where there is none.</summary>
    public IReadOnlyList<string> Header => Rows.Count > 0 ? Rows[0].Fields : [];

    /// <summary>How its lines end.</summary>
    public string LineEnd => Rows.Count > 0 && Rows[0].Raw.EndsWith("\r\n", StringComparison.Ordinal) ? "\r\n" : "\n";

    /// <summary>Empty lines behind the last record, as they stand.</summary>
    internal string Tail { get; private init; } = "";

    /// <summary>Reads a text; null when its quotes do not match.</summary>
    /// <param name="text">The text, without a byte order mark.</param>
    /// <param name="separator">What stands between two values.</param>
    public static CsvText? Read(string text, char separator = ',') => Read(text, separator, out _);

    /// <summary>Reads a text; null when its quotes do not match.</summary>
    /// <param name="text">The text, without a byte order mark.</param>
    /// <param name="separator">What stands between two values.</param>
    /// <param name="stuck">Where the record begins whose quotes do not match.</param>
    public static CsvText? Read(string text, char separator, out TextPosition stuck)
    {
        var rows = new List<CsvRow>();
        var reader = new Reader(text, separator);
        stuck = default;
        while (!reader.IsAtEnd)
        {
            stuck = new TextPosition(reader.Line, 1);
            if (reader.ReadRow() is not { } row) return null;
            rows.Add(row);
        }

        var tail = "";
        for (; rows is [.., { Fields: [""] } empty]; rows.RemoveAt(rows.Count - 1)) tail = empty.Raw + tail;
        return new CsvText(separator, rows) { Tail = tail };
    }

    /// <summary>
    /// Reads what can be read of a text: a record whose quotes do not match is passed over up to the end of its first line.
    /// </summary>
    /// <param name="text">The text, without a byte order mark.</param>
    /// <param name="lost">Where such records begin.</param>
    internal static CsvText Salvage(string text, out IReadOnlyList<TextPosition> lost)
    {
        var rows = new List<CsvRow>();
        var passed = new List<TextPosition>();
        var reader = new Reader(text, ',');
        while (!reader.IsAtEnd)
        {
            var begins = reader.Here;
            if (reader.ReadRow() is { } row) rows.Add(row);
            else passed.Add(new TextPosition(reader.PassLine(begins), 1));
        }

        lost = passed;
        return new CsvText(',', [.. rows.Where(r => r.Fields is not [""])]);
    }

    /// <summary>A row's value in a column; null where the header does not have it, or the row is shorter.</summary>
    public string? Value(CsvRow row, string column)
    {
        for (var i = 0; i < Header.Count; i++)
            if (Header[i] == column) return row.Fields.ElementAtOrDefault(i);
        return null;
    }

    /// <summary>The values as a record, quoted where they need it.</summary>
    public string Format(IEnumerable<string> fields) => string.Join(Separator, fields.Select(f => Quote(f))) + LineEnd;

    /// <summary>Records as a file: each on lines of its own, the last as it stands, and what stood behind it.</summary>
    public byte[] Write(IReadOnlyList<string> records) =>
        Encoding.UTF8.GetBytes(
            string.Concat(records.Select((r, i) => i == records.Count - 1 || r.EndsWith('\n') ? r : r + LineEnd)) + Tail);

    /// <summary>A value as it is written in a text with a separator, within quotes where it needs or wants them.</summary>
    internal static string Quote(string field, char separator, bool wantsQuotes = false) =>
        wantsQuotes || field.AsSpan().IndexOfAny(separator, '"', '\n') >= 0 || field.Contains('\r', StringComparison.Ordinal)
            ? $"\"{field.Replace("\"", "\"\"", StringComparison.Ordinal)}\""
            : field;

    /// <inheritdoc cref="Quote(string, char, bool)"/>
    internal string Quote(string field, bool wantsQuotes = false) => Quote(field, Separator, wantsQuotes);

    private sealed class Reader(string text, char separator)
    {
        private int at;
        private int line = 1;

        public int Line => line;

        public bool IsAtEnd => at == text.Length;

        /// <summary>Where the next record begins.</summary>
        public (int At, int Line) Here => (at, line);

        /// <summary>Goes to the end of the line that a record begins with, and tells which line that is.</summary>
        public int PassLine((int At, int Line) begins)
        {
            var end = text.IndexOf('\n', begins.At);
            (at, line) = (end < 0 ? text.Length : end + 1, begins.Line + 1);
            return begins.Line;
        }

        public CsvRow? ReadRow()
        {
            var (start, begun) = (at, line);
            var fields = new List<string>();
            var spans = new List<Range>();
            while (true)
            {
                var from = at;
                if (ReadField() is not { } field) return null;
                fields.Add(field);
                spans.Add((from - start)..(at - start));
                if (at == text.Length || text[at] != separator) break;
                at++;
            }

            if (at < text.Length && text[at] == '\r') at++;
            if (at < text.Length) at++;
            line++;
            return new CsvRow(fields, text[start..at], begun) { Spans = spans };
        }

        private string? ReadField()
        {
            if (at < text.Length && text[at] == '"') return ReadQuoted();
            var start = at;
            while (at < text.Length && text[at] != separator && !EndsLine()) at++;
            var field = text[start..at];
            return field.Contains('"', StringComparison.Ordinal) ? null : field;
        }

        private string? ReadQuoted()
        {
            var field = new StringBuilder();
            for (at++; at < text.Length; at++)
            {
                if (text[at] == '\n') line++;
                if (text[at] != '"') field.Append(text[at]);
                else if (at + 1 < text.Length && text[at + 1] == '"') field.Append(text[at++]);
                else
                {
                    at++;
                    return at == text.Length || text[at] == separator || EndsLine() ? field.ToString() : null;
                }
            }

            return null;
        }

        private bool EndsLine() => text[at] == '\n' || (text[at] == '\r' && at + 1 < text.Length && text[at + 1] == '\n');
    }
}
