using System.Globalization;
using System.Text;
using System.Text.Json;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Mending;

/// <summary>
/// Takes a recording as a sound that answers a signal: saved as its place plays it, with the row that the host wants of it, and
/// listed where the entry answers the signal.
/// </summary>
public static class SignalTake
{
    /// <summary>What is to be done, or why it cannot be as a sentence.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="line">The line of the script that the recording is for.</param>
    /// <param name="recording">A sound in any format that is read.</param>
    public static (IReadOnlyList<TreeEdit> Edits, string? Problem) Plan(Overlay overlay, ScriptLine line, ReadOnlyMemory<byte> recording)
    {
        var edits = new List<TreeEdit>();
        var tree = overlay.Pack.Tree;
        void Add(IReadOnlyList<TreeEdit> more)
        {
            edits.AddRange(more);
            tree = tree.With(more);
        }

        var from = PackPath.Parse($"{ReservedFolder.Tray}/{line.Path.FileName}.take");
        Add([new TreeEdit.Write(from, recording)]);
        var placed = Placing.Place(overlay.Profile, overlay.Edition, tree, from, line.Path);
        if (placed.Problem is { } problem) return ([], $"The recording cannot be used as {line.Path}: {problem}");
        Add(placed.Edits);
        Add(Row(overlay, tree, line.Path));
        Add(Listing(overlay, tree, line));
        return (edits, null);
    }

    /// <summary>The row of a sound in the table of its folder, where the stack has none.</summary>
    private static IReadOnlyList<TreeEdit> Row(Overlay overlay, FileTree tree, PackPath path)
    {
        if (overlay.Profile.Locate(path, overlay.Edition) is not { } located) return [];
        foreach (var rule in located.Place.RulesOf<SoundRowRule>(overlay.Edition))
        {
            var table = overlay.Profile.Place(rule.Table);
            var name = located.Bindings.Find(rule.Placeholder)!;
            if (table.Pattern!.Fill(located.Bindings) is not { } at || overlay.Rows.Find(table, name)?.From.Path == at) continue;
            if (SoundRow.Written(tree.Find(at)?.ReadAll(), table.Table!, name, new Dictionary<string, string>(), overlay.Base.Read(at))
                is { } bytes)
                return [new TreeEdit.Write(at, bytes)];
        }

        return [];
    }

    /// <summary>
    /// The sound among what the entry lists for its signal: in its first row of the signal, or a new one for every state.
    /// </summary>
    private static IReadOnlyList<TreeEdit> Listing(Overlay overlay, FileTree tree, ScriptLine line)
    {
        if (overlay.OfPack(line.Entry) is not { } entry || tree.Find(line.Entry) is not { } file) return [];
        var rule = entry.Place.RulesOf<CoversRule>(overlay.Edition).First(r => r.Plays is not null);
        var text = JsonText.Parse(file.ReadAll());
        if (text.Problem is not null) return [];
        var code = line.Signals[0].Code;
        var rows = text.FindAll($"{rule.Rows}/*").Where(r => Says(r.Value, rule.Code, code)).ToList();
        if (rows.Any(r => SignalScript.Items(r.Value, rule.Lists).Any(i => Says(i, rule.Plays!.Sound, line.Sound)))) return [];
        var item = $$"""
            { "{{rule.Plays!.Sound}}": {{Text(line.Sound)}}, "{{rule.Plays.Weight}}": 1, "{{rule.Plays.Rest}}": {{Rest(text, rule)}} }
            """;
        byte[] written;
        if (rows is [var first, ..])
        {
            written = JsonEdit.Insert(text, $"{first.Pointer}/{rule.Lists}/-", Encoding.UTF8.GetBytes(item));
        }
        else
        {
            var row = $$"""{ "{{rule.Code}}": {{Text(code)}}, "{{rule.When}}": {{Text(rule.Any)}}, "{{rule.Lists}}": [{{item}}] }""";
            written = JsonEdit.Insert(text, $"{rule.Rows}/-", Encoding.UTF8.GetBytes(row));
        }

        return [new TreeEdit.Write(line.Entry, written)];
    }

    /// <summary>The pause that the entry has behind its other sounds.</summary>
    private static string Rest(JsonText text, CoversRule rule) =>
        text.FindAll($"{rule.Rows}/*/{rule.Lists}/*/{rule.Plays!.Rest}")
            .Where(r => r.Value.ValueKind == JsonValueKind.Number)
            .Select(r => r.Value.GetDouble())
            .FirstOrDefault()
            .ToString(CultureInfo.InvariantCulture);

    private static string Text(string value) => Encoding.UTF8.GetString(JsonEdit.Text(value));

    private static bool Says(JsonElement value, string field, string wanted) =>
        value.ValueKind == JsonValueKind.Object
        && value.TryGetProperty(field, out var found)
        && found.ValueKind == JsonValueKind.String
        && found.GetString() == wanted;
}
