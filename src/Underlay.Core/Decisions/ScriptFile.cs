using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Packs;

namespace Underlay.Core.Decisions;

/// <summary>What an author notes of a sound that is to be recorded.</summary>
/// <param name="Speaker">Who records it.</param>
/// <param name="Notes">How it should sound, or what is said.</param>
public sealed record ScriptNote(string Speaker, string Notes)
{
    /// <summary>Nothing noted.</summary>
    public static ScriptNote Empty { get; } = new("", "");
}

/// <summary>Reads and writes <c>.underlay/script.csv</c> (docs/pack-files.md).</summary>
public static class ScriptFile
{
    private static readonly string[] Columns = ["sound", "speaker", "notes"];

    /// <summary>Where notes are kept.</summary>
    public static PackPath Path { get; } = PackPath.Parse($"{ReservedFolder.Name}/script.csv");

    /// <summary>The notes by the name of the sound; rows that cannot be read are passed over.</summary>
    public static IReadOnlyDictionary<string, ScriptNote> Read(FileTree tree)
    {
        var notes = new Dictionary<string, ScriptNote>(StringComparer.Ordinal);
        if (!tree.TryFind(Path, out var file) || CsvText.Read(Encoding.UTF8.GetString(file.ReadAll())) is not { } csv) return notes;
        foreach (var row in csv.Rows.Skip(1))
            if (csv.Value(row, Columns[0]) is { Length: > 0 } sound)
                notes[sound] = new ScriptNote(csv.Value(row, Columns[1]) ?? "", csv.Value(row, Columns[2]) ?? "");
        return notes;
    }

    /// <summary>The edits that keep other notes beside those that are there; a note of which nothing is left goes.</summary>
    public static IReadOnlyList<TreeEdit> Set(FileTree tree, IReadOnlyDictionary<string, ScriptNote> notes)
    {
        var all = Read(tree).ToDictionary(n => n.Key, n => n.Value, StringComparer.Ordinal);
        foreach (var (sound, note) in notes) all[sound] = note;
        var kept = all.Where(n => n.Value != ScriptNote.Empty).OrderBy(n => n.Key, StringComparer.Ordinal).ToList();
        if (kept.Count == 0) return tree.Find(Path) is null ? [] : [new TreeEdit.Delete(Path)];
        var csv = CsvText.Read("key\n")!;
        var text = csv.Format(Columns) + string.Concat(kept.Select(n => csv.Format([n.Key, n.Value.Speaker, n.Value.Notes])));
        return [new TreeEdit.Write(Path, Encoding.UTF8.GetBytes(text))];
    }
}
