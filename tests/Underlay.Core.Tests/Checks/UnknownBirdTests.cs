using Underlay.Core.Fixes;

namespace Underlay.Core.Tests.Checks;

/// <summary>What a file is called tells more of a row's unknown code than letters that are alike by chance.</summary>
public class UnknownBirdTests
{
    [Theory]
    // Its letters are nearest to the Ashen Brackling's.
    [InlineData("asbro", "plates/bronze_brackling.png", "brobr")]
    [InlineData("asbro", "plates/one.png", "asbra")]
    public void The_code_of_which_the_files_name_speaks_is_proposed(string code, string file, string proposed)
    {
        var guide = AGuide.Of().With(file, Picture.Of(300, 300)).WithContents((code, "adult", file));
        var finding = guide.Findings().Single(f => f.Code.Value == "index/unknown");
        Assert.Equal(proposed, Assert.IsType<RecodeIndex>(finding.Fix).New);
    }
}
