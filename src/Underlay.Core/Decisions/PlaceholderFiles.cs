using System.Text.Json.Nodes;
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
    /// <summary>The file.</summary>
    public static DecisionFile<PlaceholderFile> File { get; } = new(
        PackPath.Parse($"{ReservedFolder.Name}/placeholders.json"),
        "marks of placeholders",
        new JsonRows<PlaceholderFile>(
            "placeholders",
            "path and hash",
            (text, at) => PackPath.TryParse(text.FindString($"{at}/path"), out var path, out _)
                && ContentHash.TryParse(text.FindString($"{at}/hash"), out var hash)
                    ? new PlaceholderFile(path, hash, text.FindString($"{at}/from") ?? "")
                    : null,
            row => new JsonObject { ["path"] = row.Path.Value, ["hash"] = row.Hash.Hex, ["from"] = row.From }),
        row => row.Path.Value);

    /// <summary>The placeholders by path.</summary>
    public static IReadOnlyDictionary<PackPath, PlaceholderFile> Read(FileTree tree) =>
        File.Read(tree).Rows.ToDictionary(r => r.Path);

    /// <summary>Keeps further placeholders; those whose files are gone are let go.</summary>
    public static DecisionChange Add(FileTree tree, IReadOnlyCollection<PlaceholderFile> more) =>
        more.Count == 0
            ? DecisionChange.None
            : File.Change(tree, rows => rows
                .Where(p => tree.Find(p.Path) is not null && more.All(m => m.Path != p.Path))
                .Concat(more)
                .OrderBy(p => p.Path));

    /// <summary>Lets the mark of a placeholder follow it to another path.</summary>
    public static DecisionChange Follow(FileTree tree, PackPath from, PackPath to) =>
        File.Change(tree, rows => rows
            .Where(p => p.Path != to)
            .Select(p => p.Path == from ? p with { Path = to } : p)
            .OrderBy(p => p.Path));
}
