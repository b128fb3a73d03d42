using Underlay.Core.Formats;
using Underlay.Core.Formats.Dds;
using Underlay.Core.Manifests;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Placements;

/// <summary>Typed paths are judged and completed while they are typed.</summary>
public class PathJudgeTests
{
    private static readonly byte[] Sound = [.. "RIFF"u8, 0, 0, 0, 0, .. "WAVE"u8, 0, 0, 0, 0];

    private static Overlay Over(APack pack) =>
        Overlay.Of(
            PackReading.Read(
                Repository.Kilnmoor,
                Repository.Kilnmoor.Newest,
                pack.Tree,
                ManifestFacts.Read(Repository.Kilnmoor, pack.Tree)),
            SmallBase.Catalogue);

    private static PathJudgement Judge(string text, string name = "x.png", byte[]? bytes = null, APack? pack = null)
    {
        bytes ??= Picture.Of(64, 64).ToPng();
        return PathJudge.Judge(Over(pack ?? APack.Of()), new TreeFile(PackPath.Parse(name), bytes.Length, FileContent.Of(bytes)), text);
    }

    [Fact]
    public void A_path_of_the_base_is_replaced_and_one_of_the_pack_s_own_is_the_pack_s()
    {
        Assert.Equal(
            ((Layer?)Layer.Base, false, ""),
            (
                Judge("art/surfaces/flagstone.png").Replaces,
                Judge("art/surfaces/flagstone.png").IsRefused,
                Judge("art/surfaces/flagstone.png").Says));
        Assert.Equal(
            Layer.Pack,
            Judge("art/surfaces/flagstone.png", pack: APack.Of().With("art/surfaces/flagstone.png", Picture.Of(64, 64))).Replaces);
        Assert.Null(Judge("art/surfaces/saltbrook_foam.png").Replaces);
    }

    [Theory]
    [InlineData("../x.png")]
    [InlineData("/x.png")]
    [InlineData("art\\surfaces\\x.png")]
    [InlineData("con/x.png")]
    [InlineData(".underlay/steps/x.png")]
    [InlineData("")]
    public void An_unsafe_path_and_Underlay_s_own_folder_are_refused_with_a_reason(string text)
    {
        var judged = Judge(text);
        Assert.True(judged.IsRefused);
        Assert.NotEmpty(judged.Says);
    }

    [Fact]
    public void A_path_behind_which_the_host_has_another_file_says_that_yours_would_not_be_shown()
    {
        var pack = APack.Of().With("wares/milk_jug/skin.dds", DdsWriter.Write(SourceReader.Read(Picture.Of(64, 64).ToPng()).Picture!));
        Assert.Equal(
            "Kilnmoor would not show it: your wares/milk_jug/skin.dds goes before it.",
            Judge("wares/milk_jug/skin.png", pack: pack).Says);
        Assert.DoesNotContain("goes before", Judge("wares/milk_jug/skin.png").Says, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("x.png", "It is a WAV sound, and x.png is a picture.")]
    [InlineData("art/surfaces/flagstone.png", "It is a WAV sound, and art/surfaces/flagstone.png is a surface picture.")]
    [InlineData("wares/milk_jug/ware.json", "It is a WAV sound, and wares/milk_jug/ware.json is a ware entry.")]
    public void A_sound_goes_under_no_picture_s_or_entry_s_name(string text, string says)
    {
        var judged = Judge(text, "call.wav", Sound);
        Assert.Equal((true, says), (judged.IsRefused, judged.Says));
    }

    [Fact]
    public void A_sound_goes_where_the_host_reads_sounds() =>
        Assert.False(Judge("audio/street/cart.wav", "cart.wav", Sound).IsRefused);

    [Theory]
    [InlineData("art/surface/flagstone.png", "art/surfaces/flagstone.png")]
    [InlineData("wares/milk_jug/skinn.png", "wares/milk_jug/skin.png")]
    [InlineData("art/surfaces/flagstone", "art/surfaces/flagstone.png")]
    [InlineData("art/surfaces/flagston.png", "art/surfaces/flagstone.png")]
    public void A_path_one_letter_beside_one_that_is_there_is_told(string text, string near) => Assert.Equal(near, Judge(text).Near?.Value);

    [Fact]
    public void A_size_that_would_be_fitted_and_clear_parts_are_told()
    {
        Assert.Contains("fitted to 56 x 56", Judge("wares/milk_jug/shelf.png").Says, StringComparison.Ordinal);
        Assert.Contains(
            "clear, where all has to be solid",
            Judge("art/surfaces/flagstone.png", bytes: Picture.Filled(64, 64, default).ToPng()).Says,
            StringComparison.Ordinal);
    }

    [Fact]
    public void Paths_complete_a_folder_at_a_time()
    {
        var overlay = Over(APack.Of().WithWare("tide_cup"));
        Assert.Contains("wares/tide_cup/", PathJudge.Complete(overlay, "wares/"));
        Assert.Equal(["wares/milk_jug/"], PathJudge.Complete(overlay, "wares/mi").Select(p => p[..(p.LastIndexOf('/') + 1)]).Distinct());
        Assert.Equal(
            ["wares/milk_jug/mask.png", "wares/milk_jug/shelf.png", "wares/milk_jug/skin.png", "wares/milk_jug/ware.json"],
            PathJudge.Complete(overlay, "wares/milk_jug/"));
        Assert.Empty(PathJudge.Complete(overlay, "nowhere/"));
    }
}
