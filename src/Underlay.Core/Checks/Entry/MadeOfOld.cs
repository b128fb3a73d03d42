using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>An entry or a table that was made of another edition's takes back what the base changed since.</summary>
/// <remarks>Host: shows the old values beside the author's own. See docs/checks.md#entrymade-of-old.</remarks>
public sealed class MadeOfOld : Check
{
    private const int MostNamed = 4;

    /// <inheritdoc/>
    public override CheckCode Code => new("entry/made-of-old");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.Layer.IsBase || placement.Place.Content is not (PlaceContent.Entry or PlaceContent.Table)) yield break;
        // A file that is the other edition's as it stands is told of as such.
        if (OldCopy.Of(overlay, placement) is not { } copy
            || overlay.OtherBases.Any(b => b.Find(placement.Path)?.Facts.Hash == placement.Facts.Hash))
            yield break;
        var back = copy.Since.Keys.Where(at => at.Item is null || !copy.New.Contains(at.Item)).Select(at => at.ToString()).ToList();
        var parts = new[]
        {
            back.Count > 0 ? $"it would take back {Named(back)}" : null,
            copy.New.Count > 0 ? $"it lacks {Named(copy.New)}" : null,
            copy.Both.Count > 0
                ? $"{Named([.. copy.Both.Select(b => b.ToString())])} you and the base changed both, and yours stands"
                : null,
        };
        // That a list lacks entries of the base’s is told anyway.
        if (back.Count + copy.Both.Count == 0 && overlay.Profile.FindItems(placement.Place) is not null) yield break;
        yield return Report(
            overlay,
            placement,
            Consequence.Regret,
            $"It was made of {copy.Then.Title}’s, and {overlay.Edition.Title} changed that since: "
                + $"{string.Join("; ", parts.OfType<string>())}.") with
        {
            Fix = copy.Since.Count > 0 ? new CarryOver(placement.Path, overlay.Edition) : null,
        };
    }

    private static string Named(IReadOnlyList<string> names) =>
        string.Join(", ", names.Take(MostNamed)) + (names.Count > MostNamed ? $" and {names.Count - MostNamed} more" : "");
}
