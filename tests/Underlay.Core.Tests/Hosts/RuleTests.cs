using CsCheck;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;

namespace Underlay.Core.Tests.Hosts;

public class RuleTests
{
    private static readonly SizeRule Plate = Repository.Wrenfield.Place("plates").RulesOf<SizeRule>(Repository.Wrenfield.Newest).Single();

    public static TheoryData<string> PlacesWithSizes =>
        [.. Repository.Kilnmoor.Places.Where(p => p.RulesOf<SizeRule>(Repository.Kilnmoor.Newest).Any()).Select(p => p.Key)];

    [Theory]
    [MemberData(nameof(PlacesWithSizes))]
    public void The_nearest_size_is_allowed_and_an_allowed_size_is_nearest_to_itself(string place)
    {
        var rule = Repository.Kilnmoor.Place(place).RulesOf<SizeRule>(Repository.Kilnmoor.Newest).Single();
        Gen.Select(Gen.Int[1, 4096], Gen.Int[1, 4096]).Sample((width, height) =>
        {
            var nearest = rule.Nearest(new PixelSize(width, height));
            Assert.Null(rule.Judge(nearest));
            Assert.Equal(nearest, rule.Nearest(nearest));
        });
    }

    [Fact]
    public void A_plate_is_brought_to_an_allowed_shape_whatever_it_is() =>
        Gen.Select(Gen.Int[1, 4096], Gen.Int[1, 4096])
            .Sample((width, height) => Assert.Null(Plate.Judge(Plate.Nearest(new PixelSize(width, height)))));

    [Theory]
    [InlineData(300, 225, true)]
    [InlineData(300, 224, false)]
    [InlineData(225, 300, true)]
    [InlineData(299, 299, false)]
    [InlineData(1200, 900, true)]
    [InlineData(1201, 1201, false)]
    public void A_plate_lies_between_three_to_four_and_four_to_three(int width, int height, bool allowed) =>
        Assert.Equal(allowed, Plate.Judge(new PixelSize(width, height)) is null);

    [Fact]
    public void A_path_below_any_folders_is_filled_in_as_it_was_found() =>
        // Some words of three letters are names of devices.
        Gen.String[Gen.Char['a', 'z'], 4, 6].List[0, 4].Sample(folders =>
        {
            var path = PackPath.Parse(string.Join('/', folders.Prepend("plates").Append("some name.png")));
            var pattern = Repository.Wrenfield.Place("plates").Pattern!;
            Assert.Equal(path, pattern.Fill(pattern.Match(path)!));
        });

    [Fact]
    public void The_columns_between_fields_are_told() =>
        Assert.Equal(
            [96, 306, 438, 752, 884, 1094],
            Repository.Kilnmoor.Place("friezes").RulesOf<FieldsRule>(Repository.Kilnmoor.Newest).Single().Edges);
}
