using CsCheck;
using Underlay.Core.Placements;

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

    [Fact]
    public void A_slip_leads_back_as_well() =>
        Gen.Select(Gen.String[Gen.Char["abA"], 0, 5], Gen.String[Gen.Char["abA"], 0, 5]).Sample((a, b) => Slips.AreOneApart(a, b) == Slips.AreOneApart(b, a));
}
