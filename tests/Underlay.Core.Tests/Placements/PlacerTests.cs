using Underlay.Core.BaseFiles;
using Underlay.Core.Formats;
using Underlay.Core.Manifests;
using Underlay.Core.Names;
using Underlay.Core.Packaging;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Placements;

public class PlacerTests
{
    private static readonly FileTree Drop = DemoFiles.Of("trays/tidepool");

    private static readonly Tray Opened = Tray.Open(Drop, ArchiveLimits.Standard);

    private static readonly BaseCatalogue Base = DemoBase.Kilnmoor;

    private static readonly Dictionary<string, PlacementAdvice> Advice = Advise(APack.Of());

    /// <summary>Where a person would put each file.</summary>
    private static readonly Dictionary<string, string?> Wanted = new()
    {
        ["flagstone_grey.png"] = "art/surfaces/flagstone_grey.png",
        ["flagstone red.png"] = "art/surfaces/flagstone_red.png",
        ["FLAGSTONE_LICHENED.PNG"] = "art/surfaces/flagstone_lichened.png",
        ["setts-quay (2).png"] = "art/surfaces/setts_quay.png",
        ["setts_dark_v3.png"] = "art/surfaces/setts_dark.png",
        ["export/surfaces/setts_pale.png"] = "art/surfaces/setts_pale.png",
        ["export/art/surfaces/quay_stone.png"] = "art/surfaces/quay_stone.png",
        ["my pack/art/surfaces/slate_roof.png"] = "art/surfaces/slate_roof.png",
        ["sand_dry final.png"] = "art/surfaces/sand_dry.png",
        ["sand ripled.png"] = "art/surfaces/sand_rippled.png",
        ["water_pnod.png"] = "art/surfaces/water_pond.png",
        ["mossbank.png"] = "art/surfaces/moss_bank.png",
        ["deal_limed@2x.png"] = "art/surfaces/deal_limed.png",
        ["deal_grey copy 2.png"] = "art/surfaces/deal_grey.png",
        ["thatch roof.png"] = "art/surfaces/thatch_roof.png",
        ["ReedMat.png"] = "art/surfaces/reed_mat.png",
        ["water_jug/skin.png"] = "wares/water_jug/skin.png",
        ["wares/oil_jar/shelf.png"] = "wares/oil_jar/shelf.png",
        ["broth_bowl_shelf.png"] = "wares/broth_bowl/shelf.png",
        ["bread plate - shelf.png"] = "wares/bread_plate/shelf.png",
        ["shelf_tea_cup.png"] = "wares/tea_cup/shelf.png",
        ["Cider Bottle (shelf).png"] = "wares/cider_bottle/shelf.png",
        ["reed-vase-skin.png"] = "wares/reed_vase/skin.dds",
        ["salt crock skin.png"] = "wares/salt_crock/skin.png",
        ["salt crock mask.png"] = "wares/salt_crock/mask.png",
        ["wash basin.png"] = "wares/wash_basin/shelf.png",
        ["milk_pitcher_mask_final.png"] = "wares/milk_pitcher/mask.png",
        ["honey_pot/honey_pot_skin.png"] = "wares/honey_pot/skin.png",
        ["honeypot shelf.png"] = "wares/honey_pot/shelf.png",
        ["ale_beeker shelf.png"] = "wares/ale_beaker/shelf.png",
        ["reed_vase/shelf.png"] = "wares/reed_vase/shelf.png",
        ["old/tea cup skin OLD.png"] = "wares/tea_cup/skin.png",
        ["cider_bottle_mask.png"] = "wares/cider_bottle/mask.png",
        ["defs/ware.json"] = "wares/tide_cup/ware.json",
        ["defs/sea jar.json"] = "wares/sea_jar/ware.json",
        ["defs/gravel_path.surface.json"] = "art/surfaces/gravel_path.surface.json",
        ["IMG_0231.png"] = "wares/bread_plate/shelf.png",
        ["sketch.png"] = "art/surfaces/saltbrook_sketch.png",
        ["read me.txt"] = null,
        ["glazes-final.zip/glazes/Water Jug shelf copy.png"] = "wares/water_jug/shelf.png",
        ["glazes-final.zip/glazes/broth-bowl/skin.png"] = "wares/broth_bowl/skin.png",
        ["glazes-final.zip/glazes/Honey Pot mask.png"] = "wares/honey_pot/mask.png",
    };

