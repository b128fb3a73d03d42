using Underlay.Core.Placements;

namespace Underlay.Core.Tests.Placements;

public class ManifestNamingTests
{
    private static readonly byte[] Front = Picture.Filled(320, 200, new Pixel(9, 9, 9, 255)).ToPng();

    private static IReadOnlyList<TreeEdit> Edits(APack pack, string path) =>
        ManifestNaming.Edits(Repository.Kilnmoor, pack.Tree, PackPath.Parse(path));

    [Fact]
    public void A_manifest_without_a_front_comes_to_name_it()
    {
        var pack = APack.Of().With("front.png", Front);
        var named = new APack(pack.Tree.With(Edits(pack, "front.png")).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
        Assert.Empty(named.Faults());
        Assert.Contains(named.Check().Overlay!.Pack.Placements, p => p.Place.Key == "front");
    }

    [Fact]
    public void A_manifest_that_names_one_or_cannot_be_read_stays_as_it_is()
    {
        Assert.Empty(Edits(APack.Of().With("other.png", Front), "other.png"));
        Assert.Empty(Edits(APack.Empty.With("firing.json", "{ broken").With("front.png", Front), "front.png"));
        Assert.Empty(
            Edits(
                APack.Of()
                    .With("firing.json", APack.Manifest.Replace("\"by\"", "\"front\": \"mine.png\", \"by\"", StringComparison.Ordinal))
                    .With("front.png", Front),
                "front.png"));
    }

    [Fact]
    public void A_picture_of_the_fronts_size_is_told_its_place()
    {
        var overlay = APack.Of().Check().Overlay!;
        var advice = new Placer(overlay).Advise(FileTree.OfBytes([KeyValuePair.Create(PackPath.Parse("my front.png"), Front)]).Files[0]);
        Assert.True(advice.IsSure);
        Assert.Equal("front.png", advice.Candidates[0].Target.Value);
    }
}
