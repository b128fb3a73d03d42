using System.Text;

namespace Underlay.Core.Formats.Csv;

/// <summary>Tables that spreadsheets read and write.</summary>
public static class SpreadsheetCsv
{
    private static readonly char[] Separators = [',', ';', '\t'];

    /// <summary>A table as CSV (RFC 4180) with a byte order mark, by which spreadsheets know that it is UTF-8.</summary>
    public static byte[] Write(IEnumerable<string> header, IEnumerable<IEnumerable<string>> rows)
    {
        var csv = CsvText.Read("key\r\n")!;
        var text = new StringBuilder().Append(csv.Format(header));
        foreach (var row in rows) text.Append(csv.Format(row));
        return [.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(text.ToString())];
    }

    /// <summary>
    /// Reads such a table: with commas, semicolons or tabs, in UTF-8 or UTF-16, with a mark or without; null where it has no such
    /// column, whatever its case.
    /// </summary>
    public static CsvText? Read(byte[] bytes, string column)
    {
        var text = Decode(bytes);
        return Separators
            .Select(separator => CsvText.Read(text, separator))
            .FirstOrDefault(c => c?.Header.Any(h => h.Trim().Equals(column, StringComparison.OrdinalIgnoreCase)) == true);
    }

    private static string Decode(byte[] bytes)
    {
        var encoding = bytes.AsSpan() switch
        {
            [0xFF, 0xFE, ..] => Encoding.Unicode,
            [0xFE, 0xFF, ..] => Encoding.BigEndianUnicode,
            var plain when System.Text.Unicode.Utf8.IsValid(plain) => Encoding.UTF8,
            _ => Encoding.Latin1,
        };
        return encoding.GetString(bytes).TrimStart('\uFEFF');
    }
}
