using System.Text.Json;
using System.Text.Json.Nodes;
using Underlay.Core.Formats.Json;
using Underlay.Core.Packs;

namespace Underlay.Core.Decisions;

/// <summary>A file that the author means to replace later: it holds the place with bytes from somewhere else.</summary>
/// <param name="Path">The file.</param>
/// <param name="Hash">The bytes that hold its place; with others it is no placeholder any more.</param>
/// <param name="From">The path of the base whose bytes these are.</param>
public sealed record PlaceholderFile(PackPath Path, ContentHash Hash, string From);

/// <summary>Reads and writes <c>.underlay/placeholders.json</c> (docs/pack-files.md).</summary>
public static class PlaceholderFiles
{
    /// <summary>Where they are kept.</summary>
    public static PackPath Path { get; } = PackPath.Parse($"{ReservedFolder.Name}/placeholders.json");

    /// <summary>The placeholders by path; rows that cannot be read are passed over.</summary>
    public static IReadOnlyDictionary<PackPath, PlaceholderFile> Read(FileTree tree)
    {
        var found = new Dictionary<PackPath, PlaceholderFile>();
        if (!tree.TryFind(Path, out var file)) return found;
        var text = JsonText.Parse(file.ReadAll());
        var count = text.Find("/placeholders") is { ValueKind: JsonValueKind.Array } list ? list.GetArrayLength() : 0;
        for (var i = 0; i < count; i++)
        {
            var at = $"/placeholders/{i}";
            if (PackPath.TryParse(text.FindString($"{at}/path"), out var path, out _)
                && ContentHash.TryParse(text.FindString($"{at}/hash"), out var hash))
                found[path] = new PlaceholderFile(path, hash, text.FindString($"{at}/from") ?? "");
        }

        return found;
    }

    /// <summary>The edits that keep further placeholders; those whose files are gone are let go.</summary>
    public static IReadOnlyList<TreeEdit> Add(FileTree tree, IReadOnlyCollection<PlaceholderFile> more)
    {
        if (more.Count == 0) return [];
        var kept = Read(tree).Values.Where(p => tree.Find(p.Path) is not null && more.All(m => m.Path != p.Path)).Concat(more);
        return [Write(kept)];
    }

    /// <summary>The file that keeps placeholders.</summary>
    public static TreeEdit.Write Write(IEnumerable<PlaceholderFile> placeholders)
    {
        var rows = placeholders
            .OrderBy(p => p.Path)
            .Select(p => new JsonObject { ["path"] = p.Path.Value, ["hash"] = p.Hash.Hex, ["from"] = p.From });
        return new TreeEdit.Write(Path, JsonBytes.OnLines(new JsonObject { ["placeholders"] = new JsonArray([.. rows]) }));
    }
}
