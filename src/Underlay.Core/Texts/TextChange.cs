using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Packs;

namespace Underlay.Core.Texts;

/// <summary>What a text is to say in one language.</summary>
/// <param name="Key">The key of the text.</param>
/// <param name="Language">The column.</param>
/// <param name="Says">What it is to say; empty to say nothing.</param>
public sealed record TextChange(string Key, string Language, string Says)
{
    /// <summary>
    /// The edits that make changes, one for each table that they touch. A text that the pack does not have yet gets a row, with what the
    /// base says in the other languages: a row takes the place of the one below as a whole.
    /// </summary>
    /// <param name="sheet">The texts as they are.</param>
    /// <param name="changes">The changes; of two to one cell the later counts.</param>
    /// <returns>The edits, or why they cannot be made, as a sentence.</returns>
    public static (IReadOnlyList<TreeEdit> Edits, string? Problem) Edits(TextSheet sheet, IReadOnlyList<TextChange> changes)
    {
        var lines = sheet.Lines.ToDictionary(l => l.Key, StringComparer.Ordinal);
        if (changes.FirstOrDefault(c => !lines.ContainsKey(c.Key)) is { } lost) return ([], $"There is no text “{lost.Key}”.");
        if (changes.FirstOrDefault(c => !sheet.Languages.Contains(c.Language)) is { } odd)
            return ([], $"There is no language “{odd.Language}”.");
        var edits = new List<TreeEdit>();
        foreach (var ofFile in changes.GroupBy(c => lines[c.Key].File))
        {
            if (Written(sheet, ofFile.Key, lines, [.. ofFile]) is not { } bytes)
                return ([], $"{ofFile.Key} cannot be read as a table of texts; mend it first.");
            edits.Add(new TreeEdit.Write(ofFile.Key, bytes));
        }

        return (edits, null);
    }

    private static byte[]? Written(TextSheet sheet, PackPath file, Dictionary<string, TextLine> lines, List<TextChange> changes)
    {
        var (tree, shape) = (sheet.Overlay.Pack.Tree, sheet.Place.Table!);
        var header = string.Join(',', shape.Columns.Select(c => c.Name).Prepend(shape.Key)) + "\n";
        var bytes = tree.Find(file)?.ReadAll() ?? Encoding.UTF8.GetBytes(header);
        if (Read(bytes) is not { } csv || !csv.Header.Contains(shape.Key) || !sheet.Languages.All(csv.Header.Contains)) return null;
        var wanted = changes.GroupBy(c => (c.Key, c.Language)).ToDictionary(g => g.Key, g => g.Last().Says);
        foreach (var language in changes.Select(c => c.Language).Distinct().ToList())
        {
            // Of two rows with one key the later is the one that counts.
            bytes = CsvEdit.SetColumn(
                csv,
                language,
                (row, old) => csv.Value(row, shape.Key) is { } key && wanted.TryGetValue((key, language), out var says) ? says : old);
            csv = Read(bytes)!;
        }

        var there = csv.Rows.Skip(1).Select(r => csv.Value(r, shape.Key)).ToHashSet();
        var added = changes
            .Select(c => c.Key)
            .Distinct()
            .Where(k => !there.Contains(k))
            .Select(k => csv.Header.Select(c => c == shape.Key ? k : wanted.GetValueOrDefault((k, c)) ?? lines[k].In(c)))
            .ToList();
        return added.Count == 0 ? bytes : CsvEdit.Append(csv, added);
    }

    private static CsvText? Read(byte[] bytes) => CsvText.Read(Encoding.UTF8.GetString(bytes));
}
