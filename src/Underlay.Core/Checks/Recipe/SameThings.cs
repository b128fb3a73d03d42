using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Recipes;

namespace Underlay.Core.Checks;

/// <summary>Two recipes of a station are satisfied by the same things.</summary>
/// <remarks>Host: makes the one of higher order, or either. See docs/checks.md#recipesame-things.</remarks>
public sealed class SameThings : RecipeCheck
{
    /// <inheritdoc/>
    public override CheckCode Code => new("recipe/same-things");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Economy economy)
    {
        foreach (var clash in economy.Reckoning.Clashes)
        {
            var station = $"at the station “{clash.Recipe.Station}”";
            var says = clash switch
            {
                { Made: null } => $"{economy.Overlay.Profile.Title} makes either of them, and players cannot choose.",
                { IsAlways: true } when clash.Made == clash.Recipe =>
                    $"Yours has the higher order, so “{clash.Other.Id}” can never be made any more.",
                { IsAlways: true } => "It has the higher order, so yours can never be made.",
                _ => $"Of such things “{clash.Made!.Id}” is made, which has the higher order.",
            };
            yield return Regret(
                economy,
                clash.Recipe.From,
                $"The same things satisfy this recipe and “{clash.Other.Id}” {station}. {says}",
                economy.Rule!.Uses) with
            {
                Discriminator = clash.Other.Id,
            };
        }
    }
}
