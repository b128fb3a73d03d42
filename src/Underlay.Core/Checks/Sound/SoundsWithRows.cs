using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Which sounds a pack may have changed, by themselves or by the tables beside them.</summary>
internal static class SoundsWithRows
{
    /// <summary>The pack's sounds, and those of the base of which a table of the pack has a row.</summary>
    public static IEnumerable<Placement> Touched(Overlay overlay, Place place, SoundRowRule rule)
    {
        foreach (var mine in overlay.ShownIn(place).TakeWhile(p => !p.Layer.IsBase)) yield return mine;
        foreach (var table in overlay.Pack.In(overlay.Profile.Place(rule.Table)).Where(t => overlay.FindDrop(t.Path) is null))
            foreach (var key in table.Facts.Table!.Rows.Select(r => r.Key).Distinct())
                if (place.Pattern!.Fill(table.Bindings.With(rule.Placeholder, key)) is { } path
                    && overlay.Shown(path) is { Layer.IsBase: true } ofBase)
                    yield return ofBase;
    }
}
