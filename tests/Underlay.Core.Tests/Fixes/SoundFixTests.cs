using System.Text;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Sounds;

namespace Underlay.Core.Tests.Fixes;

/// <summary>Sounds that fixes put right: nothing is found any more, and the recording is kept.</summary>
public class SoundFixTests
{
    private static (FileTree Tree, CheckReport Report) Run(APack pack, params string[] codes)
    {
        var (tree, _, _, report) = Fixing.Run(pack, codes);
        return (tree, report);
    }

    private static SoundFacts Facts(FileTree tree, string path) => WavReader.Inspect(tree.Find(PackPath.Parse(path))!.ReadAll());

    [Fact]
    public void A_resampled_loop_moves_its_frames_along_in_a_row_of_the_pack()
    {
        var pack = APack.Of().With("audio/ambience/quay.wav", WavWriter.Write(TestSound.Tone(22_050, channels: 2, hertz: 441)));
        var (tree, report) = Run(pack, "sound/rate");
        Assert.Empty(report.Findings);
        Assert.Equal(
            (32_000, 7999),
            (Facts(tree, "audio/ambience/quay.wav").Header!.Rate, Facts(tree, "audio/ambience/quay.wav").Header!.Frames));
        Assert.Contains(
            "quay,0,5805,-3",
            Encoding.UTF8.GetString(tree.Find(PackPath.Parse("audio/ambience.csv"))!.ReadAll()),
            StringComparison.Ordinal);
        Assert.Equal(
            pack.Files["audio/ambience/quay.wav"],
            tree.Find(PackPath.Parse(".underlay/sources/audio/ambience/quay.wav"))!.ReadAll());
    }

    [Theory]
    [InlineData("sound/channels", 2, 0.3, 0)]
    [InlineData("sound/heard", 1, 0.99, 0)]
    [InlineData("sound/heard", 1, 0.3, 0.3)]
    public void A_sound_that_is_put_right_has_nothing_against_it(string code, int channels, double level, double lead)
    {
        var pack = APack.Of().With("audio/bells/one.wav", TestSound.Wav(channels: channels, level: level, lead: lead));
        Assert.Equal(code, Assert.Single(pack.Faults()).Code.Value);
        var (tree, report) = Run(pack, code);
        Assert.Empty(report.Findings);
        Assert.Equal(1, Facts(tree, "audio/bells/one.wav").Header!.Channels);
        Assert.True(Facts(tree, "audio/bells/one.wav").Measure!.TruePeak <= -1);
    }

    [Fact]
    public void A_recording_in_floating_point_is_saved_anew()
    {
        var wav = new List<byte>(WavWriter.Write(new Sound(32_000, [[0]]))[..44]);
        foreach (var sample in TestSound.Tone().Channels[0]) wav.AddRange(BitConverter.GetBytes(sample));
        var file = wav.ToArray();
        (file[20], file[32], file[34]) = (3, 4, 32);
        BitConverter.TryWriteBytes(file.AsSpan(40), file.Length - 44);
        var (tree, report) = Run(APack.Of().With("audio/bells/one.wav", file), "sound/unreadable");
        Assert.Empty(report.Findings);
        Assert.Null(Facts(tree, "audio/bells/one.wav").Problem);
    }

    [Fact]
    public void A_missing_row_is_added_without_being_asked_for()
    {
        var pack = APack.Of().With("audio/bells/saltbrook_two.wav", TestSound.Wav());
        var (tree, report) = Run(pack);
        Assert.Empty(report.Findings);
        Assert.Contains(
            "saltbrook_two,,,",
            Encoding.UTF8.GetString(tree.Find(PackPath.Parse("audio/bells.csv"))!.ReadAll()),
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_gain_that_cuts_peaks_off_becomes_the_highest_that_cuts_none()
    {
        var pack = APack.Of().With("audio/bells.csv", "name,loop_from,loop_to,gain_db\none,,,12.5\n");
        var finding = pack.Findings().Single(f => f.Code.Value == "sound/gain-clips");
        var fix = Assert.IsType<SetTableValue>(finding.Fix);
        // A peak of 0.31 is at -10.2 dB.
        Assert.Equal("10.0", fix.Value);
        var report = pack.Check();
        var mended = pack.Tree.With(fix.Edit(pack.Tree, new FixContext("pack", Repository.Kilnmoor, report.Edition, report.Overlay)));
        Assert.Contains("one,,,10.0", Encoding.UTF8.GetString(mended.Find(PackPath.Parse("audio/bells.csv"))!.ReadAll()));
    }
}
