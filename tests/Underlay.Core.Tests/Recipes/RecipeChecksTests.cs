using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Recipes;

/// <summary>What is told of recipes, in a pack over the base.</summary>
public class RecipeChecksTests
{
    private const string Cup = """{ "id": "saltbrook.saltbrook_cup", "shape": "cup", "made_of": "red_clay", "price": 1 }""";

    private const string Clay = """{ "material": "clay", "amount": 1 }""";

    private static APack With(string name, string uses, string makes, string more = "") => Add(APack.Of(), name, uses, makes, more);

    private static APack Add(APack pack, string name, string uses, string makes, string more = "") => pack
        .WithTexts($"saltbrook.{name}/name")
        .With(
            $"entries/recipes/{name}.json",
            SmallBase.Recipe($"saltbrook.{name}", uses, makes).Replace("\"minutes\"", more + "\"minutes\"", StringComparison.Ordinal));

    private static string Makes(string ware, string amount = "1") => $$"""{ "ware": "moor.{{ware}}", "amount": {{amount}} }""";

    private static List<Finding> Told(APack pack) =>
        [.. pack.Findings().Where(f => f.Code.Value.StartsWith("recipe/", StringComparison.Ordinal))];

    private static IReadOnlyList<Finding> OverDemo(APack pack) => DemoBase.Check(pack.Tree).Findings;

    [Fact]
    public void A_recipe_of_what_can_be_had_is_not_told() => Assert.Empty(Told(With("turn", Clay, Makes("milk_jug"))));

    [Theory]
    [InlineData("""{ "ware": "moor.big_jug", "amount": 1 }""", "/uses/0", "neither be bought nor made")]
    [InlineData("""{ "accepts": { "made_of": "reed" }, "amount": 1 }""", "/uses/0", "nothing in this edition is as it accepts it")]
    [InlineData("""{ "accepts": { "volume_ml": { "min": 9999 } }, "amount": 1 }""", "/uses/0", "nothing in this edition")]
    public void A_recipe_that_takes_what_nobody_can_have_is_told(string uses, string pointer, string says)
    {
        var found = Assert.Single(Told(With("turn", uses, Makes("milk_jug"))));
        Assert.Equal(("recipe/out-of-reach", pointer, Severity.Warning), (found.Code.Value, found.Pointer, found.Severity));
        Assert.Contains(says, found.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Two_that_only_make_of_each_other_are_both_out_of_reach()
    {
        static string Own(string ware) => $$"""{ "ware": "saltbrook.{{ware}}", "amount": 1 }""";
        var wares = APack.Of().WithWare("cup").WithWare("mug");
        var pack = Add(Add(wares, "there", Own("cup"), Own("mug")), "back", Own("mug"), Own("cup"));
        Assert.Equal(
            ["entries/recipes/back.json", "entries/recipes/there.json"],
            Told(pack).Where(f => f.Code.Value == "recipe/out-of-reach").Select(f => f.Path).Order(StringComparer.Ordinal));
    }

    [Theory]
    [InlineData("", "makes either of them")]
    [InlineData("\"order\": 2, ", "can never be made any more")]
    [InlineData("\"order\": -1, ", "so yours can never be made")]
    public void Two_that_the_same_things_satisfy_are_told_with_what_comes_of_it(string order, string says)
    {
        var found = Assert.Single(Told(Add(With("one", Clay, Makes("milk_jug")), "two", Clay, Makes("big_jug"), order)));
        Assert.Equal(("recipe/same-things", "entries/recipes/two.json"), (found.Code.Value, found.Path));
        Assert.Contains(says, found.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("""{ "material": "clay", "amount": 3 }""")]
    [InlineData("""{ "material": "reed", "amount": 1 }""")]
    [InlineData("""{ "material": "clay", "amount": 1 }, { "material": "reed", "amount": 1 }""")]
    public void What_differs_in_a_thing_or_an_amount_tells_them_apart(string uses) =>
        Assert.Empty(Told(Add(With("one", Clay, Makes("milk_jug")), "two", uses, Makes("big_jug"))));

    [Fact]
    public void A_circle_that_grows_is_told_once_with_what_it_leaves()
    {
        var first = With("first", Clay, Makes("milk_jug"));
        var grown = Add(first, "grow", """{ "ware": "moor.milk_jug", "amount": 1 }""", Makes("big_jug", "2"));
        var found = Assert.Single(Told(Add(grown, "back", """{ "ware": "moor.big_jug", "amount": 1 }""", Makes("milk_jug"))));
        Assert.Equal("recipe/free-gain", found.Code.Value);
        Assert.Contains("1 of “saltbrook.back”, 1 of “saltbrook.grow”", found.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_circle_of_a_whole_kiln_and_its_sherds_comes_out_even() =>
        Assert.DoesNotContain(
            Told(
                Add(
                    With("grow", """{ "ware": "moor.milk_jug", "amount": 1 }""", """{ "ware": "moor.big_jug", "amount": 2 }"""),
                    "back",
                    """{ "ware": "moor.big_jug", "amount": 2 }""",
                    Makes("milk_jug"))),
            f => f.Code.Value == "recipe/free-gain");

    [Fact]
    public void A_ware_that_is_added_and_made_by_nothing_is_told_where_the_hosts_own_are_made()
    {
        // Of the small base's wares one is made; with the other made as well, those of the pack should be.
        var pack = With("turn", """{ "material": "reed", "amount": 3 }""", Makes("big_jug")).WithWare("cup");
        Assert.Empty(Told(pack));
        var found = Assert.Single(
            OverDemo(APack.Of().WithWare("saltbrook_cup").With("wares/saltbrook_cup/ware.json", Cup)),
            f => f.Code.Value == "recipe/nothing-makes");
        Assert.Equal(("wares/saltbrook_cup/ware.json", Severity.Note), (found.Path, found.Severity));
    }

    [Fact]
    public void A_ware_that_costs_more_than_it_is_sold_for_is_told_with_the_way_that_makes_it()
    {
        var pack = APack.Of()
            .WithWare("saltbrook_cup")
            .With("wares/saltbrook_cup/ware.json", Cup)
            .With(
                "entries/recipes/cup.json",
                SmallBase.Recipe(
                    "saltbrook.cup",
                    """{ "material": "oak", "amount": 3 }""",
                    """{ "ware": "saltbrook.saltbrook_cup", "amount": 2 }"""));
        var found = Assert.Single(OverDemo(pack), f => f.Code.Value == "recipe/sold-at-loss");
        Assert.Contains("is sold for 1 and costs 2.25 to make", found.Message, StringComparison.Ordinal);
    }
}
