using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Recipes;

namespace Underlay.Core.Checks;

/// <summary>Some mix of recipes, of which one is the pack's, takes nothing and leaves something.</summary>
/// <remarks>Host: does not mind; players get rich. See docs/checks.md#recipefree-gain.</remarks>
public sealed class FreeGainCheck : RecipeCheck
{
    /// <inheritdoc/>
    public override CheckCode Code => new("recipe/free-gain");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Economy economy)
    {
        if (economy.Recipes.All(r => r.From.Layer.IsBase)) yield break;
        foreach (var gain in economy.Reckoning.Gains)
        {
            // What the base gives away is not the author's.
            if (
                gain.Runs
                    .Where(r => !r.Recipe.From.Layer.IsBase)
                    .OrderBy(r => r.Recipe.From.Path)
                    .Select(r => r.Recipe)
                    .FirstOrDefault() is not { } mine)
                continue;
            var runs = gain.Runs.Count == 1 && gain.Runs[0].Times.IsOne
                ? "Each run"
                : string.Join(", ", gain.Runs.Select(r => $"{r.Times} of “{r.Recipe.Id}”"));
            var left = string.Join(", ", gain.Left.Select(p => $"{p.Amount.ToDouble():0.###} {NameOf(economy, p.Good)}"));
            yield return Regret(
                economy,
                mine.From,
                FormattableString.Invariant($"Players get something for nothing: {runs} leaves {left} more than before, and nothing less."),
                economy.Rule!.Makes);
        }
    }
}
