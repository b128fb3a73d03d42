using Underlay.Core.BaseFiles;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>Clear pixels beside visible ones have another colour, which bleeds into edges where the host scales.</summary>
/// <remarks>Host: a dark or bright seam. See docs/checks.md#imagecolour-bleeds.</remarks>
public sealed class ColourBleeds : Check
{
    private const double Most = 0.5;

    /// <inheritdoc/>
    public override CheckCode Code => new("image/colour-bleeds");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Group;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.Layer.IsBase
            || Share(placement.Facts) is not (>= Most and var share)
            || overlay.Base.Find(placement.Path)?.Facts.Hash == placement.Facts.Hash)
            yield break;
        if (overlay.RulesFor(placement).Any(r => r.Rule is AlphaRule { Allows: AlphaUse.Solid })) yield break;
        var usual = Usual(overlay, placement);
        if (usual > share / 2) yield break;
        yield return Report(
            overlay,
            placement,
            Consequence.Regret,
            $"{share:P0} of the clear pixels beside its edges have another colour than the edge (the base’s: {usual:P0}); it shows as a "
                + $"seam where the picture is scaled.") with
        {
            Severity = Severity.Note,
            Fix = new ShapePicture(placement.Path, new SpreadColour()),
        };
    }

    /// <summary>
    /// What bleeds in the picture that is replaced, or for a new one in the first of the base's in its place: where those bleed
    /// too, the host's makers did not mind.
    /// </summary>
    private static double Usual(Overlay overlay, Placement placement)
    {
        if (overlay.Base.Find(placement.Path) is { } own) return Share(own.Facts);
        return overlay.Base
            .In(placement.Place)
            .FirstOrDefault(f => f.Facts.Picture is { IsReadable: true, Header.HasAlpha: true }) is { } first
            ? Share(first.Facts)
            : 0;
    }

    private static double Share(FileFacts facts) => facts.Picture?.Pixels?.BleedShare ?? 0;
}
