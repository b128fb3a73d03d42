using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A sound lies in a folder of which the host plays nothing.</summary>
/// <remarks>Host: silent. See docs/checks.md#soundnever-played.</remarks>
public sealed class NeverPlayed : RuleCheck<NeverPlayedRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("sound/never-played");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, NeverPlayedRule rule)
    {
        var near = Near(overlay, placement);
        var hint = near is { } target ? $" But for a slip in the folder it would be {target}." : "";
        yield return Report(
            overlay,
            placement,
            rule.Else,
            $"{overlay.Profile.Title} plays {rule.Folders}, and nothing beside them.{hint}") with
        {
            Fix = near is { } free && !overlay.PackHas(free) ? new RenameToPlace(placement.Path, free, LeavesNoChoice: true) : null,
        };
    }

    /// <summary>The path in the folder of the base’s that is one slip away; null where none or several are.</summary>
    private static PackPath? Near(Overlay overlay, Placement placement)
    {
        if (placement.Layer.IsBase || placement.Place.Pattern is not { Placeholders: [var folder, ..] } pattern) return null;
        var name = placement.Bindings.Find(folder)!;
        var near = overlay.Base.In(placement.Place)
            .Select(f => f.Bindings.Find(folder)!)
            .Distinct(StringComparer.Ordinal)
            .Where(n => Slips.AreOneApart(n, name))
            .ToList();
        return near is [var only] ? pattern.Fill(placement.Bindings.With(folder, only)) : null;
    }
}
