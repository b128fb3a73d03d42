using Underlay.Core.BaseFiles;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Manifests;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Placements;

/// <summary>
/// What the tray calls sure is right: a path's own place goes before names, and the author's own work is never replaced unseen.
/// </summary>
public class NeverSureAndWrongTests
{
    private static readonly BaseCatalogue Birds = BaseCatalogue.Read(
        Repository.Wrenfield,
        Repository.Wrenfield.Newest,
        DemoFiles.Base("wrenfield", "2"));

    private static PlacementAdvice Advise(Core.Hosts.HostProfile profile, BaseCatalogue @base, FileTree pack, string path, byte[] bytes)
    {
        var overlay = Overlay.Of(
            PackReading.Read(profile, profile.Newest, pack, ManifestFacts.Read(profile, pack)),
            @base);
        var tree = FileTree.OfBytes([KeyValuePair.Create(PackPath.Parse(path), bytes)]);
        return new Placer(overlay).Advise(Assert.Single(tree.Files));
    }

    private static PlacementAdvice InKilnmoor(APack pack, string path, Picture picture) =>
        Advise(Repository.Kilnmoor, DemoBase.Kilnmoor, pack.Tree, path, picture.ToPng());

    [Theory]
    [InlineData("mypack/art/embers/surfaces/clay_raked.png", "art/embers/surfaces/clay_raked.png")]
    [InlineData("art/embers/surfaces/clay_raked.png", "art/embers/surfaces/clay_raked.png")]
    [InlineData("mypack/art/surfaces/setts_dark.PNG", "art/surfaces/setts_dark.png")]
    [InlineData("a/b/wares/water_jug/mask.png", "wares/water_jug/mask.png")]
    public void A_path_that_is_a_places_own_goes_there(string path, string target) =>
        Assert.Equal(target, InKilnmoor(APack.Of(), path, Picture.Mask(64, 64)).Candidates[0].Target.Value);

    [Fact]
    public void What_would_replace_the_authors_own_is_first_but_never_sure()
    {
        var pack = APack.Of().With("wares/water_jug/shelf.png", Picture.Shelf());
        var fresh = Picture.Shelf() with { At = (x, y) => x == 0 || y == 0 || x == 55 || y == 55 ? default : new Pixel(9, 99, 9, 255) };
        var advice = InKilnmoor(pack, "wares/water_jug/shelf.png", fresh);
        Assert.Equal("wares/water_jug/shelf.png", advice.Candidates[0].Target.Value);
        Assert.False(advice.IsSure);
        Assert.Contains("which it would replace", advice.Candidates[0].Doubt, StringComparison.Ordinal);
        Assert.True(InKilnmoor(APack.Of(), "wares/water_jug/shelf.png", fresh).IsSure);
    }

    [Theory]
    [InlineData("Cobalt Whindle.png")]
    [InlineData("my drawings/cobalt_whindle.png")]
    [InlineData("evening/cobalt whindle 2.PNG")]
    public void A_things_own_name_counts_in_any_folder(string path)
    {
        var advice = Advise(Repository.Wrenfield, Birds, AGuide.Of().Tree, path, Picture.Of(400, 300).ToPng());
        Assert.Equal("plates", advice.Candidates[0].Place!.Key);
        Assert.Contains("Cobalt Whindle", advice.Candidates[0].Reason, StringComparison.Ordinal);
    }

    private static readonly Picture Grey = Picture.Of(64, 64) with { At = (x, _) => new Pixel((byte)x, (byte)x, (byte)x, 255) };

    public static TheoryData<string, Picture, string> Called => new()
    {
        { "tea_cup_ember.png", Grey, "art/embers/wares/tea_cup.png" },
        { "x/tea cup glow (2).png", Grey, "art/embers/wares/tea_cup.png" },
        { "tea_cup_stall.png", Picture.Of(96, 72), "art/stalls/005.png" },
        { "b/Tea Cup stall final.png", Picture.Of(192, 144), "art/stalls/005.png" },
        { "water jug (shelf) last.png", Picture.Shelf(), "wares/water_jug/shelf.png" },
        { "WaterJugIcon.png", Picture.Shelf(), "wares/water_jug/shelf.png" },
    };

