using System.Text.Json;
using Underlay.Core.BaseFiles;
using Underlay.Core.Codebooks;
using Underlay.Core.Decisions;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Offers;

/// <summary>Whose a sound is.</summary>
public enum ScriptState
{
    /// <summary>Nothing is there.</summary>
    Missing,

    /// <summary>The base's plays.</summary>
    OfBase,

    /// <summary>The pack's is there, and no entry plays it yet.</summary>
    Unplayed,

    /// <summary>The pack's plays.</summary>
    Yours,
}

/// <summary>A signal that a sound answers, or is to.</summary>
/// <param name="Claim">For what: the code of an occasion.</param>
/// <param name="Code">The signal.</param>
/// <param name="Name">What people call it.</param>
/// <param name="IsRequired">The host is silent where nothing answers it.</param>
/// <param name="When">The states in which the sound answers it; empty where nothing does yet.</param>
public sealed record ScriptSignal(string Claim, string Code, string Name, bool IsRequired, IReadOnlyList<string> When);

/// <summary>A sound that answers signals, or is to.</summary>
/// <param name="Entry">The entry that plays it.</param>
/// <param name="Signals">What it answers, in the codebook's order.</param>
/// <param name="Sound">The name by which entries know the sound.</param>
/// <param name="Path">Where its file is, or goes.</param>
/// <param name="State">Whose it is.</param>
/// <param name="Note">What the author noted.</param>
public sealed record ScriptLine(
    PackPath Entry,
    IReadOnlyList<ScriptSignal> Signals,
    string Sound,
    PackPath Path,
    ScriptState State,
    ScriptNote Note)
{
    /// <summary>Some signal that it answers has to be answered.</summary>
    public bool IsRequired => Signals.Any(s => s.IsRequired);
}

/// <summary>What is to be recorded for the signals that the pack's entries claim: required first.</summary>
public static class SignalScript
{
    private static readonly string[] Columns = ["sound", "file", "signal", "name", "required", "when", "state", "speaker", "notes"];

    /// <summary>True where entries of the host play sounds on signals.</summary>
    public static bool IsThere(HostProfile profile, Edition edition) =>
        profile.Places.Any(p => p.RulesOf<CoversRule>(edition).Any(r => r.Plays is not null));

    /// <summary>The lines of all entries of the pack.</summary>
    public static IReadOnlyList<ScriptLine> Of(Overlay overlay)
    {
        var notes = ScriptFile.Read(overlay.Pack.Tree);
        return
        [
            .. from placement in overlay.Pack.Placements
               from rule in placement.Place.RulesOf<CoversRule>(overlay.Edition)
               where rule.Plays is not null && placement.Facts.Entry is { IsAccepted: true }
               from line in Lines(overlay, placement, rule, notes)
               orderby placement.Path, line.IsRequired descending
               select line,
        ];
    }

    /// <summary>The script as a table for those who record: <see cref="SpreadsheetCsv"/>.</summary>
    public static byte[] Write(IEnumerable<ScriptLine> lines) => SpreadsheetCsv.Write(
        Columns,
        lines.Select(line => new[]
        {
            line.Sound,
            line.Path.Value,
            string.Join("; ", line.Signals.Select(s => s.Code)),
            string.Join("; ", line.Signals.Select(s => s.Name)),
            line.IsRequired ? "yes" : "",
            string.Join(", ", line.Signals.SelectMany(s => s.When).Distinct()),
            line.State switch
            {
                ScriptState.Yours => "recorded",
                ScriptState.Unplayed => "recorded, not played",
                ScriptState.OfBase => "the base’s",
                _ => "to be recorded",
            },
            line.Note.Speaker,
            line.Note.Notes,
        }));

    /// <summary>Speakers and notes of such a table that differ; null where it has no column of sounds.</summary>
    /// <param name="lines">The script as it is.</param>
    /// <param name="bytes">The table.</param>
    /// <returns>Notes by sound, and the names that the script does not have.</returns>
    public static (IReadOnlyDictionary<string, ScriptNote> Notes, IReadOnlyList<string> Unknown)? Read(
        IEnumerable<ScriptLine> lines,
        byte[] bytes)
    {
        if (SpreadsheetCsv.Read(bytes, Columns[0]) is not { } csv) return null;
        // One sound may answer signals of several entries; what is noted of it is one.
        var known = lines.DistinctBy(l => l.Sound).ToDictionary(l => l.Sound, l => l.Note, StringComparer.Ordinal);
        var notes = new Dictionary<string, ScriptNote>(StringComparer.Ordinal);
        var unknown = new List<string>();
        string? Value(CsvRow row, string column) =>
            csv.Header.FirstOrDefault(h => h.Trim().Equals(column, StringComparison.OrdinalIgnoreCase)) is { } header
                ? csv.Value(row, header)?.Trim()
                : null;
        foreach (var row in csv.Rows.Skip(1))
        {
            if (Value(row, Columns[0]) is not { Length: > 0 } sound) continue;
            if (!known.TryGetValue(sound, out var was))
            {
                unknown.Add(sound);
                continue;
            }

            // A column that is not there changes nothing.
            var now = new ScriptNote(Value(row, "speaker") ?? was.Speaker, Value(row, "notes") ?? was.Notes);
            if (now != was) notes[sound] = now;
        }

        return (notes, unknown);
    }

