using System.Globalization;
using Underlay.Core.Packs;
using Underlay.Server.Packs;

namespace Underlay.Server.Tray;

/// <summary>Gives dropped files paths in the tray that nothing else has, whatever its case.</summary>
internal sealed class FreeNames(FileTree tree)
{
    private readonly Dictionary<string, string?> taken = tree.Files
        .Where(f => f.Path.IsBelow(ReservedFolder.Tray))
        .ToDictionary(f => f.Path.Value, f => (string?)PackSnapshot.HashOf(f), StringComparer.OrdinalIgnoreCase);

    /// <summary>A free path for a file, or null when the tray has the same bytes at that path already.</summary>
    public PackPath? Find(PackPath file, ContentHash hash)
    {
        for (var number = 1; ; number++)
        {
            var name = number == 1 ? file.Value : Numbered(file.Value, number);
            var path = PackPath.Parse($"{ReservedFolder.Tray}/{name}");
            if (taken.TryAdd(path.Value, hash.Hex)) return path;
            if (taken[path.Value] == hash.Hex) return null;
        }
    }

    private static string Numbered(string path, int number)
    {
        var dot = path.LastIndexOf('.');
        var at = dot > path.LastIndexOf('/') + 1 ? dot : path.Length;
        return string.Create(CultureInfo.InvariantCulture, $"{path[..at]} ({number}){path[at..]}");
    }
}