    [Theory]
    [MemberData(nameof(Called))]
    public void A_things_name_and_the_word_for_its_part_are_sure(string path, Picture picture, string target)
    {
        var advice = InKilnmoor(APack.Of(), path, picture);
        Assert.Equal((target, true), (advice.Candidates[0].Target.Value, advice.IsSure));
    }

    [Fact]
    public void A_coloured_picture_is_no_glow_without_a_doubt() =>
        Assert.False(InKilnmoor(APack.Of(), "tea_cup_ember.png", Picture.Of(64, 64)).IsSure);

    [Theory]
    [InlineData("WheelKick_take3.wav", "audio/tools/wheel_kick.wav")]
    [InlineData("tools wheel kick.wav", "audio/tools/wheel_kick.wav")]
    [InlineData("bells/low_2.wav", "audio/bells/low_2.wav")]
    [InlineData("Low 2 final.WAV", "audio/bells/low_2.wav")]
    [InlineData("evening/low_02.wav", "audio/bells/low_2.wav")]
    public void A_sound_that_is_called_like_one_goes_there(string path, string target)
    {
        var bytes = WavWriter.Write(TestSound.Tone(48_000, seconds: 1));
        var advice = Advise(Repository.Kilnmoor, DemoBase.Kilnmoor, APack.Of().Tree, path, bytes);
        Assert.Equal(target, advice.Candidates[0].Target.Value);
        Assert.True(advice.IsSure);
    }

    [Theory]
    [InlineData("kelp_vase/skin.dds")]
    [InlineData("Kelp Vase skin.dds")]
    public void A_skin_of_a_thing_of_the_packs_own_is_offered_as_it_is(string path)
    {
        var dds = DemoBase.Kilnmoor.Read(PackPath.Parse("wares/reed_vase/skin.dds"))!;
        var ware = """{"id":"saltbrook.saltbrook_kelp_vase","like":"moor.reed_vase"}""";
        var pack = APack.Of().With("wares/saltbrook_kelp_vase/ware.json", ware);
        var advice = Advise(Repository.Kilnmoor, DemoBase.Kilnmoor, pack.Tree, path, dds);
        Assert.Equal("wares/saltbrook_kelp_vase/skin.dds", advice.Candidates[0].Target.Value);
    }

    [Theory]
    [InlineData("my sounds.csv", "name,loop_from,loop_to,gain_db\nlow_1,,,0\n", "audio/bells.csv")]
    [InlineData("names.csv", "key,en,de,fr\nmoor.tea_cup/name,Cup,,\n", "texts/wares.csv")]
    [InlineData("w.json", """{"id":"moor.tea_cup","shape":"cup","made_of":"earthenware","price":3}""", "wares/tea_cup/ware.json")]
    public void Tables_texts_and_entries_go_where_their_content_says(string path, string text, string target)
    {
        var bytes = System.Text.Encoding.UTF8.GetBytes(text);
        var advice = Advise(Repository.Kilnmoor, DemoBase.Kilnmoor, APack.Of().Tree, path, bytes);
        Assert.Equal(target, advice.Candidates[0].Target.Value);
    }

    [Theory]
    [InlineData(300, 200)]
    [InlineData(37, 91)]
    public void A_new_picture_of_an_unusual_size_is_offered_and_never_proposed(int width, int height)
    {
        var advice = InKilnmoor(APack.Of(), "sea_foam.png", Picture.Of(width, height));
        Assert.Contains(advice.Candidates, c => c is { IsNew: true, Place.Key: "surfaces" });
        Assert.False(advice.HasFirst);
    }
}
