namespace Underlay.Core.Hosts;

/// <summary>Reads what a profile says of recipes, and makes sure that the places and codebooks named exist.</summary>
internal sealed class EconomyReader(IReadOnlyList<Place> places, IReadOnlyList<CodebookRule> books)
{
    public EconomyRule Read(ProfileCursor cursor)
    {
        var recipes = cursor.Texts("recipes");
        foreach (var key in recipes) RequirePlace(cursor, "recipes", key);
        var accepts = cursor.Object("accepts");
        var rule = new EconomyRule(
            recipes,
            cursor.Text("station"),
            cursor.Text("uses"),
            cursor.Text("makes"),
            cursor.Text("amount"),
            cursor.Text("minutes"),
            cursor.Text("order"),
            [.. cursor.Objects("goods").Select(ReadGood)],
            accepts.Text("field"),
            accepts.Text("place"),
            RuleReader.ReadBasis(cursor));
        RequirePlace(accepts, "place", rule.AcceptsOf);
        accepts.Done();
        cursor.Done();
        return rule;
    }

    private GoodRule ReadGood(ProfileCursor cursor)
    {
        var good = new GoodRule(cursor.Text("field"), cursor.TextIfAny("place"), cursor.TextIfAny("codebook"), cursor.TextIfAny("price"));
        if (good is { Place: null, Codebook: null } or { Place: not null, Codebook: not null })
            cursor.Fail("place", "either a place or a codebook was expected");
        if (good.Place is { } place) RequirePlace(cursor, "place", place);
        if (good.Codebook is { } book && books.All(b => b.Key != book))
            cursor.Fail("codebook", $"the key of a codebook was expected, not “{book}”");
        cursor.Done();
        return good;
    }

    private void RequirePlace(ProfileCursor cursor, string field, string key)
    {
        if (places.All(p => p.Key != key)) cursor.Fail(field, $"the key of a place was expected, not “{key}”");
    }
}
