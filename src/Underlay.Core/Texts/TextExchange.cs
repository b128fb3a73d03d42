using Underlay.Core.Formats.Csv;
using Underlay.Core.Names;

namespace Underlay.Core.Texts;

/// <summary>What a translator's table would change.</summary>
/// <param name="Changes">Cells that differ and are not empty.</param>
/// <param name="Passed">What is passed over, each as a sentence.</param>
/// <param name="Problem">Why the table cannot be read, as a sentence; null where it can.</param>
public sealed record TextReading(IReadOnlyList<TextChange> Changes, IReadOnlyList<string> Passed, string? Problem);

/// <summary>Texts out for translators and in again, as tables that spreadsheets read and write.</summary>
public static class TextExchange
{
    private const int MostPassed = 50;

    /// <summary>Texts as CSV (RFC 4180) with a byte order mark, by which spreadsheets know that it is UTF-8.</summary>
    /// <param name="sheet">The texts.</param>
    /// <param name="lines">Those that are written.</param>
    public static byte[] Write(TextSheet sheet, IEnumerable<TextLine> lines) =>
        SpreadsheetCsv.Write(
            sheet.Languages.Prepend(sheet.Place.Table!.Key),
            lines.Select(line => sheet.Languages.Select(line.In).Prepend(line.Key)));

    /// <summary>Reads such a table: with commas, semicolons or tabs, in UTF-8 or UTF-16, with a mark or without.</summary>
    /// <param name="sheet">The texts as they are.</param>
    /// <param name="bytes">The table. Empty cells change nothing; languages and keys that are not known are told.</param>
    public static TextReading Read(TextSheet sheet, byte[] bytes)
    {
        var key = sheet.Place.Table!.Key;
        if (SpreadsheetCsv.Read(bytes, key) is not { } csv)
            return new TextReading([], [], $"This is no table with a column “{key}”: save it as CSV, with commas, semicolons or tabs.");
        var passed = new List<string>();
        string? LanguageOf(string column) =>
            sheet.Languages.FirstOrDefault(l => l.Equals(column.Trim(), StringComparison.OrdinalIgnoreCase));
        var columns = csv.Header.Select((name, at) => (At: at, Name: name.Trim(), Language: LanguageOf(name))).ToList();
        foreach (var (_, name, language) in columns)
            if (language is null && name.Length > 0 && !name.Equals(key, StringComparison.OrdinalIgnoreCase))
                passed.Add($"The column “{name}” is no language of this host.");
        var lines = sheet.Lines.ToDictionary(l => l.Key, StringComparer.Ordinal);
        var keyAt = columns.First(c => c.Name.Equals(key, StringComparison.OrdinalIgnoreCase)).At;
        var changes = new List<TextChange>();
        foreach (var row in csv.Rows.Skip(1))
        {
            var named = row.Fields.ElementAtOrDefault(keyAt)?.Trim() ?? "";
            if (named.Length == 0) continue;
            if (!lines.TryGetValue(named, out var line))
            {
                var near = Slips.Nearest(lines.Keys, named);
                passed.Add($"Line {row.Line}: there is no text “{named}”{(near is null ? "" : $"; “{near}” is near")}.");
                continue;
            }

            foreach (var (at, _, language) in columns)
                if (language is not null
                    && row.Fields.ElementAtOrDefault(at)?.Trim() is { Length: > 0 } says
                    && says != line.In(language))
                    changes.Add(new TextChange(named, language, says));
        }

        if (passed.Count > MostPassed) passed = [.. passed.Take(MostPassed), $"And {passed.Count - MostPassed} more."];
        return new TextReading(changes, passed, null);
    }
}
