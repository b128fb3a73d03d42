using System.Text;

namespace Underlay.Core.Entries;

/// <summary>One record of a CSV text.</summary>
/// <param name="Fields">Its values, quotes undone.</param>
/// <param name="Raw">The record as it stands, its line end included.</param>
/// <param name="Line">The line on which it begins, from 1.</param>
public sealed record CsvRow(IReadOnlyList<string> Fields, string Raw, int Line);

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

    /// <summary>Reads a text; null when its quotes do not match.</summary>
    /// <param name="text">The text, without a byte order mark.</param>
    /// <param name="separator">What stands between two values.</param>
    public static CsvText? Read(string text, char separator = ',')
    {
        var rows = new List<CsvRow>();
        var reader = new Reader(text, separator);
        while (!reader.IsAtEnd)
        {
            if (reader.ReadRow() is not { } row) return null;
            rows.Add(row);
        }

        while (rows is [.., { Fields: [""] }]) rows.RemoveAt(rows.Count - 1);
        return new CsvText(separator, rows);
    }

    /// <summary>A row's value in a column; null where the header does not have it, or the row is shorter.</summary>
    public string? Value(CsvRow row, string column)
    {
        for (var i = 0; i < Header.Count; i++)
            if (Header[i] == column) return row.Fields.ElementAtOrDefault(i);
        return null;
    }

    /// <summary>The values as a record, quoted where they need it.</summary>
    public string Format(IEnumerable<string> fields) => string.Join(Separator, fields.Select(Quote)) + LineEnd;

    /// <summary>The records as a file, each with a line end.</summary>
    public byte[] Write(IEnumerable<string> records) =>
        Encoding.UTF8.GetBytes(string.Concat(records.Select(r => r.EndsWith('\n') ? r : r + LineEnd)));

    private string Quote(string field) =>
        field.AsSpan().IndexOfAny(Separator, '"', '\n') >= 0 || field.Contains('\r', StringComparison.Ordinal)
            ? $"\"{field.Replace("\"", "\"\"", StringComparison.Ordinal)}\""
            : field;

    private sealed class Reader(string text, char separator)
    {
        private int at;
        private int line = 1;

        public bool IsAtEnd => at == text.Length;

        public CsvRow? ReadRow()
        {
            var (start, begun) = (at, line);
            var fields = new List<string>();
            while (true)
            {
                if (ReadField() is not { } field) return null;
                fields.Add(field);
                if (at == text.Length || text[at] != separator) break;
                at++;
            }

            if (at < text.Length && text[at] == '\r') at++;
            if (at < text.Length) at++;
            line++;
            return new CsvRow(fields, text[start..at], begun);
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
