using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Recipes;

namespace Underlay.Core.Checks;

/// <summary>Something that the pack prices or makes is sold for less than the cheapest way to make it costs.</summary>
/// <remarks>Host: does not mind; players make it at a loss. See docs/checks.md#recipesold-at-loss.</remarks>
public sealed class SoldAtLoss : RecipeCheck
{
    /// <inheritdoc/>
    public override CheckCode Code => new("recipe/sold-at-loss");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Economy economy)
    {
        foreach (var (good, cost) in economy.Reckoning.Costs
            .Where(c => c.Value.Way is not null && economy.PriceOf(c.Key) < c.Value.Price)
            .OrderBy(c => c.Key.Id, StringComparer.Ordinal))
        {
            var (entry, price) = (economy.EntryOf(good)!, economy.PriceOf(good));
            var mine = !entry.Layer.IsBase ? entry : !cost.Way!.From.Layer.IsBase ? cost.Way.From : null;
            if (mine is null) continue;
            yield return Regret(
                economy,
                mine,
                FormattableString.Invariant($"“{good.Id}” is sold for {price} and costs {cost.Price:0.##} to make, ")
                    + $"by the cheapest way (“{cost.Way!.Id}”).") with
            {
                Severity = Severity.Note,
                Discriminator = good.Id,
            };
        }
    }
}
