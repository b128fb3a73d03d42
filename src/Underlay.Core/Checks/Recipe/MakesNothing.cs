using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Recipes;

namespace Underlay.Core.Checks;

/// <summary>A recipe of the pack makes nothing.</summary>
/// <remarks>Host: lists it, and players who carry it out have nothing of it. See docs/checks.md#recipemakes-nothing.</remarks>
public sealed class MakesNothing : RecipeCheck
{
    /// <inheritdoc/>
    public override CheckCode Code => new("recipe/makes-nothing");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Economy economy) =>
        from recipe in economy.Recipes
        where !recipe.From.Layer.IsBase && recipe.Makes.Count == 0
        select Regret(
            economy,
            recipe.From,
            "It makes nothing: who carries it out loses what it takes, and the time.",
            economy.Rule!.Makes) with
        {
            Severity = Severity.Warning,
        };
}
