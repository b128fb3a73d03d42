using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A row of a table of sounds is for a sound that is not there.</summary>
/// <remarks>Host: does not mind. See docs/checks.md#soundrow-without-sound.</remarks>
public sealed class RowWithoutSound : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("sound/row-without-sound");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<SoundRowRule>(overlay.Edition))
                foreach (var table in overlay.Pack.In(overlay.Profile.Place(rule.Table)).Where(t => overlay.FindDrop(t.Path) is null))
                    foreach (var row in table.Facts.Table!.Rows.DistinctBy(r => r.Key))
                    {
                        var path = place.Pattern!.Fill(table.Bindings.With(rule.Placeholder, row.Key));
                        if (path is { } at && overlay.Shown(at) is not null) continue;
                        yield return Report(
                            overlay,
                            table,
                            Consequence.Regret,
                            $"The row “{row.Key}” (line {row.Line}) is for {place.One}, and there is none.") with
                        {
                            Discriminator = row.Key,
                            At = new TextPosition(row.Line, 1),
                            RestsOn = path is { } missing ? [missing] : [],
                            Fix = new RemoveTableRows(table.Path, table.Place.Table!.Key, [row.Key], "Take the row out"),
                        };
                    }
    }
}
