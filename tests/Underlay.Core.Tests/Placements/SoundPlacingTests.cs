using Underlay.Core.Formats;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Placements;
using Underlay.Core.Sounds;

namespace Underlay.Core.Tests.Placements;

/// <summary>Where sounds go, by what they are called.</summary>
public class SoundPlacingTests
{
    private static PlacementAdvice Advise(string name, byte[]? bytes = null)
    {
        var overlay = DemoBase.Check(APack.Of().Tree).Overlay!;
        var path = PackPath.Parse(name);
        var file = FileTree.OfBytes([KeyValuePair.Create(path, bytes ?? TestSound.Wav())]).Find(path)!;
        return new Placer(overlay).Advise(file);
    }

    [Theory]
    [InlineData("audio/bells/low_1.wav", "audio/bells/low_1.wav")]
    [InlineData("my pack/audio/kiln/door.wav", "audio/kiln/door.wav")]
    [InlineData("recordings/quay water (2).wav", "audio/ambience/quay_water.wav")]
    [InlineData("recordings/bells/mid_1.wav", "audio/bells/mid_1.wav")]
    [InlineData("CRACKLE_LOW final.WAV", "audio/kiln/crackle_low.wav")]
    [InlineData("cup tap.wav", "audio/tools/cup_tap.wav")]
    [InlineData("bells/seagull.wav", "audio/bells/saltbrook_seagull.wav")]
    public void A_sound_goes_where_it_is_called_for(string name, string target) =>
        Assert.Equal(target, Advise(name).Candidates[0].Target.Value);

    [Fact]
    public void A_sound_of_a_new_name_may_go_into_any_group()
    {
        var targets = Advise("seagull.wav").Candidates.Select(c => c.Target.Value).ToList();
        Assert.Contains("audio/street/saltbrook_seagull.wav", targets);
        Assert.Contains("audio/ambience/saltbrook_seagull.wav", targets);
    }

    [Fact]
    public void A_picture_goes_under_no_sound_s_name() =>
        Assert.DoesNotContain(
            Advise("low_1.png", Picture.Of(8, 8).ToPng()).Candidates,
            c => c.Target.Value.StartsWith("audio/", StringComparison.Ordinal));

    [Theory]
    [InlineData("mp3", "an MP3 sound that becomes 16-bit WAV")]
    [InlineData("ogg", "an Ogg sound that becomes 16-bit WAV")]
    [InlineData("flac", "a FLAC sound that becomes 16-bit WAV")]
    public void A_recording_of_another_format_becomes_what_its_place_plays_and_is_kept(string ending, string says)
    {
        var bytes = File.ReadAllBytes(Path.Combine(Repository.Root, "tests/Underlay.Testing/Fuzzing/Samples", $"tone.{ending}"));
        var candidate = Advise($"bells/low 1.{ending}", bytes).Candidates[0];
        Assert.Equal("audio/bells/low_1.wav", candidate.Target.Value);
        Assert.EndsWith(says, candidate.Reason, StringComparison.Ordinal);

        var pack = APack.Of().With($".underlay/tray/low 1.{ending}", bytes);
        var from = PackPath.Parse($".underlay/tray/low 1.{ending}");
        var placed = Placing.Place(Repository.Kilnmoor, Repository.Kilnmoor.Newest, pack.Tree, from, candidate.Target);
        Assert.Null(placed.Problem);
        var after = pack.Tree.With(placed.Edits);
        Assert.Null(after.Find(from));
        Assert.Equal(bytes, after.Find(PackPath.Parse(".underlay/sources/audio/bells/low_1.wav"))!.ReadAll());
        // Bells are mono, at one of two rates.
        var report = DemoBase.Check(after);
        Assert.DoesNotContain(report.Findings, f => f.Blocks && f.Code.Value.StartsWith("sound/", StringComparison.Ordinal));
    }

    [Fact]
    public void A_recording_that_is_cut_stays_in_the_tray_and_says_why()
    {
        byte[] cut = [.. "fLaC"u8, 0, 0, 0, 34];
        var pack = APack.Of().With(".underlay/tray/low 1.flac", cut);
        var placed = Placing.Place(
            Repository.Kilnmoor,
            Repository.Kilnmoor.Newest,
            pack.Tree,
            PackPath.Parse(".underlay/tray/low 1.flac"),
            PackPath.Parse("audio/bells/low_1.wav"));
        Assert.Equal($"{SoundReader.CannotDecode}.", placed.Problem);
    }

    /// <summary>Recorded again: softer, a little longer, with noise and silence around it, and at another rate.</summary>
    [Theory]
    [InlineData("audio/bells/high_2.wav")]
    [InlineData("audio/kiln/door.wav")]
    [InlineData("audio/tools/cup_tap.wav")]
    public void A_sound_of_the_base_that_was_recorded_again_under_no_name_finds_its_place(string path)
    {
        var candidate = Advise("REC_0042.wav", RecordedAgain(path)).Candidates[0];
        Assert.Equal((path, "it sounds like the base’s"), (candidate.Target.Value, candidate.Reason));
        Assert.True(candidate.Confidence < 0.8, "What is only like the base’s is for the author to say.");
    }

    [Fact]
    public void Sounds_that_are_alike_are_offered_before_any_new_name()
    {
        var candidates = Advise("REC_0042.wav", RecordedAgain("audio/bells/low_1.wav")).Candidates;
        Assert.Equal(["audio/bells/low_1.wav", "audio/bells/low_2.wav"], candidates.Take(2).Select(c => c.Target.Value));
    }

    private static byte[] RecordedAgain(string path)
    {
        var sound = SoundReader.Read(DemoBase.Kilnmoor.Read(PackPath.Parse(path))!)!.ToMono();
        var slower = SoundResampler.To(sound with { Rate = sound.Rate * 100 / 97 }, 44_100);
        var random = new Random(3);
        float[] room = [.. Enumerable.Range(0, 6000).Select(_ => Hiss(random))];
        float[] again = [.. room, .. slower.Channels[0].Select(s => (0.6f * s) + Hiss(random)), .. room];
        return WavWriter.Write(new Sound(44_100, [again]));
    }

    [Fact]
    public void A_sound_that_is_like_none_of_the_base_finds_no_place_by_its_sound()
    {
        float[] chirp = [.. Enumerable.Range(0, 48_000).Select(i => (float)(0.3 * Math.Sin(1e-6 * i * i * i / 2000)))];
        Assert.DoesNotContain(
            Advise("REC_0043.wav", WavWriter.Write(new Sound(48_000, [chirp]))).Candidates,
            c => c.Reason.Contains("sounds like", StringComparison.Ordinal));
    }

    private static float Hiss(Random random) => (float)(0.0015 * ((2 * random.NextDouble()) - 1));
}
