using CsCheck;

namespace Underlay.Core.Tests.Packs;

public class PackPathTests
{
    [Theory]
    [InlineData("", PathProblem.Empty)]
    [InlineData("/etc/x", PathProblem.Absolute)]
    [InlineData("../x", PathProblem.Traversal)]
    [InlineData("a/../x", PathProblem.Traversal)]
    [InlineData("a/./x", PathProblem.Traversal)]
    [InlineData("a//x", PathProblem.EmptySegment)]
    [InlineData("a/", PathProblem.EmptySegment)]
    [InlineData("a\\x", PathProblem.Backslash)]
    [InlineData("C:/x", PathProblem.ReservedCharacter)]
    [InlineData("a?.png", PathProblem.ReservedCharacter)]
    [InlineData("a\u0007.png", PathProblem.ControlCharacter)]
    [InlineData("nul.png", PathProblem.ReservedName)]
    [InlineData("a/Com1", PathProblem.ReservedName)]
    [InlineData("a./x", PathProblem.TrailingDotOrSpace)]
    [InlineData("a ", PathProblem.TrailingDotOrSpace)]
    [InlineData("e\u0301.png", PathProblem.NotNormal)]
    public void A_name_that_is_unsafe_somewhere_is_no_path(string text, PathProblem problem)
    {
        Assert.False(PackPath.TryParse(text, out _, out var found));
        Assert.Equal(problem, found);
    }

    [Fact]
    public void Half_a_character_is_no_name()
    {
        Assert.False(PackPath.TryParse("a\ud800.png", out _, out var problem));
        Assert.Equal(PathProblem.ControlCharacter, problem);
    }

    [Theory]
    [InlineData("firing.json")]
    [InlineData("art/surfaces/x.png")]
    [InlineData("a b/é ü.png")]
    [InlineData(".underlay/waivers.json")]
    [InlineData("console/nullable.png")]
    [InlineData("🏺.png")]
    public void Other_names_are_kept_as_they_are(string text) => Assert.Equal(text, PackPath.Parse(text).Value);

    [Fact]
    public void A_path_is_at_most_400_characters_long()
    {
        Assert.True(PackPath.TryParse(new string('a', 400), out _, out _));
        Assert.False(PackPath.TryParse(new string('a', 401), out _, out _));
    }

    [Fact]
    public void Whatever_is_accepted_stays_inside_the_folder_it_is_joined_to() =>
        Gen.String[Gen.OneOf(Gen.Char["./\\:ab \u0301nul"], Gen.Char), 0, 20].Sample(text =>
        {
            if (!PackPath.TryParse(text, out var path, out _)) return;
            var full = Path.GetFullPath(Path.Combine("/root/pack", path.Value));
            Assert.StartsWith("/root/pack/", full, StringComparison.Ordinal);
            Assert.Equal(path.Segments.Length, full.Split('/').Length - 3);
        });
}
