using Underlay.Core.Hosts.Rules;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A field names something that neither the pack nor the base has.</summary>
/// <remarks>Host: dropped, dangling; for a grain, plain. See docs/checks.md#entrydangling.</remarks>
public sealed class Dangling : RuleCheck<RefersToRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/dangling");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Pack;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is RefersToRule rule) yield return Describe(overlay, drop.Placement, rule, Report(overlay, drop, Because(overlay, drop.Placement, rule)));
    }

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, RefersToRule rule)
    {
        if (rule.Else.Kind != ConsequenceKind.Drop && !overlay.Resolves(rule, placement))
            yield return Describe(overlay, placement, rule, Report(overlay, placement, rule.Else, Because(overlay, placement, rule)));
    }

    private static Finding Describe(Overlay overlay, Placement placement, RefersToRule rule, Finding finding) => finding with
    {
        Pointer = rule.Field,
        At = placement.Facts.Entry!.Text.Locate(rule.Field),
        RestsOn = overlay.Target(rule, placement) is { } target ? [target] : [],
    };

    private static string Because(Overlay overlay, Placement placement, RefersToRule rule)
    {
        var value = placement.Field(rule.Field)!;
        var what = rule.Codebook is { } book
            ? $"a code of the codebook “{overlay.Base.Codebooks[book].Title}”"
            : $"the name of {overlay.Profile.Place(rule.Place!).One}";
        var near = Names(overlay, rule).Where(n => Slips.AreOneApart(n, value)).Order(StringComparer.Ordinal).FirstOrDefault();
        var hint = near is null ? "" : $" “{near}” is near.";
        return $"“{rule.Field[1..]}” is “{value}”, which is not {what} ({placement.Facts.Entry!.Text.Locate(rule.Field)}).{hint}";
    }

    private static IEnumerable<string> Names(Overlay overlay, RefersToRule rule)
    {
        if (rule.Codebook is { } book) return overlay.Base.Codebooks[book].Codes.Select(c => c.Value);
        var place = overlay.Profile.Place(rule.Place!);
        return overlay.Base.In(place).Select(f => f.Bindings)
            .Concat(overlay.Pack.Placements.Where(p => p.Place == place && overlay.FindDrop(p.Path) is null).Select(p => p.Bindings))
            .Select(b => b.Find(rule.Placeholder)!);
    }
}
