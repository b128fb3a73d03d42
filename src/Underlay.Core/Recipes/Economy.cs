using System.Runtime.CompilerServices;
using System.Text.Json;
using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Recipes;

/// <summary>All recipes of a stack, and what can be bought for them.</summary>
public sealed class Economy
{
    private static readonly ConditionalWeakTable<Overlay, Economy> Known = [];
    private static readonly ConditionalWeakTable<BaseCatalogue, Economy> OfBases = [];
    private static readonly ConditionalWeakTable<Placement, Recipe> Read = [];
    private readonly Lazy<Reckoning> reckoning;
    private readonly Dictionary<Good, double> bought = [];
    private readonly Dictionary<string, IReadOnlyList<Good>> accepted = new(StringComparer.Ordinal);

    private Economy(Overlay overlay, EconomyRule? rule)
    {
        Overlay = overlay;
        Rule = rule;
        reckoning = new Lazy<Reckoning>(() => Reckoning.Of(this));
        var places = rule?.Recipes.Select(overlay.Profile.Place).ToList() ?? [];
        Recipes = [.. places.SelectMany(overlay.ShownIn).Select(RecipeOf).OfType<Recipe>()];
        var leftOut = places.SelectMany(overlay.Pack.In).Where(p => overlay.FindDrop(p.Path) is not null);
        LeftOut = [.. leftOut.Select(RecipeOf).OfType<Recipe>()];
        var made = Recipes.SelectMany(r => r.Makes).Select(m => m.Good).ToHashSet();
        foreach (var good in rule?.Goods.Where(g => g.Codebook is not null) ?? [])
        {
            var codes = overlay.Codebook(good.Codebook!).Codes;
            var prices = codes.ToDictionary(c => c.Value, c => good.Price is { } column ? NumberIn(c.In(column)) : (double?)null);
            // Where no price is told, what nobody makes is at hand.
            var isTold = prices.Values.Any(p => p is not null);
            foreach (var code in codes)
            {
                var named = new Good(good.Of, code.Value);
                if (prices[code.Value] is { } price) bought[named] = price;
                else if (!isTold && !made.Contains(named)) bought[named] = 0;
            }
        }
    }

    /// <summary>The stack.</summary>
    public Overlay Overlay { get; }

    /// <summary>What the profile says of recipes; null where the host has none.</summary>
    public EconomyRule? Rule { get; }

    /// <summary>The recipes, in order of places and paths, those that the host leaves out not among them.</summary>
    public IReadOnlyList<Recipe> Recipes { get; }

    /// <summary>Recipes of the pack that the host leaves out: once they are mended they will be there.</summary>
    public IReadOnlyList<Recipe> LeftOut { get; }

    /// <summary>What can be bought, for how much a piece; 0 for what is at hand.</summary>
    public IReadOnlyDictionary<Good, double> Bought => bought;

    /// <summary>What follows from the recipes.</summary>
    public Reckoning Reckoning => reckoning.Value;

    /// <summary>The economy of a stack, read once.</summary>
    public static Economy Of(Overlay overlay)
    {
        // Whoever is handed what is known already has asked for all the same.
        foreach (var place in overlay.Profile.Economy?.Recipes ?? []) ReadSet.NotePlace(place);
        foreach (var book in overlay.Profile.Economy?.Goods.Select(g => g.Codebook).OfType<string>() ?? []) overlay.Codebook(book);
        var economy = Known.GetValue(overlay, o => new Economy(o, o.Profile.Economy));
        if (economy.accepted.Count > 0) ReadSet.NotePlace(economy.Rule!.AcceptsOf);
        return economy;
    }

    /// <summary>The economy of the base under a stack, read once.</summary>
    public static Economy OfBase(Overlay overlay) => OfBases.GetValue(
        overlay.Base,
        @base =>
        {
            var nothing = FileTree.OfBytes([]);
            var pack = PackReading.Read(overlay.Profile, overlay.Edition, nothing, ManifestFacts.Read(overlay.Profile, nothing));
            return Of(Overlay.Of(pack, @base));
        });

    /// <summary>What one is sold for; null where nothing tells.</summary>
    public double? PriceOf(Good good) =>
        Rule?.Goods.FirstOrDefault(g => g.Of == good.Of) switch
        {
            { Place: { } place, Price: { } pointer } when Overlay.EntryOf(Overlay.Profile.Place(place), good.Id) is { } entry =>
                Overlay.Value(entry, pointer) is { ValueKind: JsonValueKind.Number } price ? price.GetDouble() : null,
            _ => null,
        };

