using Underlay.Core.Hosts;
using Underlay.Core.Recipes;
using Underlay.Files;

namespace Underlay.Core.Tests.Recipes;

/// <summary>What follows from recipes is worked out once for the same recipes.</summary>
public class ReckoningTests
{
    private const string Open = """{ "accepts": { "made_of": "clay" }, "amount": 1 }""";
    private const string Clay = """{ "material": "clay", "amount": 1 }""";
    private const string Jug = """{ "ware": "moor.milk_jug", "amount": 1 }""";

    // One of its own, so that no other test reckons meanwhile.
    private readonly HostProfile profile = ProfileFolder.Read(Repository.Hosts, "kilnmoor").Profile;

    private static APack Pack(string uses = Open, int price = 1, string madeOf = "clay") => APack.Of()
        .With("wares/cup/ware.json", $$"""{ "id": "saltbrook.cup", "shape": "jug", "made_of": "{{madeOf}}", "price": {{price}} }""")
        .With("entries/recipes/turn.json", SmallBase.Recipe("saltbrook.turn", uses, Jug));

    private Reckoning Of(APack pack) => Economy.Of(CheckReport.Make(profile, null, SmallBase.Of, pack.Tree).Overlay!).Reckoning;

    [Fact]
    public void Another_price_of_a_ware_leaves_it_as_it_was() => Assert.Same(Of(Pack()), Of(Pack(price: 2)));

    [Fact]
    public void Another_recipe_makes_it_another() => Assert.NotSame(Of(Pack()), Of(Pack(uses: Clay)));

    [Fact]
    public void Another_ware_that_a_recipe_accepts_makes_it_another() => Assert.NotSame(Of(Pack()), Of(Pack(madeOf: "reed")));

    [Fact]
    public void What_was_reckoned_before_a_change_is_there_again_when_it_is_undone()
    {
        var first = Of(Pack());
        Of(Pack(uses: Clay));
        Assert.Same(first, Of(Pack(price: 3)));
    }
}
