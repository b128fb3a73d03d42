using System.Text;

namespace Underlay.Core.BaseFiles;

/// <summary>Reads CSV strictly: what another reader would guess at is an error here.</summary>
/// <remarks>RFC 4180, with a line feed alone as line end too. The general reader that codebooks use forgives bad quotes.</remarks>
internal static class CsvRecords
{
    /// <summary>The records with the lines on which they begin, from 1; null when quotes do not match.</summary>
    public static IReadOnlyList<(string[] Fields, int Line)>? Read(string text)
    {
        var records = new List<(string[], int)>();
        var fields = new List<string>();
        int at = 0, line = 1, begun = 1;
        while (at < text.Length || fields.Count > 0)
        {
            if (ReadField(text, ref at, ref line) is not { } field) return null;
            fields.Add(field);
            if (at < text.Length && text[at] == ',')
            {
                at++;
                // A comma at the very end opens one more value.
                if (at < text.Length) continue;
                fields.Add("");
            }

            if (at < text.Length && text[at] == '\r') at++;
            if (at < text.Length) at++;
            records.Add(([.. fields], begun));
            fields.Clear();
            begun = ++line;
        }

        return records;
    }

    private static string? ReadField(string text, ref int at, ref int line)
    {
        if (at < text.Length && text[at] == '"') return ReadQuoted(text, ref at, ref line);
        var start = at;
        while (at < text.Length && text[at] != ',' && !EndsLine(text, at)) at++;
        var field = text[start..at];
        return field.Contains('"', StringComparison.Ordinal) ? null : field;
    }

    private static string? ReadQuoted(string text, ref int at, ref int line)
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
                return at == text.Length || text[at] == ',' || EndsLine(text, at) ? field.ToString() : null;
            }
        }

        return null;
    }

    private static bool EndsLine(string text, int at) => text[at] == '\n' || (text[at] == '\r' && at + 1 < text.Length && text[at + 1] == '\n');
}
