using System.Text.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;
using Underlay.Server.Packs;

namespace Underlay.Server.Entries;

/// <summary>A code that something may claim or answer.</summary>
/// <param name="Group">To which claim it belongs, or what it needs.</param>
internal sealed record SketchCode(string Code, string Name, string Group, bool IsRequired);

/// <summary>Rows that answer codes in some states, drawn as a grid of both.</summary>
/// <param name="Field">Pointer to the claims.</param>
/// <param name="Rows">Pointer to the rows.</param>
/// <param name="Code">A row's field with its code.</param>
/// <param name="When">A row's field with its state.</param>
/// <param name="Any">What stands for all states.</param>
/// <param name="Lists">A row's field with the list that must not be empty.</param>
/// <param name="Plays">What the list plays; null where it plays nothing.</param>
internal sealed record GridSketch(
    string Field,
    string Rows,
    string Code,
    string When,
    IReadOnlyList<string> States,
    string Any,
    string Lists,
    PlaysShape? Plays,
    IReadOnlyList<SketchCode> Codes);

/// <summary>Rows of which the first that fits counts, drawn as a map of a number and a state.</summary>
/// <param name="From">A row's field with the lowest number.</param>
/// <param name="To">A row's field with the highest.</param>
/// <param name="Least">A row's field with the least of another number.</param>
internal sealed record MapSketch(
    string Rows,
    string From,
    string To,
    string State,
    IReadOnlyList<string> States,
    string Any,
    string Least);

/// <summary>Points and lanes, drawn as a ground.</summary>
/// <param name="Field">Pointer to the claims, each of which needs kinds of points.</param>
/// <param name="LeastWidth">Narrower lanes do not count. Metres.</param>
internal sealed record GroundSketch(
    string Field,
    string Gate,
    string Points,
    string Lanes,
    double LeastWidth,
    IReadOnlyList<SketchCode> Claims);

/// <summary>Things of one kind beside each other, drawn to scale.</summary>
/// <param name="Height">Pointer to how high one is.</param>
/// <param name="Foot">Pointer to how wide it stands.</param>
/// <param name="Shape">Pointer to the name of its outline.</param>
/// <param name="Outlines">By name, points from the foot up: height from 0 to 1, and radius.</param>
internal sealed record ScaleSketch(string Height, string Foot, string Shape, IReadOnlyDictionary<string, JsonElement> Outlines)
{
    public static ScaleSketch? Of(Overlay overlay, Place place)
    {
        if (place.Kind?.Scale is not { } scale) return null;
        var outlines = overlay.Profile.Place(scale.Place);
        return new ScaleSketch(
            scale.Height,
            scale.Foot,
            scale.Shape,
            overlay.ShownIn(outlines)
                .Select(p => (Name: p.Bindings.Spell(outlines.Pattern!.Placeholders[0]), Points: p.Facts.Entry?.Text.Find(scale.Outline)))
                .Where(o => o is { Name: not null, Points: not null })
                .ToDictionary(o => o.Name!, o => o.Points!.Value, StringComparer.Ordinal));
    }
}

/// <summary>What is made of what, told as a sentence. All are pointers, those of goods and of how much into a part.</summary>
/// <param name="Goods">Where a part may name what it is.</param>
/// <param name="Accepts">Where a part says what any good has to be like.</param>
internal sealed record RecipeSketch(
    string Uses,
    string Makes,
    string Amount,
    IReadOnlyList<string> Goods,
    string Accepts,
    string Station,
    string Minutes)
{
    public static RecipeSketch? Of(EconomyRule? economy, Place place) =>
        economy is not null && economy.Recipes.Contains(place.Key)
            ? new RecipeSketch(
                economy.Uses,
                economy.Makes,
                economy.Amount,
                [.. economy.Goods.Select(g => g.Field)],
                economy.Accepts,
                economy.Station,
                economy.Minutes)
            : null;
}

/// <summary>What of an entry can be drawn or told; null where nothing of that form.</summary>
internal sealed record SketchView(GridSketch? Grid, MapSketch? Map, GroundSketch? Ground, ScaleSketch? Scale, RecipeSketch? Recipe)
{
    /// <summary>Of the rules of a place.</summary>
    public static SketchView Of(PackSnapshot snapshot, Place? place)
    {
        if (place is null || snapshot.Overlay is not { } overlay) return new SketchView(null, null, null, null, null);
        var covers = place.RulesOf<CoversRule>(overlay.Edition).FirstOrDefault();
        var first = place.RulesOf<FirstFitsRule>(overlay.Edition).FirstOrDefault();
        var ground = place.RulesOf<ReachableRule>(overlay.Edition).FirstOrDefault();
        return new SketchView(
            covers is null
                ? null
                : new GridSketch(
                    covers.Field,
                    covers.Rows,
                    covers.Code,
                    covers.When,
                    covers.States,
                    covers.Any,
                    covers.Lists,
                    covers.Plays,
                    [
                        .. overlay.Codebook(covers.Codebook).Codes.Select(
                            c => new SketchCode(
                                c.Value,
                                c.Name,
                                c.In(covers.Group),
                                c.In(covers.Required.Column) == covers.Required.Value)),
                    ]),
            first is null ? null : new MapSketch(first.Rows, first.From, first.To, first.State, first.States, first.Any, first.Least),
            ground is null
                ? null
                : new GroundSketch(
                    ground.Field,
                    ground.Gate,
                    ground.Points,
                    ground.Lanes,
                    ground.LeastWidth,
                    [
                        .. overlay.Codebook(ground.Codebook).Codes.Select(
                            c => new SketchCode(c.Value, c.Name, c.In(ground.Needs), IsRequired: false)),
                    ]),
            ScaleSketch.Of(overlay, place),
            RecipeSketch.Of(overlay.Profile.Economy, place));
    }
}
