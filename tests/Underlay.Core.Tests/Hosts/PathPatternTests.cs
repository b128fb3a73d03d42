using CsCheck;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;

namespace Underlay.Core.Tests.Hosts;

public class PathPatternTests
{
    private static readonly Dictionary<string, Placeholder> Placeholders = new()
    {
        ["name"] = new Placeholder("name", "a-z0-9_", 1, 8),
        ["nnn"] = new Placeholder("nnn", "0-9", 3, 3),
    };

    private static PathPattern Pattern(string text) =>
        PathPattern.TryParse(text, Placeholders, out var pattern, out var problem) ? pattern : throw new InvalidOperationException(problem);

    [Theory]
    [InlineData("art/{name}.png", "art/jug.png", "name=jug")]
    [InlineData("art/{name}.png", "art/Jug.png", null)]
    [InlineData("art/{name}.png", "art/jug.x.png", null)]
    [InlineData("art/{name}.png", "art/verylongname.png", null)]
    [InlineData("art/{name}.png", "art/a/jug.png", null)]
    [InlineData("stalls/{nnn}.png", "stalls/014.png", "nnn=014")]
    [InlineData("stalls/{nnn}.png", "stalls/14.png", null)]
    [InlineData("a/{name}/{nnn}.png", "a/jug/001.png", "name=jug&nnn=001")]
    [InlineData("plates/**/x{name}.png", "plates/xa.png", "**=&name=a")]
    [InlineData("plates/**/x{name}.png", "plates/b/c/xa.png", "**=b/c&name=a")]
    [InlineData("awnings/{dawn,noon}.png", "awnings/noon.png", "dawn,noon=noon")]
    [InlineData("awnings/{dawn,noon}.png", "awnings/night.png", null)]
    public void A_path_fits_or_does_not(string pattern, string path, string? bindings) =>
        Assert.Equal(bindings, Pattern(pattern).Match(PackPath.Parse(path))?.Key);

    [Fact]
    public void Filling_in_what_a_path_has_gives_the_path_again() =>
        Gen.Select(Gen.String[Gen.Char["abc019_"], 1, 8], Gen.String[Gen.Char["0123456789"], 3, 3]).Sample((name, number) =>
        {
            var pattern = Pattern("wares/{name}/{nnn}.png");
            var path = PackPath.Parse($"wares/{name}/{number}.png");
            Assert.Equal(path, pattern.Fill(pattern.Match(path)!));
        });

    [Fact]
    public void Of_two_places_that_fit_the_one_with_more_literal_characters_wins() =>
        Assert.Equal(
            "surface-descriptors",
            Repository.Kilnmoor.Locate(PackPath.Parse("art/surfaces/a.surface.json"), Repository.Kilnmoor.Newest)!.Value.Place.Key);

    [Fact]
    public void The_nearest_allowed_size_is_allowed() =>
        Gen.Select(Gen.Int[1, 5000], Gen.Int[1, 5000]).Sample((width, height) =>
        {
            foreach (var rule in Repository.Kilnmoor.Places.SelectMany(p => p.Rules.OfType<SizeRule>()))
                Assert.Null(rule.Judge(rule.Nearest(new PixelSize(width, height))));
        });
}