    /// <summary>The entry of a good; null for a code.</summary>
    public Placement? EntryOf(Good good) =>
        Rule?.Goods.FirstOrDefault(g => g.Of == good.Of)?.Place is { } place
            ? Overlay.EntryOf(Overlay.Profile.Place(place), good.Id)
            : null;

    /// <summary>Minutes as a number or as text: 90, "90" and "1h30" are the same.</summary>
    internal static double MinutesIn(JsonElement? value)
    {
        if (value is { ValueKind: JsonValueKind.Number } number) return number.GetDouble();
        if (value is not { ValueKind: JsonValueKind.String } text) return 0;
        var parts = text.GetString()!.Split('h');
        return parts.Length == 2 ? ((NumberIn(parts[0]) ?? 0) * 60) + (NumberIn(parts[1]) ?? 0) : NumberIn(parts[0]) ?? 0;
    }

    private static double? NumberIn(string text) =>
        double.TryParse(text, System.Globalization.NumberStyles.Float, System.Globalization.CultureInfo.InvariantCulture, out var number)
            && double.IsFinite(number)
            ? number
            : null;

    /// <summary>The recipe of an entry; one that names all it takes says the same in every stack, and is read once.</summary>
    private Recipe? RecipeOf(Placement entry)
    {
        if (Read.TryGetValue(entry, out var known)) return known;
        var recipe = ReadAnew(entry);
        if (recipe is not null && !entry.Layer.IsBase && !recipe.Uses.Any(u => u.IsOpen)) Read.AddOrUpdate(entry, recipe);
        return recipe;
    }

    private Recipe? ReadAnew(Placement entry)
    {
        if (entry.Facts.Entry is not { IsAccepted: true, Text: var text }) return null;
        var uses = text.FindAll($"{Rule!.Uses}/*").Select(p => ReadUse(p.Pointer, p.Value)).ToList();
        var makes = text.FindAll($"{Rule.Makes}/*").Select(p => (Good: GoodIn(p.Value), Amount: AmountIn(p.Value))).ToList();
        return new Recipe(
            entry,
            (entry.Place.Id is { } id ? entry.Field(id) : null) ?? entry.Path.Value,
            entry.Field(Rule.Station) ?? "",
            text.Find(Rule.Order) is { ValueKind: JsonValueKind.Number } order ? order.GetDouble() : 0,
            MinutesIn(text.Find(Rule.Minutes)),
            uses,
            [.. makes.Where(m => m.Good is not null).Select(m => new Product(m.Good!.Value, m.Amount))]);
    }

    private Ingredient ReadUse(string pointer, JsonElement part)
    {
        if (GoodIn(part) is { } good) return new Ingredient([good], AmountIn(part), pointer, IsOpen: false);
        // Many recipes accept the same, and then share what fits.
        var wanted = At(part, Rule!.Accepts);
        var key = wanted?.GetRawText() ?? "";
        if (!accepted.TryGetValue(key, out var fit)) accepted[key] = fit = FindFitting(wanted);
        return new Ingredient(fit, AmountIn(part), pointer, IsOpen: true);
    }

    private List<Good> FindFitting(JsonElement? wanted)
    {
        if (wanted is not { ValueKind: JsonValueKind.Object } like) return [];
        var place = Overlay.Profile.Place(Rule!.AcceptsOf);
        return
        [
            .. Overlay.ShownIn(place)
                .Where(e => like.EnumerateObject().All(f => Fits(Overlay.Value(e, $"/{f.Name}"), f.Value)))
                .Select(e => e.Field(place.Id!))
                .OfType<string>()
                .Distinct()
                .Select(id => new Good(place.Key, id)),
        ];
    }

    private static bool Fits(JsonElement? value, JsonElement wanted)
    {
        if (value is not { } own) return false;
        if (wanted.ValueKind != JsonValueKind.Object) return JsonElement.DeepEquals(own, wanted);
        return own.ValueKind == JsonValueKind.Number
            && !(wanted.TryGetProperty("min", out var least) && own.GetDouble() < least.GetDouble())
            && !(wanted.TryGetProperty("max", out var most) && own.GetDouble() > most.GetDouble());
    }

    private Good? GoodIn(JsonElement part)
    {
        foreach (var rule in Rule!.Goods)
            if (At(part, rule.Field) is { ValueKind: JsonValueKind.String } name) return new Good(rule.Of, name.GetString()!);
        return null;
    }

    private Rational AmountIn(JsonElement part) => Rational.Of(At(part, Rule!.Amount)?.GetDouble() ?? 1);

    private static JsonElement? At(JsonElement part, string pointer) =>
        part.ValueKind == JsonValueKind.Object && part.TryGetProperty(pointer[1..], out var value) ? value : null;
}
