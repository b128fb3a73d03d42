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
    /// <summary>The file.</summary>
    public static DecisionFile<LaterValue> File { get; } = new(
        PackPath.Parse($"{ReservedFolder.Name}/later.json"),
        "marks for later",
        new JsonRows<LaterValue>(
            "later",
            "path, pointer and value",
            ReadOne,
            row => new JsonObject
            {
                ["path"] = row.Path.Value,
                ["pointer"] = row.Pointer,
                ["value"] = JsonNode.Parse(row.Json ?? "null"),
            }),
        row => $"{row.Path}#{row.Pointer}");

    /// <summary>All of them, by entry.</summary>
    public static ILookup<PackPath, LaterValue> Read(FileTree tree) => File.Read(tree).Rows.ToLookup(l => l.Path);

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

    /// <summary>Marks values for later; marks of entries that are gone are let go.</summary>
    public static DecisionChange Mark(FileTree tree, IReadOnlyCollection<LaterValue> values) =>
        Change(tree, rows => rows
            .Where(l => tree.Find(l.Path) is not null && values.All(v => v.Path != l.Path || v.Pointer != l.Pointer))
            .Concat(values));

    /// <summary>Takes marks away.</summary>
    /// <param name="tree">The pack's files.</param>
    /// <param name="path">The entry.</param>
    /// <param name="entry">Its text.</param>
    /// <param name="pointers">Where the marked values stand in it.</param>
    public static DecisionChange Unmark(FileTree tree, PackPath path, JsonText entry, IReadOnlyCollection<string> pointers) =>
        Change(tree, rows =>
        {
            var standing = Standing(entry, rows.Where(l => l.Path == path))
                .DistinctBy(s => s.Mark)
                .ToDictionary(s => s.Mark, s => s.Pointer);
            return rows.Where(l => l.Path != path || !pointers.Contains(standing.GetValueOrDefault(l, l.Pointer)));
        });

    /// <summary>Lets the marks of an entry follow it to another path.</summary>
    public static DecisionChange Follow(FileTree tree, PackPath from, PackPath to) =>
        Change(tree, rows => rows.Select(l => l.Path == from ? l with { Path = to } : l));

    internal static bool IsNumber(string step) => step.Length > 0 && step.All(char.IsAsciiDigit);

    private static string AnyRow(string row) =>
        string.Concat(JsonText.Tokens(row).ToArray().Select(t => IsNumber(t) ? "/*" : $"/{JsonText.Escape(t)}"));

    private static DecisionChange Change(FileTree tree, Func<IReadOnlyList<LaterValue>, IEnumerable<LaterValue>> change) =>
        File.Change(tree, rows => change(rows).OrderBy(v => v.Path).ThenBy(v => v.Pointer, StringComparer.Ordinal));

    private static LaterValue? ReadOne(JsonText text, string at)
    {
        if (!PackPath.TryParse(text.FindString($"{at}/path"), out var path, out _)) return null;
        var pointer = text.FindString($"{at}/pointer") ?? "";
        if (pointer.Length == 0) return new LaterValue(path, "", null);
        return text.Find($"{at}/value") is { } value ? new LaterValue(path, pointer, value.GetRawText()) : null;
    }
}
