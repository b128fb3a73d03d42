using System.Text;

namespace Underlay.Core.Formats.Csv;

/// <summary>Changes values and rows of a CSV text; all else keeps its own form, quotes included.</summary>
public static class CsvEdit
{
    /// <summary>The file with one more row at its end.</summary>
    public static byte[] Append(CsvText csv, IEnumerable<string> fields) => Append(csv, [fields]);

    /// <summary>The file with more rows at its end.</summary>
    public static byte[] Append(CsvText csv, IReadOnlyList<IEnumerable<string>> rows) =>
        csv.Write([.. csv.Rows.Select(r => r.Raw), .. rows.Select(csv.Format)]);

    /// <summary>The file with one more column behind the others, empty in every row.</summary>
    public static byte[] AddColumn(CsvText csv, string column) =>
        csv.Write(
        [
            .. csv.Rows.Select((row, i) =>
            {
                var end = row.Raw.Length - row.Raw.TrimEnd('\r', '\n').Length;
                return $"{row.Raw[..^end]}{csv.Separator}{(i == 0 ? csv.Quote(column) : "")}{row.Raw[^end..]}";
            }),
        ]);

    /// <summary>The file with another value wherever a row has one in a column.</summary>
    /// <param name="csv">The text.</param>
    /// <param name="column">The column.</param>
    /// <param name="change">The new value of a row; the old one where nothing is to be changed.</param>
    public static byte[] SetColumn(CsvText csv, string column, Func<CsvRow, string, string> change)
    {
        var at = csv.Header.ToList().IndexOf(column);
        string Changed(CsvRow row)
        {
            if (at < 0 || at >= row.Fields.Count || change(row, row.Fields[at]) is var value && value == row.Fields[at]) return row.Raw;
            var (start, length) = row.Spans[at].GetOffsetAndLength(row.Raw.Length);
            var wasQuoted = length > 0 && row.Raw[start] == '"';
            return string.Concat(row.Raw.AsSpan(0, start), csv.Quote(value, wasQuoted), row.Raw.AsSpan(start + length));
        }

        return csv.Write([.. csv.Rows.Select((row, i) => i == 0 ? row.Raw : Changed(row))]);
    }

    /// <summary>The file without the rows that hold.</summary>
    public static byte[] Remove(CsvText csv, Predicate<CsvRow> holds) =>
        csv.Write([.. csv.Rows.Where((row, i) => i == 0 || !holds(row)).Select(r => r.Raw)]);

    /// <summary>The text as CSV with commas and without a byte order mark; null where it cannot be read with any usual separator.</summary>
    /// <param name="bytes">UTF-8 with commas, semicolons or tabs, with a mark or without.</param>
    /// <param name="column">A column that the header has to have.</param>
    /// <returns>The file, and what was put right in words; null where nothing has to be or can be.</returns>
    public static (byte[] Bytes, string Says)? PutRight(byte[] bytes, string column)
    {
        var mark = Encoding.UTF8.Preamble;
        var isMarked = bytes.AsSpan().StartsWith(mark);
        var body = isMarked ? bytes.AsSpan(mark.Length) : bytes;
        if (!System.Text.Unicode.Utf8.IsValid(body)) return null;
        var text = Encoding.UTF8.GetString(body);
        foreach (var (separator, word) in new[] { (',', ""), (';', "semicolons"), ('\t', "tabs") })
        {
            if (CsvText.Read(text, separator) is not { } csv || !csv.Header.Contains(column)) continue;
            if (separator == ',') return isMarked ? (body.ToArray(), "a byte order mark at its start") : null;
            var records = csv.Rows.Select(r => string.Join(',', r.Fields.Select(f => CsvText.Quote(f, ','))) + csv.LineEnd);
            return (
                Encoding.UTF8.GetBytes(string.Concat(records)),
                isMarked ? $"{word} for commas, and a byte order mark" : $"{word} for commas");
        }

        return null;
    }
}
