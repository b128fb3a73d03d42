using System.Globalization;
using Underlay.Core.Manifests;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Placements;

/// <summary>Where files belong beside very many that are called alike.</summary>
public class LargePackPlacingTests
{
    [Fact]
    public void Of_very_many_that_nothing_tells_apart_some_are_listed_and_all_are_counted()
    {
        var pack = Enumerable.Range(0, 120).Aggregate(APack.Of(), (p, i) => p.With($"art/surfaces/saltbrook_tile_{i}.png", []));
        var file = APack.Empty.With("saltbrook tile.png", Picture.Of(64, 64)).Tree.Files[0];
        var advice = new Placer(Over(pack)).Advise(file);
        Assert.Equal((120, 64), (advice.Likely, advice.Candidates.Count(c => !c.IsNew)));
        Assert.False(advice.HasFirst);
    }

    [Theory]
    [InlineData("saltbrook_tile_200.png", "art/surfaces/saltbrook_tile_200.png", true)]
    [InlineData("tile_07.png", "art/surfaces/saltbrook_tile_07.png", false)]
    [InlineData("Tile copy 7.png", "art/surfaces/saltbrook_tile.png", false)]
    [InlineData("tile_v2.png", "art/surfaces/saltbrook_tile.png", false)]
    public void One_more_of_a_series_is_offered_under_its_own_number(string name, string target, bool isFirst)
    {
        var pack = Enumerable.Range(0, 120).Aggregate(APack.Of(), (p, i) => p.With($"art/surfaces/saltbrook_tile_{100 + i}.png", []));
        pack = pack.Without("art/surfaces/saltbrook_tile_200.png");
        var advice = new Placer(Over(pack)).Advise(APack.Empty.With(name, Picture.Of(64, 64)).Tree.Files[0]);
        Assert.Contains(target, advice.Candidates.Where(c => c.IsNew).Select(c => c.Target.Value));
        Assert.Equal((isFirst, false), (advice.HasFirst && advice.Candidates[0].Target.Value == target, advice.IsSure));
    }

    [Fact]
    public void Of_a_large_pack_a_prefix_leads_to_nothing_and_a_name_to_what_has_it()
    {
        var pack = Enumerable.Range(0, 600).Aggregate(
            APack.Of().Files.ToDictionary(),
            (files, i) =>
            {
                files[string.Create(CultureInfo.InvariantCulture, $"art/surfaces/saltbrook_tile_{i}.png")] = [];
                return files;
            });
        pack["art/surfaces/saltbrook_tile.png"] = [];
        var overlay = Over(new APack(pack));
        string[] Offered(string name)
        {
            var file = APack.Empty.With(name, Picture.Of(64, 64)).Tree.Files[0];
            return [.. new Placer(overlay).Advise(file).Candidates.Select(c => c.Target.Value)];
        }

        Assert.DoesNotContain(Offered("saltbrook_kelp.png"), t => t.Contains("tile", StringComparison.Ordinal));
        Assert.Equal("art/surfaces/saltbrook_tile_77.png", Offered("saltbrook tile 77 copy.png")[0]);
        Assert.Equal("art/surfaces/saltbrook_tile_512.png", Offered("saltbrook/tile_512.png")[0]);
        Assert.Equal("art/surfaces/saltbrook_tile.png", Offered("Saltbrook Tiel final.png")[0]);
        Assert.Equal("art/embers/surfaces/saltbrook_tile.png", Offered("saltbrook_tile_embers.png")[0]);
    }

    [Theory]
    [InlineData("pier gull rope.png", true)]
    [InlineData("pie gull rope.png", true)]
    [InlineData("pier gull.png", false)]
    [InlineData("pier.png", false)]
    [InlineData("crate pier lamp.png", false)]
    [InlineData("harbour pier gull.png", false)]
    [InlineData("rope/gull.png", false)]
    [InlineData("saltbrook_pier_gull_rope/front.png", true)]
    [InlineData("SaltbrookPierGullRope.png", true)]
    [InlineData("salt brook pier gullrope.png", true)]
    [InlineData("saltbrookpiergul rope.png", true)]
    [InlineData("saltbrook pier gull rope glow.png", true)]
    public void Most_of_the_words_of_a_name_lead_to_it_and_fewer_do_not(string name, bool isOffered)
    {
        var pack = APack.Of().With("art/surfaces/saltbrook_pier_gull_rope.png", []);
        var advice = new Placer(Over(pack)).Advise(APack.Empty.With(name, Picture.Of(64, 64)).Tree.Files[0]);
        Assert.Equal(isOffered, advice.Candidates.Any(c => c.Target.Value == "art/surfaces/saltbrook_pier_gull_rope.png"));
    }

    [Theory]
    [InlineData("saltbrook_gull_pier_40.png", "art/surfaces/saltbrook_gull_pier_40.png")]
    [InlineData("Saltbrook Gull Pier 40.png", "art/surfaces/saltbrook_gull_pier.png")]
    public void What_has_another_number_is_no_other_of_a_series(string name, string target)
    {
        var pack = APack.Of().With("art/surfaces/saltbrook_pier_gull_12.png", []);
        var advice = new Placer(Over(pack)).Advise(APack.Empty.With(name, Picture.Of(64, 64)).Tree.Files[0]);
        Assert.False(advice.HasFirst && !advice.Candidates[0].IsNew);
        Assert.Contains(advice.Candidates, c => c.IsNew && c.Target.Value == target);
    }

    [Theory]
    [InlineData("export/saltbrook_pier_7.png", "a new surface picture: 96 x 96 would be fitted to 64 x 64")]
    [InlineData("export/pier_7.png", "a new surface picture: 96 x 96 would be fitted to 64 x 64")]
    public void A_picture_may_be_new_where_its_size_can_be_fitted(string name, string reason)
    {
        var advice = new Placer(Over(APack.Of())).Advise(APack.Empty.With(name, Picture.Of(96, 96)).Tree.Files[0]);
        Assert.Equal(reason, advice.Candidates.FirstOrDefault(c => c.IsNew && c.Target.FileName == "saltbrook_pier_7.png")?.Reason);
    }

    private static Overlay Over(APack pack)
    {
        var manifest = ManifestFacts.Read(Repository.Kilnmoor, pack.Tree);
        return Overlay.Of(PackReading.Read(Repository.Kilnmoor, Repository.Kilnmoor.Newest, pack.Tree, manifest), SmallBase.Catalogue);
    }
}
