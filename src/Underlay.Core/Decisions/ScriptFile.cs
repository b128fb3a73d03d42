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

/// <summary>A note on one sound.</summary>
/// <param name="Sound">The name by which entries know it.</param>
/// <param name="Note">The note.</param>
public sealed record SoundNote(string Sound, ScriptNote Note);

/// <summary>Reads and writes <c>.underlay/script.csv</c> (docs/pack-files.md).</summary>
public static class ScriptFile
{
    /// <summary>The file.</summary>
    public static DecisionFile<SoundNote> File { get; } = new(
        PackPath.Parse($"{ReservedFolder.Name}/script.csv"),
        "notes on recordings",
        new CsvRows<SoundNote>(
            ["sound", "speaker", "notes"],
            values => new SoundNote(values[0], new ScriptNote(values[1], values[2])),
            row => [row.Sound, row.Note.Speaker, row.Note.Notes]),
        row => row.Sound);

    /// <summary>The notes by the name of the sound.</summary>
    public static IReadOnlyDictionary<string, ScriptNote> Read(FileTree tree) =>
        File.Read(tree).Rows.ToDictionary(r => r.Sound, r => r.Note, StringComparer.Ordinal);

    /// <summary>Keeps other notes beside those that are there; a note of which nothing is left goes.</summary>
    public static DecisionChange Set(FileTree tree, IReadOnlyDictionary<string, ScriptNote> notes) =>
        File.Change(tree, rows => rows
            .Where(r => !notes.ContainsKey(r.Sound))
            .Concat(notes.Select(n => new SoundNote(n.Key, n.Value)))
            .Where(r => r.Note != ScriptNote.Empty)
            .OrderBy(r => r.Sound, StringComparer.Ordinal));
}
