using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Some pictures of one thing were replaced, and others were not.</summary>
/// <remarks>Host: shows old and new side by side. See docs/checks.md#thinghalf-changed.</remarks>
public sealed class HalfChanged : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("thing/half-changed");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Pack;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        var things = new Things(overlay);
        var touched = overlay.Pack.Placements
            .Where(
                p =>
                    IsLook(p) && overlay.FindDrop(p.Path) is null && overlay.Base.Find(p.Path) is { } own && own.Facts.Hash != p.Facts.Hash)
            .SelectMany(p => things.Of(p.Place, p.Bindings).Select(t => (Thing: t, File: p)))
            .GroupBy(t => t.Thing);
        foreach (var thing in touched)
        {
            var mine = thing.Select(t => t.File).OrderBy(p => p.Path).ToList();
            var left = things.FilesOf(thing.Key).Where(p => p.Layer.IsBase && IsLook(p) && !IsInSet(overlay, p)).ToList();
            if (left.Count == 0) continue;
            yield return new Finding
            {
                Code = Code,
                Severity = Severity.Note,
                Path = mine[0].Path.Value,
                Discriminator = $"{thing.Key.Rule.Key}/{thing.Key.Name}",
                Message = $"Of “{thing.Key.Name.Replace('_', ' ')}” ({thing.Key.Rule.Title.ToLowerInvariant()}) the pack replaces "
                    + $"{string.Join(", ", mine.Select(p => p.Path.FileName))}; still the base’s: "
                    + $"{string.Join(", ", left.Select(p => p.Path))}.",
                Saw = mine.ToDictionary(p => p.Path, p => p.Facts.Hash),
                Fix = new Fixes.BringFiles(
                    [.. left.Select(p => p.Path)],
                    left.Count == 1 ? $"Bring {left[0].Path.FileName}" : $"Bring the other {left.Count}"),
                Parts = [.. left.Select(p => new FindingPart(p.Path.Value, "Still the base’s.", null))],
            };
        }
    }

    /// <summary>A picture that players see: masks and the like say how, not what.</summary>
    private static bool IsLook(Placement placement) => placement.Place is { Content: PlaceContent.Picture, IsExact: false };

    /// <summary>Sets and series have findings of their own.</summary>
    private static bool IsInSet(Overlay overlay, Placement placement) =>
        placement.Place.RulesIn(overlay.Edition).Any(r => r is Hosts.Rules.MemberOfSetRule or Hosts.Rules.SeriesRule);
}
