using Underlay.Core.BaseFiles;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A file that lists many entries replaces the host's whole, and lacks some of them.</summary>
/// <remarks>Host: they are gone. See docs/checks.md#entryhides-others.</remarks>
public sealed class HidesOthers : Check
{
    private const int MostNamed = 5;

    /// <inheritdoc/>
    public override CheckCode Code => new("entry/hides-others");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var rule in overlay.Profile.Codebooks)
        {
            if (rule.Items is not { } items || overlay.Profile.SourceOf(rule) is not { } place) continue;
            foreach (var mine in overlay.Pack.In(place).Where(p => overlay.FindDrop(p.Path) is null && p.Facts.Entry is not null))
            {
                var own = BaseCatalogue.CodesIn(mine.Facts.Entry!.Text, items).Select(c => c.Value).ToHashSet(StringComparer.Ordinal);
                foreach (var @base in overlay.OtherBases.Where(b => overlay.Pack.Manifest.Declares(b.Edition)).Append(overlay.Base))
                {
                    var lacking = @base.Codebooks[rule.Key].Codes.Select(c => c.Value).Where(c => !own.Contains(c)).ToList();
                    if (Find(overlay, mine, @base, lacking, items) is { } finding) yield return finding;
                }
            }
        }
    }

    private Finding? Find(Overlay overlay, Placement mine, BaseCatalogue @base, List<string> lacking, string items)
    {
        if (lacking.Count == 0) return null;
        var names = string.Join(", ", lacking.Take(MostNamed)) + (lacking.Count > MostNamed ? ", …" : "");
        var list = items[..items.IndexOf("/*", StringComparison.Ordinal)];
        var isOwn = @base == overlay.Base;
        return Report(
            overlay,
            mine,
            Consequence.Regret,
            $"It replaces {mine.Place.One} of {@base.Edition.Title} whole and lacks {lacking.Count} of its entries ({names}): "
                + "they would be gone.") with
        {
            Pointer = list,
            Discriminator = isOwn ? "" : @base.Edition.Key,
            At = mine.Facts.Entry!.Text.Locate(list),
            Fix = isOwn ? new TakeInEntries(mine.Path, list, items[(items.LastIndexOf('/') + 1)..], lacking) : null,
        };
    }
}
