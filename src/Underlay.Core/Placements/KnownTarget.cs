using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Names;
using Underlay.Core.Packs;

namespace Underlay.Core.Placements;

/// <summary>A path that the base or the pack has, or that a thing of theirs may get.</summary>
/// <param name="Path">The path.</param>
/// <param name="Place">Its place.</param>
/// <param name="Bindings">What stands at the holes.</param>
/// <param name="Base">The base's file there, or null.</param>
internal sealed record KnownTarget(PackPath Path, Place Place, Bindings Bindings, BaseFile? Base)
{
    /// <summary>The pieces of the name at the pattern's wordy hole: "water_jug" is water, jug.</summary>
    public required IReadOnlyList<string> Identity { get; init; }

    /// <summary>Its pieces without the author's prefix, which files are often called without; none where it does not begin so.</summary>
    public IReadOnlyList<string> Bare { get; init; } = [];

    /// <summary>These run together.</summary>
    public required string Whole { get; init; }

    /// <summary>What stands at the hole for a number, as it stands; null without one.</summary>
    public required string? Number { get; init; }

    /// <summary>What stands at the hole with choices; null without one.</summary>
    public required string? Choice { get; init; }

    /// <summary>The words that tell a thing's files apart: "shelf" of "wares/{name}/shelf.png".</summary>
    public required IReadOnlyList<string> Role { get; init; }

    /// <summary>Words of which one is as good as these: "ember" of "art/embers/wares/{name}.png".</summary>
    public required IReadOnlyList<string> Called { get; init; }

    /// <summary>What the place's own folders may be called: "stalls", "stall".</summary>
    public required IReadOnlyList<string> PlaceWords { get; init; }

    /// <summary>The path's segments in small letters, the last one without its extension.</summary>
    public required string[] Tail { get; init; }

    /// <summary>True where a name has numbers and this name has, but no number is in both: then it is another of a series.</summary>
    public bool HasOtherNumber(NameWords name)
    {
        var own = Identity.Where(w => char.IsAsciiDigit(w[0])).ToList();
        var its = name.Tokens.Where(t => t.IsNumber).Select(t => t.Text).ToList();
        return own.Count > 0 && its.Count > 0 && !its.Exists(own.Contains);
    }
}
