using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A picture has another size than the one it belongs to.</summary>
/// <remarks>Host: unglazed. Sizes in pixels. See docs/checks.md#companionsize-differs.</remarks>
public sealed class SizeDiffers : RuleCheck<SameSizeRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("companion/size-differs");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Group;

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, SameSizeRule rule)
    {
        var targets = overlay.Targets(rule.Places, placement.Bindings);
        var other = targets.Select(overlay.Shown).FirstOrDefault(s => s is not null);
        if (other?.Facts.Picture is not { IsReadable: true, Header.Size: var wanted }) yield break;
        if (placement.Facts.Picture is not { IsReadable: true, Header.Size: var size } || size == wanted) yield break;
        var leaderIsWrong = !IsRight(overlay, other, wanted);
        var first = leaderIsWrong ? $" Mend the {other.Place.Noun} first, which has a size that its place does not take." : "";
        var whose = placement.Layer.IsBase ? "The base’s" : "Your";
        yield return Report(
            overlay,
            placement,
            rule.Else,
            $"{whose} {placement.Place.Noun} is {size}, "
                + $"{(other.Layer.IsBase ? "the base’s" : "your")} {other.Place.Noun} is {wanted}: both "
                + $"have to be the same size.{first}") with
        {
            Saw = new Dictionary<PackPath, ContentHash> { [placement.Path] = placement.Facts.Hash, [other.Path] = other.Facts.Hash },
            RestsOn = targets,
            // What it follows comes first; a size that the place refuses is none to be fitted to.
            Fix = leaderIsWrong || !Takes(overlay, placement, wanted) ? null
                : WholeFactor(size, wanted) is { } factor ? new EnlargeCompanion(placement.Path, placement.Place.Noun, factor)
                : placement.Layer.IsBase ? null
                : ShapePicture.ToSize(overlay, placement, size, wanted),
        };
    }

    private static bool IsRight(Overlay overlay, Placement leader, PixelSize size) => leader.Layer.IsBase || Takes(overlay, leader, size);

    private static bool Takes(Overlay overlay, Placement placement, PixelSize size) =>
        overlay.RulesFor(placement).All(r => r.Rule is not SizeRule rule || rule.Judge(size) is null);

    private static int? WholeFactor(PixelSize from, PixelSize to)
    {
        var factor = to.Width / from.Width;
        return factor > 1 && from.Width * factor == to.Width && from.Height * factor == to.Height ? factor : null;
    }
}
