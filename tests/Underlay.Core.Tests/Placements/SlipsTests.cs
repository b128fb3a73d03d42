using CsCheck;
using Underlay.Core.Names;

namespace Underlay.Core.Tests.Placements;

public class SlipsTests
{
    [Theory]
    [InlineData("jug", "jug", false)]
    [InlineData("jug", "jugs", true)]
    [InlineData("jug", "ug", true)]
    [InlineData("jug", "jog", true)]
    [InlineData("jug", "jgu", true)]
    [InlineData("jug", "JUG", true)]
    [InlineData("jug", "guj", false)]
    [InlineData("jug", "bowl", false)]
    [InlineData("", "a", true)]
    public void One_slip_is_told_from_none_and_more(string a, string b, bool one) => Assert.Equal(one, Slips.AreOneApart(a, b));

    [Theory]
    [InlineData("Price", "price")]
    [InlineData("stal", "stall")]
    [InlineData("madeof", "made_of")]
    [InlineData("yung", "young")]
    [InlineData("qqq", null)]
    public void The_nearest_name_is_the_one_with_the_fewest_slips(string text, string? near)
    {
        string[] names = ["ember", "glaze", "id", "like", "made_of", "price", "shape", "stall", "young"];
        Assert.Equal(near, Slips.Nearest(names, text));
        Assert.Equal(near, Slips.Nearest(names.Reverse(), text));
    }

    [Fact]
    public void No_other_name_has_fewer_slips_than_the_nearest() =>
        Gen.Select(Gen.String[Gen.Char["ab"], 1, 9].List[1, 6], Gen.String[Gen.Char["ab"], 4, 9]).Sample((names, text) =>
        {
            var nearest = Slips.Nearest(names, text);
            if (names.Exists(n => Slips.AreOneApart(n, text))) Assert.True(nearest is not null && Slips.AreOneApart(nearest, text));
        });

    [Fact]
    public void A_slip_leads_back_as_well() =>
        Gen.Select(Gen.String[Gen.Char["abA"], 0, 5], Gen.String[Gen.Char["abA"], 0, 5])
            .Sample((a, b) => Slips.AreOneApart(a, b) == Slips.AreOneApart(b, a));
}