    private static Dictionary<string, PlacementAdvice> Advise(APack pack)
    {
        var placer = NewPlacer(pack.Tree);
        return placer.Advise(Opened.Files.Files).ToDictionary(a => a.File.Path.Value);
    }

    [Fact]
    public void Advice_tells_what_the_bytes_begin_as() =>
        Assert.All(
            Opened.Files.Files,
            f => Assert.Same(FileFormats.OfHead(f.ReadStart(FileFormat.HeadBytes)), Advice[f.Path.Value].Begins));

    [Fact]
    public void The_drop_has_forty_files_and_its_archive_is_opened()
    {
        Assert.Equal(40, Drop.Files.Count);
        Assert.Empty(Opened.Refused);
        Assert.Equal(Wanted.Keys.Order(StringComparer.Ordinal), Opened.Files.Files.Select(f => f.Path.Value));
    }

    [Fact]
    public void The_first_candidate_is_where_a_person_would_put_it() =>
        Assert.Equal(
            Wanted.OrderBy(w => w.Key, StringComparer.Ordinal).Select(w => $"{w.Key} -> {w.Value}"),
            Advice.OrderBy(a => a.Key, StringComparer.Ordinal)
                .Select(a => $"{a.Key} -> {a.Value.Candidates.Select(c => c.Target.Value).FirstOrDefault()}"));

    [Fact]
    public void What_is_called_sure_is_right_and_most_is_sure()
    {
        var sure = Advice.Where(a => a.Value.IsSure).ToList();
        Assert.All(sure, a => Assert.Equal(Wanted[a.Key], a.Value.Candidates[0].Target.Value));
        Assert.Equal(39, sure.Count);
    }

    [Fact]
    public void A_name_that_the_host_had_in_an_earlier_edition_leads_to_the_one_that_it_has_now()
    {
        var placer = NewPlacer();
        var bytes = Picture.Of(128, 128).ToPng();
        var advice = placer.Advise(new TreeFile(PackPath.Parse("flagstone.png"), bytes.Length, FileContent.Of(bytes)));
        Assert.Equal("art/surfaces/flagstone_grey.png", advice.Candidates[0].Target.Value);
        Assert.Contains("called it “flagstone” before 4.0", advice.Candidates[0].Reason, StringComparison.Ordinal);
        Assert.False(advice.IsSure);
    }

