using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Checks;

/// <summary>What a reaction gives has the parameters that the codebook lists for its type, within their ranges.</summary>
public class UnfitParameterTests
{
    private const string Path = "entries/glazes/celadon.json";

    private static string Glaze(string gives) =>
        $$"""
        { "id": "moor.celadon", "body": "#9ec2b4", "rim": "#2f6e63",
          "reactions": [{ "from_c": 900, "to_c": 1100, "air": "any", "gives": {{gives}} }] }
        """;

    private static IReadOnlyList<Finding> Told(string gives) =>
        [.. APack.Of().With(Path, Glaze(gives)).Findings().Where(f => f.Code.Value == "entry/unfit-parameter")];

    [Theory]
    [InlineData("""{ "type": "drip" }""")]
    [InlineData("""{ "type": "drip", "length_mm": 1, "spacing_mm": 60 }""")]
    [InlineData("""{ "type": "drip", "length_mm": 40 }""")]
    [InlineData("""{ "type": "crackle", "fineness": 0.25 }""")]
    [InlineData("""{ "type": "nothing_known", "length_mm": 999 }""")]
    public void What_the_codebook_allows_is_not_told(string gives) => Assert.Empty(Told(gives));

    [Theory]
    [InlineData("""{ "type": "drip", "length_mm": 40.5 }""", "“length_mm” is 40.5; wanted is 1 to 40 mm", "40")]
    [InlineData("""{ "type": "drip", "length_mm": -3 }""", "“length_mm” is -3; wanted is 1 to 40 mm", "1")]
    [InlineData("""{ "type": "drip", "length_mm": "12" }""", "“length_mm” is “12”; wanted is 1 to 40 mm", "12")]
    [InlineData("""{ "type": "drip", "length_mm": "" }""", "“length_mm” is empty; wanted is 1 to 40 mm", null)]
    [InlineData("""{ "type": "drip", "length_mm": null }""", "“length_mm” is null; wanted is 1 to 40 mm", null)]
    [InlineData("""{ "type": "drip", "length_mm": { "least": 3 } }""", "“length_mm” is an object; wanted is 1 to 40 mm", null)]
    public void A_value_that_does_not_fit_is_told_with_the_range_and_brought_into_it(string gives, string says, string? mended)
    {
        var finding = Assert.Single(Told(gives));
        Assert.Equal((Path, "/reactions/0/gives/length_mm", Severity.Warning), (finding.Path, finding.Pointer, finding.Severity));
        Assert.Contains(says, finding.Message, StringComparison.Ordinal);
        Assert.Equal(mended, (finding.Fix as Core.Fixes.SetField)?.Json);
    }

    [Fact]
    public void A_name_one_letter_off_is_told_with_those_of_its_type_and_takes_the_near_one()
    {
        var finding = Assert.Single(Told("""{ "type": "drip", "lenght_mm": 12, "spacing_mm": 4 }"""));
        Assert.Contains("“lenght_mm” is no parameter of “drip”", finding.Message, StringComparison.Ordinal);
        Assert.Contains("which has length_mm, spacing_mm", finding.Message, StringComparison.Ordinal);
        Assert.Equal("length_mm", Assert.IsType<Core.Fixes.RenameField>(finding.Fix).Name);
    }

    [Fact]
    public void A_parameter_of_another_type_is_told_and_left_to_the_author()
    {
        var finding = Assert.Single(Told("""{ "type": "crackle", "length_mm": 12 }"""));
        Assert.Contains("which has fineness", finding.Message, StringComparison.Ordinal);
        Assert.Null(finding.Fix);
    }

    [Fact]
    public void What_a_refused_glaze_has_besides_is_told_at_once()
    {
        const string refused = """
            { "id": "moor.celadon", "body": "green", "rim": "#2f6e63",
              "reactions": [
                { "from_c": "hot", "to_c": 1100, "air": "any", "gives": { "type": "drip", "length_mm": 400 } },
                { "from_c": 900, "to_c": 1000, "air": "any", "gives": { "type": "drip", "lenght_mm": 12 } },
                { "from_c": 950, "to_c": 960, "air": "any", "gives": { "type": "drip" } }] }
            """;
        var told = APack.Of().With(Path, refused).Findings().Where(f => f.Path == Path).Select(f => $"{f.Code} {f.Pointer}").ToList();
        Assert.Contains("entry/rejected /body", told);
        Assert.Contains("entry/rejected /reactions/0/from_c", told);
        Assert.Contains("entry/unfit-parameter /reactions/0/gives/length_mm", told);
        Assert.Contains("entry/unfit-parameter /reactions/1/gives/lenght_mm", told);
        Assert.Contains("entry/row-never-used /reactions/2", told);
    }
}
