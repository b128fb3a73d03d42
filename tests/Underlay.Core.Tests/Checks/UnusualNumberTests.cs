using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Checks;

/// <summary>Numbers far from those of the base's entries are told, and no others.</summary>
public class UnusualNumberTests
{
    private static IEnumerable<Finding> Told(string fields) => DemoBase.Check(
            APack.Of()
                .WithWare("saltbrook_cup")
                .With(
                    "wares/saltbrook_cup/ware.json",
                    $$"""{ "id": "saltbrook.saltbrook_cup", "shape": "cup", "made_of": "red_clay", {{fields}} }""")
                .Tree)
        .Findings.Where(f => f.Code.Value == "entry/unusual-number");

    [Theory]
    [InlineData("\"price\": 480", "/price", "is 480, far above the 12 of the base, which lie between 4 and 22")]
    [InlineData("\"price\": 1", "/price", "is 1, far below")]
    [InlineData("\"price\": 12, \"volume_ml\": 22000", "/volume_ml", "far above")]
    public void A_number_far_beyond_all_of_the_base_is_told(string fields, string pointer, string says)
    {
        var found = Assert.Single(Told(fields));
        Assert.Equal((pointer, Severity.Note), (found.Pointer, found.Severity));
        Assert.Contains(says, found.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("\"price\": 40")]
    [InlineData("\"price\": 2, \"height_cm\": 12.5")]
    // What few of the base have says nothing of what is usual.
    [InlineData("\"price\": 12, \"ember\": 1, \"suits\": { \"harvest\": 3 }")]
    public void One_that_is_only_higher_or_lower_is_not(string fields) => Assert.Empty(Told(fields));
}