    [Fact]
    public void A_picture_without_a_name_gets_the_place_that_its_size_fits_and_is_not_sure()
    {
        Assert.False(Advice["IMG_0231.png"].IsSure);
        Assert.All(Advice["IMG_0231.png"].Candidates, c => Assert.Equal("shelf", c.Place?.Key));
        Assert.StartsWith("56 x 56 fits shelf pictures only", Advice["IMG_0231.png"].Candidates[0].Reason, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("flagstone_grey.png", "the name, 128 x 128 as the base’s")]
    [InlineData("setts-quay (2).png", "the name but for “2”, 128 x 128 as the base’s")]
    [InlineData("my pack/art/surfaces/slate_roof.png", "the path is the host’s own but for “my pack”")]
    [InlineData("sand ripled.png", "the name but for a letter, 128 x 128 as the base’s")]
    [InlineData("thatch roof.png", "the name, 300 x 300 would be fitted to 256 x 256")]
    [InlineData("reed_vase/shelf.png", "the folder has its name and “shelf”, 56 x 56 as the base’s")]
    [InlineData("wash basin.png", "the name, 56 x 56 as the base’s")]
    [InlineData("defs/ware.json", "its id is “saltbrook.tide_cup”")]
    public void The_reason_is_told_in_words(string file, string reason) => Assert.Equal(reason, Advice[file].Candidates[0].Reason);

    [Fact]
    public void A_thing_of_the_pack_is_known_like_one_of_the_base()
    {
        var manifest = ManifestFacts.Read(Repository.Kilnmoor, APack.Of().Tree);
        var pack = APack.Of().With("wares/tide_cup/ware.json", SmallBase.Ware("saltbrook.tide_cup", "cup", "white_clay")).Tree;
        var placer = new Placer(Overlay.Of(PackReading.Read(Repository.Kilnmoor, Repository.Kilnmoor.Newest, pack, manifest), Base));
        var file = APack.Empty.With("Tide Cup skin.png", Picture.Of(64, 64)).Tree.Files[0];
        Assert.Equal("wares/tide_cup/skin.png", placer.Advise(file).Candidates[0].Target.Value);
    }

    [Theory]
    [InlineData("saltbrook reef.png")]
    [InlineData("saltbrook_reef_3.png")]
    public void Another_number_is_no_slip_of_the_hand(string name)
    {
        var pack = APack.Of().With("art/surfaces/saltbrook_reef_2.png", Picture.Of(64, 64)).Tree;
        var advice = NewPlacer(pack).Advise(APack.Empty.With(name, Picture.Of(64, 64)).Tree.Files[0]);
        Assert.False(advice.IsSure);
        Assert.DoesNotContain(advice.Candidates, c => c.Reason.Contains("but for a letter", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("gate_lamp-3842 copy (2).PNG", false)]
    [InlineData("gate_lamp copy 2.png", false)]
    [InlineData("gate_lamp (2).png", true)]
    public void The_number_of_a_copy_is_no_number_of_a_thing(string name, bool isTold)
    {
        var advice = NewPlacer().Advise(APack.Empty.With(name, Picture.Of(64, 64)).Tree.Files[0]);
        Assert.Equal(isTold, advice.Candidates.Any(c => c.Reason.Contains("the number 02", StringComparison.Ordinal)));
    }

    [Fact]
    public void An_archive_that_is_refused_is_told_and_the_rest_of_the_drop_is_taken()
    {
        var drop = APack.Empty.With("bad.zip", ZipParts.Broken("parent"))
            .With("good.zip", ZipParts.Write(new ZipPart("a/b.txt")))
            .With("c.txt", "x").Tree;
        var tray = Tray.Open(drop, ArchiveLimits.Standard);
        Assert.Equal("bad.zip", Assert.Single(tray.Refused).Path.Value);
        Assert.Equal(["c.txt", "good.zip/a/b.txt"], tray.Files.Files.Select(f => f.Path.Value));
    }

    [Theory]
    [InlineData("Tide_Bowl copy 2", "tide bowl", "copy 2")]
    [InlineData("TideBowl-final_v3", "tide bowl", "final v3")]
    [InlineData("IMG_0231", "", "IMG 0231")]
    [InlineData("deal_limed@2x", "deal limed", "2x")]
    [InlineData("vase", "vase", "")]
    public void A_name_is_read_without_what_copying_and_exporting_add(string name, string words, string left)
    {
        var read = NameWords.Of(name);
        Assert.Equal((words, left), (string.Join(' ', read.Words), read.LeftOut));
    }

    private static Placer NewPlacer(FileTree? pack = null)
    {
        var tree = pack ?? APack.Of().Tree;
        var manifest = ManifestFacts.Read(Repository.Kilnmoor, tree);
        return new Placer(Overlay.Of(PackReading.Read(Repository.Kilnmoor, Repository.Kilnmoor.Newest, tree, manifest), Base));
    }
}
