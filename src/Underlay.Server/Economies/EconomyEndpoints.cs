using Underlay.Core.Recipes;
using Underlay.Core.Stacks;
using Underlay.Server.Entries;
using Underlay.Server.Files;
using Underlay.Server.Packs;

namespace Underlay.Server.Economies;

/// <summary>What is made of what, what it costs, and what the pack changes in that.</summary>
internal static class EconomyEndpoints
{
    public static void MapEconomies(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/packs/{id:guid}/economy", ViewAsync).WithName("viewEconomy");

    private static async Task<EconomyView> ViewAsync(Guid id, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        if (snapshot.Overlay is not { Profile.Economy: not null } overlay) return new EconomyView(snapshot.Revision, [], []);
        var (now, before) = (Economy.Of(overlay), Economy.OfBase(overlay));
        var costs = now.Reckoning.Costs;
        var costsBefore = before.Reckoning.Costs;
        var goods = new[] { now, before }
            .SelectMany(e => e.Recipes)
            .SelectMany(r => r.Uses.SelectMany(u => u.AnyOf).Concat(r.Makes.Select(m => m.Good)))
            .Concat(EntriesOf(now))
            .Distinct()
            .OrderBy(g => g.Of, StringComparer.Ordinal)
            .ThenBy(g => g.Id, StringComparer.Ordinal);
        return new EconomyView(
            snapshot.Revision,
            [.. goods.Select(g => View(now, g, costsBefore.GetValueOrDefault(g), costs.GetValueOrDefault(g)))],
            [.. now.Recipes.Select(r => View(overlay, r, costs))]);
    }

    /// <summary>The pack's own entries that can be made, whether a recipe speaks of them or not.</summary>
    private static IEnumerable<Good> EntriesOf(Economy economy) =>
        from rule in economy.Rule!.Goods
        where rule.Place is not null
        let place = economy.Overlay.Profile.Place(rule.Place!)
        from entry in economy.Overlay.ShownIn(place)
        let id = entry.Field(place.Id!)
        where id is not null
        select new Good(rule.Of, id);

    private static GoodView View(Economy economy, Good good, Cost? before, Cost? after)
    {
        var entry = economy.EntryOf(good);
        var code = economy.Rule!.Goods.First(g => g.Of == good.Of).Codebook is { } book ? economy.Overlay.Codebook(book) : null;
        return new GoodView(
            KeyOf(good),
            good.Id,
            entry is not null ? LedgerEndpoints.TitleOf(entry.Place, entry.Bindings) : code?.NameOf(good.Id) ?? good.Id,
            entry?.Path.Value,
            entry is null ? null : ShownPicture.Of(economy.Overlay, entry),
            entry?.Layer.IsBase == false,
            entry is not null || code?.Has(good.Id) == true,
            economy.Bought.ContainsKey(good),
            economy.PriceOf(good),
            View(before),
            View(after));
    }

    private static CostView? View(Cost? cost) => cost is null ? null : new CostView(cost.Price, cost.Minutes, cost.Way?.From.Path.Value);

    private static RecipeView View(Overlay overlay, Recipe recipe, IReadOnlyDictionary<Good, Cost> costs) => new(
        recipe.From.Path.Value,
        recipe.From.Place.Key,
        LedgerEndpoints.TitleOf(recipe.From.Place, recipe.From.Bindings),
        StationOf(overlay, recipe),
        recipe.Minutes,
        !recipe.From.Layer.IsBase,
        [
            .. recipe.Uses.Select(
                u => new RecipePart(
                    u.Amount.ToDouble(),
                    (Costs.Cheapest(u, costs) ?? u.AnyOf.Cast<Good?>().FirstOrDefault()) is { } shown ? KeyOf(shown) : null,
                    u.AnyOf.Count)),
        ],
        [.. recipe.Makes.Select(m => new RecipePart(m.Amount.ToDouble(), KeyOf(m.Good), 1))]);

    private static string StationOf(Overlay overlay, Recipe recipe) =>
        recipe.From.Place.RulesOf<Core.Hosts.Rules.RefersToRule>(overlay.Edition)
            .FirstOrDefault(r => r.Field == overlay.Profile.Economy!.Station && r.Codebook is not null) is { Codebook: { } book }
            ? overlay.Codebook(book).NameOf(recipe.Station)
            : recipe.Station;

    private static string KeyOf(Good good) => $"{good.Of}:{good.Id}";
}
