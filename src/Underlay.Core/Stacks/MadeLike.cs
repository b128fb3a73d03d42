using Underlay.Core.Decisions;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>What a file of the pack was made like: the file of which its thing is another.</summary>
public static class MadeLike
{
    /// <summary>The original at another path, of the base or the pack; null where there is none.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="path">A file of the pack.</param>
    public static Placement? Of(Overlay overlay, PackPath path)
    {
        if (!PlaceholderFiles.Read(overlay.Pack.Tree).TryGetValue(path, out var held)) return null;
        return PackPath.TryParse(held.From, out var from, out _) && from != path ? overlay.Shown(from) : null;
    }
}
