using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A check of sounds against their rows in the tables beside them: a change of either makes it look again.</summary>
public abstract class SoundRowCheck : Check
{
    /// <inheritdoc/>
    public sealed override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public sealed override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<SoundRowRule>(overlay.Edition))
                foreach (var sound in Touched(overlay, place, rule))
                    if (Inspect(overlay, sound, rule) is { } finding)
                        yield return finding with { Rule = rule };
    }

    /// <summary>Looks at a sound that the host shows; null where nothing is wrong with it.</summary>
    protected abstract Finding? Inspect(Overlay overlay, Placement sound, SoundRowRule rule);

    /// <summary>The pack's sounds, and those of the base of which a table of the pack has a row.</summary>
    private static IEnumerable<Placement> Touched(Overlay overlay, Place place, SoundRowRule rule)
    {
        foreach (var mine in overlay.ShownIn(place).TakeWhile(p => !p.Layer.IsBase)) yield return mine;
        foreach (var table in overlay.Pack.In(overlay.Profile.Place(rule.Table)).Where(t => overlay.FindDrop(t.Path) is null))
            foreach (var key in table.Facts.Table!.Rows.Select(r => r.Key).Distinct())
                if (place.Pattern!.Fill(table.Bindings.With(rule.Placeholder, key)) is { } path
                    && overlay.Shown(path) is { Layer.IsBase: true } ofBase)
                    yield return ofBase;
    }
}
