using System.Text.Json;
using System.Text.Json.Nodes;
using Underlay.Core.Formats.Json;
using Underlay.Core.Packs;

namespace Underlay.Core.Decisions;

/// <summary>A value of an entry, or an entry as a whole, that the author means to set later.</summary>
/// <param name="Path">The entry.</param>
/// <param name="Pointer">Pointer to the value; empty for the entry as a whole.</param>
/// <param name="Json">The value that holds its place, as JSON; null for the entry as a whole, which is held until the author says.</param>
public sealed record LaterValue(PackPath Path, string Pointer, string? Json)
{
    /// <summary>The row of a list that the value is in, empty where it is in none, and the way from there to the value.</summary>
    internal (string Row, string Field) InRow
    {
        get
        {
            var steps = JsonText.Tokens(Pointer).ToArray();
            var last = Array.FindLastIndex(steps, LaterValues.IsNumber) + 1;
            return (Joined(steps[..last]), Joined(steps[last..]));
        }
    }

    /// <summary>True where the value is held at a pointer.</summary>
    internal bool IsHeld(JsonText entry, string pointer)
    {
        if (Json is null) return true;
        if (entry.Find(pointer) is not { } found) return false;
        using var held = JsonDocument.Parse(Json);
        return JsonElement.DeepEquals(found, held.RootElement);
    }

    private static string Joined(IEnumerable<string> steps) => string.Concat(steps.Select(t => $"/{JsonText.Escape(t)}"));
}

/// <summary>Reads and writes <c>.underlay/later.json</c> (docs/pack-files.md).</summary>
public static class LaterValues
{
    /// <summary>Where they are kept.</summary>
    public static PackPath Path { get; } = PackPath.Parse($"{ReservedFolder.Name}/later.json");

    /// <summary>All of them, by entry; rows that cannot be read are passed over.</summary>
    public static ILookup<PackPath, LaterValue> Read(FileTree tree) => ReadAll(tree).ToLookup(l => l.Path);

    /// <summary>
    /// Which of an entry's marks still stand, and where. Those of one row go together: where the only other row that holds more than
    /// half of them holds more than their own, it is theirs, moved. A mark whose value is not held in their row was set, and stands
    /// no more.
    /// </summary>
    public static IReadOnlyList<(LaterValue Mark, string Pointer)> Standing(JsonText entry, IEnumerable<LaterValue> marks)
    {
        if (entry.Problem is not null) return [];
        var rows = marks.ToLookup(m => m.InRow.Row, StringComparer.Ordinal);
        int HeldIn(string row, IEnumerable<LaterValue> together) => together.Count(m => m.IsHeld(entry, row + m.InRow.Field));
        bool IsAsMarked(string row) => rows.Contains(row) && HeldIn(row, rows[row]) == rows[row].Count();
        string RowOf(IGrouping<string, LaterValue> together)
        {
            var here = HeldIn(together.Key, together);
            if (here == together.Count()) return together.Key;
            // A row that has all of its own marks is no other's.
            var others = entry.FindAll(AnyRow(together.Key))
                .Select(r => r.Pointer)
                .Where(r => !IsAsMarked(r) && HeldIn(r, together) is var there && there > here && there * 2 > together.Count())
                .Take(2)
                .ToList();
            return others is [var only] ? only : together.Key;
        }

        return
        [
            .. rows.SelectMany(together =>
            {
                var row = RowOf(together);
                return together
                    .Select(m => (Mark: m, Pointer: row + m.InRow.Field))
                    .Where(m => m.Mark.IsHeld(entry, m.Pointer));
            }),
        ];
    }

    /// <summary>The edits that mark values for later; marks of entries that are gone are let go.</summary>
    public static IReadOnlyList<TreeEdit> Mark(FileTree tree, IReadOnlyCollection<LaterValue> values)
    {
        var all = ReadAll(tree);
        var others = all.Where(l => tree.Find(l.Path) is not null && values.All(v => v.Path != l.Path || v.Pointer != l.Pointer));
        return Write(tree, all, [.. others, .. values]);
    }

    /// <summary>The edits that take marks away.</summary>
    /// <param name="tree">The pack's files.</param>
    /// <param name="path">The entry.</param>
    /// <param name="entry">Its text.</param>
    /// <param name="pointers">Where the marked values stand in it.</param>
    public static IReadOnlyList<TreeEdit> Unmark(FileTree tree, PackPath path, JsonText entry, IReadOnlyCollection<string> pointers)
    {
        var all = ReadAll(tree);
        var standing = Standing(entry, all.Where(l => l.Path == path)).DistinctBy(s => s.Mark).ToDictionary(s => s.Mark, s => s.Pointer);
        return Write(tree, all, all.FindAll(l => l.Path != path || !pointers.Contains(standing.GetValueOrDefault(l, l.Pointer))));
    }

    /// <summary>The edits after which marks of an entry follow it to another path.</summary>
    public static IReadOnlyList<TreeEdit> Follow(FileTree tree, PackPath from, PackPath to)
    {
        var all = ReadAll(tree);
        return Write(tree, all, all.ConvertAll(l => l.Path == from ? l with { Path = to } : l));
    }

    internal static bool IsNumber(string step) => step.Length > 0 && step.All(char.IsAsciiDigit);

    private static string AnyRow(string row) =>
        string.Concat(JsonText.Tokens(row).ToArray().Select(t => IsNumber(t) ? "/*" : $"/{JsonText.Escape(t)}"));

    private static List<LaterValue> ReadAll(FileTree tree)
    {
        var found = new List<LaterValue>();
        if (!tree.TryFind(Path, out var file)) return found;
        var text = JsonText.Parse(file.ReadAll());
        foreach (var (at, _) in text.FindAll("/later/*"))
        {
            if (!PackPath.TryParse(text.FindString($"{at}/path"), out var path, out _)) continue;
            var pointer = text.FindString($"{at}/pointer") ?? "";
            if (pointer.Length == 0) found.Add(new LaterValue(path, "", null));
            else if (text.Find($"{at}/value") is { } value) found.Add(new LaterValue(path, pointer, value.GetRawText()));
        }

        return found;
    }

    private static IReadOnlyList<TreeEdit> Write(FileTree tree, List<LaterValue> before, List<LaterValue> now)
    {
        if (now.SequenceEqual(before)) return [];
        if (now.Count == 0) return [new TreeEdit.Delete(Path)];
        var rows = now
            .OrderBy(v => v.Path)
            .ThenBy(v => v.Pointer, StringComparer.Ordinal)
            .Select(v => new JsonObject { ["path"] = v.Path.Value, ["pointer"] = v.Pointer, ["value"] = JsonNode.Parse(v.Json ?? "null") });
        return [new TreeEdit.Write(Path, JsonBytes.OnLines(new JsonObject { ["later"] = new JsonArray([.. rows]) }))];
    }
}