    /// <summary>The rule by which the items of an entry's rows name sounds; null where none does.</summary>
    public static RefersToRule? SoundsOf(Overlay overlay, Place place, CoversRule rule) =>
        place.RulesOf<RefersToRule>(overlay.Edition)
            .FirstOrDefault(r => r.Field == $"{rule.Rows}/*/{rule.Lists}/*/{rule.Plays!.Sound}" && r.Place is not null);

    private static IEnumerable<ScriptLine> Lines(
        Overlay overlay,
        Placement entry,
        CoversRule rule,
        IReadOnlyDictionary<string, ScriptNote> notes)
    {
        if (SoundsOf(overlay, entry.Place, rule) is not { } refers) yield break;
        var text = entry.Facts.Entry!.Text;
        var claims = text.FindAll($"{rule.Field}/*").Select(c => c.Value.GetString()!).ToHashSet(StringComparer.Ordinal);
        var rows = text.FindAll($"{rule.Rows}/*").Select(r => r.Value).ToList();
        var answers = new List<(string Sound, ScriptSignal Signal)>();
        foreach (var code in overlay.Codebook(rule.Codebook).Codes)
        {
            var ofCode = rows.Where(r => Text(r, rule.Code) == code.Value).ToList();
            var isClaimed = claims.Contains(code.In(rule.Group));
            if (!isClaimed && ofCode.Count == 0) continue;
            var played = ofCode
                .SelectMany(r => Items(r, rule.Lists).Select(i => (Sound: Text(i, rule.Plays!.Sound), When: Text(r, rule.When))))
                .GroupBy(i => i.Sound, i => i.When, StringComparer.Ordinal)
                .Select(g => (Sound: g.Key, When: (IReadOnlyList<string>)[.. g.Distinct(StringComparer.Ordinal)]))
                .ToList();
            if (played.Count == 0 && Propose(overlay, entry, refers, code) is { } proposed) played.Add((proposed, []));
            var isRequired = isClaimed && code.In(rule.Required.Column) == rule.Required.Value;
            answers.AddRange(
                played.Select(p => (p.Sound, new ScriptSignal(code.In(rule.Group), code.Value, code.Name, isRequired, p.When))));
        }

        foreach (var of in answers.GroupBy(a => a.Sound, a => a.Signal, StringComparer.Ordinal))
            if (overlay.Target(refers, entry, of.Key) is { } path)
                yield return new ScriptLine(
                    entry.Path,
                    [.. of],
                    of.Key,
                    path,
                    overlay.Shown(path) is not { } shown ? ScriptState.Missing
                        : shown.Layer.IsBase ? ScriptState.OfBase
                        : of.All(s => s.When.Count == 0) ? ScriptState.Unplayed
                        : ScriptState.Yours,
                    notes.GetValueOrDefault(of.Key, ScriptNote.Empty));
    }

    /// <summary>
    /// A name for the first sound of a signal: in the folder of which the base's entries play most, with the author's prefix.
    /// </summary>
    private static string? Propose(Overlay overlay, Placement entry, RefersToRule refers, Code code)
    {
        var folder = overlay.Base.In(entry.Place)
            .Append(overlay.Base.Find(entry.Path))
            .OfType<BaseFile>()
            .SelectMany(f => f.Facts.Entry?.Text.FindStrings(refers.Field) ?? [])
            .Select(v => v.Text[..(v.Text.LastIndexOf('/') + 1)])
            .GroupBy(f => f, StringComparer.Ordinal)
            .MaxBy(g => g.Count())?.Key;
        var prefix = overlay.Pack.Manifest.Prefix is { } own ? $"{own}_" : "";
        return folder is null ? null : $"{folder}{prefix}{code.Value}_1";
    }

    /// <summary>What a row lists; nothing where it has no list.</summary>
    internal static JsonElement.ArrayEnumerator Items(JsonElement row, string list) =>
        row.TryGetProperty(list, out var items) && items.ValueKind == JsonValueKind.Array ? items.EnumerateArray() : default;

    private static string Text(JsonElement item, string field) =>
        item.TryGetProperty(field, out var value) && value.ValueKind == JsonValueKind.String ? value.GetString()! : "";
}
