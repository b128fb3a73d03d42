using System.Runtime.CompilerServices;
using Underlay.Core.BaseFiles;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Two pictures that meet in the host no longer go together: a hard step in colour, or one enlarged and the other not.</summary>
/// <remarks>Host: shows a seam. Distances in Oklab. See docs/checks.md#imageneighbour-step.</remarks>
public sealed class NeighbourStep : Check
{
    private const double HardStep = 0.22;
    private const double Grown = 1.6;

    // Oklab’s a and b of what is dug and fired reach a third of what its lightness does.
    private const double HueWeight = 2;

    // By the facts, which stand for the bytes: a picture is measured once, however often its neighbours change.
    private static readonly ConditionalWeakTable<FileFacts, StrongBox<Oklab?>> Colours = [];

    /// <inheritdoc/>
    public override CheckCode Code => new("image/neighbour-step");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Pack;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<NeighbourOfRule>(overlay.Edition))
                foreach (var placement in overlay.Pack.In(place).Where(p => overlay.FindDrop(p.Path) is null))
                    foreach (var finding in Inspect(overlay, placement, rule)) yield return finding;
    }

    private IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, NeighbourOfRule rule)
    {
        if (overlay.OfBase(placement.Path) is not { } own || own.Facts.Hash == placement.Facts.Hash) yield break;
        var name = placement.Bindings.Find(rule.Placeholder)!;
        foreach (var other in overlay.Base.Pairs(rule.Table)[name])
        {
            if (placement.Place.Pattern!.Fill(placement.Bindings.With(rule.Placeholder, other)) is not { } path
                || overlay.Shown(path) is not { } beside
                || overlay.OfBase(path) is not { } besideOwn)
                continue;
            // Where both are the pack's, the pair is told once.
            if (!beside.Layer.IsBase && string.CompareOrdinal(path.Value, placement.Path.Value) < 0) continue;
            if (Describe(overlay, placement, own, beside, besideOwn) is { } says)
                yield return Report(overlay, placement, rule.Else, $"It meets {path} {rule.Where}. {says}") with
                {
                    Severity = Severity.Note,
                    Discriminator = other,
                    Saw = new Dictionary<PackPath, ContentHash> { [placement.Path] = placement.Facts.Hash, [path] = beside.Facts.Hash },
                };
        }
    }

    private static string? Describe(Overlay overlay, Placement mine, Placement own, Placement beside, Placement besideOwn)
    {
        if (mine.Facts.Picture?.Header?.Size is { } size
            && own.Facts.Picture?.Header?.Size is { } was
            && beside.Layer.IsBase
            && beside.Facts.Picture?.Header?.Size is { } other
            && size.Width >= was.Width * 2
            && was == other)
            return $"Yours was enlarged to {size}, that one is still {other}: their grain no longer matches.";
        double? StepOf(Placement a, Placement b) => ColourOf(overlay, a) is { } x && ColourOf(overlay, b) is { } y ? Step(x, y) : null;
        return StepOf(mine, beside) is { } now && StepOf(own, besideOwn) is { } before && now > HardStep && now > before * Grown
            ? $"The step in colour between them is {now / Math.Max(before, 0.01):0.0} times what it was in the base."
            : null;
    }

    /// <summary>How far two grounds look apart: among earth colours another hue tells as much as another lightness.</summary>
    private static double Step(Oklab one, Oklab other)
    {
        var (light, green, blue) = (one.L - other.L, (one.A - other.A) * HueWeight, (one.B - other.B) * HueWeight);
        return Math.Sqrt((light * light) + (green * green) + (blue * blue));
    }

    private static Oklab? ColourOf(Overlay overlay, Placement placement) =>
        Colours.GetValue(
            placement.Facts,
            _ => new StrongBox<Oklab?>(overlay.Decode(placement) is { } picture ? Looks.Mean(picture) : null)).Value;
}
