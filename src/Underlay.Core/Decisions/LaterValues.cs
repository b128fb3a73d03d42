using System.Text.Json;
using Underlay.Core.Formats.Json;
using Underlay.Core.Packs;

namespace Underlay.Core.Decisions;

/// <summary>A value of an entry, or an entry as a whole, that the author means to set later.</summary>
/// <param name="Path">The entry.</param>
/// <param name="Pointer">Pointer to the value; empty for the entry as a whole.</param>
/// <param name="Json">The value that holds its place, as JSON; null for the entry as a whole, which is held until the author says.</param>
public sealed record LaterValue(PackPath Path, string Pointer, string? Json)
{
    /// <summary>
    /// Where in the entry the value still stands: at its pointer, or, where rows of a list were moved, at the only other row that has it.
    /// Null where it was set.
    /// </summary>
    public string? StandsIn(JsonText entry)
    {
        if (entry.Problem is not null) return null;
        if (Json is null) return "";
        if (Holds(entry.Find(Pointer))) return Pointer;
        var others = entry.FindAll(AnyRow()).Where(f => Holds(f.Value)).Take(2).ToList();
        return others is [var only] ? only.Pointer : null;
    }

    private bool Holds(JsonElement? value)
    {
        if (value is not { } found) return false;
        using var held = JsonDocument.Parse(Json!);
        return JsonElement.DeepEquals(found, held.RootElement);
    }

    private string AnyRow() =>
        string.Concat(
            JsonText.Tokens(Pointer).ToArray().Select(t => t.Length > 0 && t.All(char.IsAsciiDigit) ? "/*" : $"/{JsonText.Escape(t)}"));
}

/// <summary>Reads and writes <c>.underlay/later.json</c> (docs/pack-files.md).</summary>
public static class LaterValues
{
    private static readonly JsonSerializerOptions Indented = new() { WriteIndented = true };

    /// <summary>Where they are kept.</summary>
    public static PackPath Path { get; } = PackPath.Parse($"{ReservedFolder.Name}/later.json");

    /// <summary>All of them, by entry; rows that cannot be read are passed over.</summary>
    public static ILookup<PackPath, LaterValue> Read(FileTree tree) => ReadAll(tree).ToLookup(l => l.Path);

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
        return Write(tree, all, all.FindAll(l => l.Path != path || !pointers.Contains(l.StandsIn(entry) ?? l.Pointer)));
    }

    /// <summary>The edits after which marks of an entry follow it to another path.</summary>
    public static IReadOnlyList<TreeEdit> Follow(FileTree tree, PackPath from, PackPath to)
    {
        var all = ReadAll(tree);
        return Write(tree, all, all.ConvertAll(l => l.Path == from ? l with { Path = to } : l));
    }

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
            .Select(v => new { path = v.Path.Value, pointer = v.Pointer, value = JsonElement.Parse(v.Json ?? "null") });
        return [new TreeEdit.Write(Path, JsonSerializer.SerializeToUtf8Bytes(new { later = rows }, Indented))];
    }
}
