using System.Text;
using CsCheck;
using Underlay.Core.Formats;
using Underlay.Core.Offers;
using Underlay.Core.Sounds;
using Underlay.Core.Steps;

namespace Underlay.Core.Tests.Sounds;

/// <summary>
/// Steps of sounds: what each does, and that the recording is kept, the steps run again and a loop stays where it is heard.
/// </summary>
public class SoundStepsTests
{
    private static readonly PackPath Path = PackPath.Parse("audio/ambience/saltbrook_surf.wav");

    private static readonly Gen<SoundStep> AnyStep = Gen.OneOf<SoundStep>(
        Gen.Select(Gen.Int[0, 900], Gen.Int[1, 1500]).Select((from, length) => (SoundStep)new CutSound(from, from + length)),
        Gen.Select(Gen.OneOfConst("front", "behind", "both"), Gen.Int[0, 200])
            .Select((where, keep) => (SoundStep)new CutSilence(where, keep)),
        Gen.Select(Gen.Int[0, 500], Gen.Int[0, 500]).Select((fadeIn, fadeOut) => (SoundStep)new FadeSound(fadeIn, fadeOut)),
        Gen.Int[-120, 60].Select(tenths => (SoundStep)new Louder(tenths / 10.0)),
        Gen.Int[-300, -100].Select(tenths => (SoundStep)new ToLoudness(tenths / 10.0)),
        Gen.Int[-200, 0].Select(tenths => (SoundStep)new ToPeak(tenths / 10.0)),
        Gen.OneOfConst("both", "left", "right").Select(of => (SoundStep)new ToMono(of)),
        Gen.OneOfConst(22050, 32000, 44100, 48000).Select(rate => (SoundStep)new ToRate(rate)),
        Gen.Const((SoundStep)ToDepth.Dithered),
        Gen.Select(Gen.Int[0, 40_000], Gen.Int[1, 40_000], Gen.Int[1, 400])
            .Select((from, length, over) => (SoundStep)new CrossFade(from, from + length, over, 32000)));

    private static Sound Tone(int rate = 32000, double seconds = 1, int channels = 1, double silence = 0) =>
        new(
            rate,
            [
                .. Enumerable.Range(0, channels).Select(
                    c => Enumerable.Range(0, (int)(rate * seconds))
                        .Select(i => i < rate * silence ? 0f : (float)(0.3 * Math.Sin((c + 1) * 440 * 2 * Math.PI * i / rate)))
                        .ToArray()),
            ]);

    private static byte[] Wav(Sound sound) => FileFormats.Wav.Encode(sound);

    private static FileTree Pack(byte[] sound, string row = "saltbrook_surf,,,0") => APack.Of()
        .With(Path.Value, sound)
        .With("audio/ambience.csv", $"name,loop_from,loop_to,gain_db\n{row}\n")
        .Tree;

    private static SoundSeat Seat(FileTree tree)
    {
        var overlay = CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, tree).Overlay!;
        return SoundSeat.Of(overlay, overlay.OfPack(Path)!)!;
    }

    private static FileTree Do(FileTree tree, ShapingResult result)
    {
        Assert.Null(result.Problem);
        return tree.With(result.Edits);
    }

    private static Sound ReadFrom(FileTree tree) => SoundReader.Read(tree.Find(Path)!.ReadAll())!;

    [Fact]
    public void Any_step_is_read_again_as_it_was_written() =>
        AnyStep.Sample(
            step =>
            {
                using var json = System.Text.Json.JsonDocument.Parse(step.ToJson().ToJsonString());
                Assert.Equal(step, StepReader.Read(json.RootElement, new StepContext(_ => null, () => null, () => null)));
                Assert.Contains(step.Kind, StepKinds.OfSounds);
            });

    /// <summary>Steps of any order on any sound leave a sound, and the same bytes each time.</summary>
    [Fact]
    public void Any_steps_run_on_any_sound() =>
        Gen.Select(AnyStep.List[1, 5], Gen.Int[1, 2], Gen.Double[0.002, 1.5], Gen.Double[0, 1]).Sample(
            (steps, channels, seconds, silence) =>
            {
                var source = Wav(Tone(32000, seconds, channels, silence * seconds));
                var shaped = SoundShaping.Run(source, steps).Shaped!;
                Assert.True(shaped.Sound.Frames > 0);
                Assert.All(shaped.Sound.Channels, c => Assert.All(c, s => Assert.True(float.IsFinite(s))));
                Assert.Equal(Wav(shaped.Sound), Wav(SoundShaping.Run(source, steps).Shaped!.Sound));
            },
            iter: 150);

    [Fact]
    public void A_cut_keeps_what_lies_between() => Assert.Equal(0.25, new CutSound(250, 500).Run(Tone()).Seconds, 3);

    [Fact]
    public void Silence_goes_but_for_what_is_kept()
    {
        var sound = new CutSilence("front", 10).Run(Tone(silence: 0.5));
        Assert.InRange(SoundMeasure.SilenceOf(sound).Lead, 315, 330);
        Assert.Equal(16000 + 320, sound.Frames, 20.0);
        Assert.Equal(Tone().Frames, new CutSilence("both", 0).Run(Tone()).Frames, 40.0);
    }

    [Fact]
    public void A_fade_begins_and_ends_in_silence()
    {
        var sound = new FadeSound(100, 100).Run(Tone());
        Assert.Equal(0, sound.Channels[0][0]);
        Assert.True(Math.Abs(sound.Channels[0][^1]) < 0.001);
        Assert.Equal(Tone().Channels[0][16000], sound.Channels[0][16000]);
    }

    [Fact]
    public void Loudness_is_reached_unless_peaks_forbid_it()
    {
        Assert.Equal(-24, SoundMeasure.Of(new ToLoudness(-24).Run(Tone(seconds: 3))).Loudness!.Value, 0.1);
        var struck = Tone(seconds: 3).Map(samples => [.. samples.Select((v, i) => i is > 4000 and < 4100 ? v * 3 : v)]);
        Assert.Equal(-1.1, SoundMeasure.Of(new ToLoudness(-5).Run(struck)).TruePeak, 0.1);
        Assert.Equal(-6, SoundMeasure.Of(new ToPeak(-6).Run(Tone())).TruePeak, 0.1);
    }

    [Fact]
    public void One_channel_is_taken_of_two()
    {
        var stereo = Tone(channels: 2);
        Assert.Same(stereo.Channels[1], Assert.Single(new ToMono("right").Run(stereo).Channels));
        Assert.Single(new ToMono("both").Run(stereo).Channels);
    }

    /// <summary>What clicks at the seam does not any more, and all before the fade is as it was.</summary>
    [Fact]
    public void A_seam_that_was_cross_faded_does_not_click()
    {
        var sound = Tone(seconds: 2).Map(s => [.. s.Select((v, i) => v + (0.3f * i / s.Length))]);
        Assert.NotNull(LoopSeam.Click(sound, 16000, 60000));
        var faded = new CrossFade(16000, 60000, 50, 32000).Run(sound);
        Assert.Null(LoopSeam.Click(faded, 16000, 60000));
        Assert.Equal(sound.Channels[0][..58000], faded.Channels[0][..58000]);
    }

    /// <summary>The fix of a clicking loop, at whatever rate the recording was made, leaves a loop that does not click.</summary>
    [Theory]
    [InlineData(32000)]
    [InlineData(44100)]
    public void A_clicking_loop_is_mended(int recorded)
    {
        var ramp = Tone(recorded, 3).Map(s => [.. s.Select((v, i) => v + (0.3f * i / s.Length))]);
        var rate = recorded == 44100 ? 48000 : recorded;
        var tree = Pack(Wav(ramp), $"saltbrook_surf,{rate / 2},{rate * 2},0");
        // A step first, so that the recording is kept at its own rate and fitted to the place.
        tree = Do(tree, SoundShaping.Add(tree, Seat(tree) with { Loop = null }, new Louder(-1)));
        var report = CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, tree);
        var clicks = report.Findings.Single(f => f.Code.Value == "sound/loop-clicks");
        var context = new Core.Fixes.FixContext("test", Repository.Kilnmoor, report.Edition, report.Overlay);
        tree = tree.With(clicks.Fix!.Edit(tree, context));
        Assert.DoesNotContain(
            CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, tree).Findings,
            f => f.Code.Value == "sound/loop-clicks");
    }

    [Fact]
    public void The_recording_is_kept_and_comes_back_without_steps()
    {
        var source = Wav(Tone(44100, channels: 2));
        var tree = Pack(source);
        tree = Do(tree, SoundShaping.Add(tree, Seat(tree), new CutSound(100, 600)));
        tree = Do(tree, SoundShaping.Add(tree, Seat(tree), new Louder(-3)));
        var shaped = ReadFrom(tree);
        Assert.Equal(source, tree.Find(ReservedFolder.SourceOf(Path))!.ReadAll());
        // The place plays 32000 and 48000 Hz.
        Assert.Equal((48000, 0.5), (shaped.Rate, Math.Round(shaped.Seconds, 3)));
        Assert.Equal(["Keep 0.10 to 0.60 s", "Make it 3.0 dB softer"], Shaping.FindSteps(tree, Path)!.Value.Steps.Select(s => s.Title));
        tree = Do(tree, SoundShaping.Set(tree, Seat(tree), []));
        Assert.Equal(1, ReadFrom(tree).Seconds, 3);

        var played = Wav(Tone());
        tree = Pack(played);
        tree = Do(tree, SoundShaping.Add(tree, Seat(tree), new Louder(-3)));
        tree = Do(tree, SoundShaping.Set(tree, Seat(tree), []));
        Assert.Equal(played, tree.Find(Path)!.ReadAll());
        Assert.DoesNotContain(tree.Files, f => ReservedFolder.Holds(f.Path));
    }

    [Fact]
    public void A_new_recording_runs_through_the_same_steps()
    {
        var tree = Pack(Wav(Tone()));
        tree = Do(tree, SoundShaping.Add(tree, Seat(tree), new CutSound(0, 500)));
        tree = Do(tree, SoundShaping.Renew(tree, Seat(tree), Wav(Tone(seconds: 3))));
        Assert.Equal(0.5, ReadFrom(tree).Seconds, 3);
        Assert.NotNull(SoundShaping.Renew(tree, Seat(tree), [1, 2, 3]).Problem);
    }

    /// <summary>An earlier recording is the author's work: one that the place plays as it is takes its place, not its bytes.</summary>
    [Fact]
    public void An_earlier_recording_is_kept_whatever_comes_after_it()
    {
        var (first, second) = (Wav(Tone(44100)), Wav(Tone(48000, 2)));
        var tree = Pack(Wav(Tone()));
        tree = Do(tree, SoundShaping.Renew(tree, Seat(tree), first));
        tree = Do(tree, SoundShaping.Renew(tree, Seat(tree), second));
        Assert.Equal(second, tree.Find(Path)!.ReadAll());
        Assert.Null(tree.Find(StepsFile.PathOf(Path)));
        Assert.Equal(first, Assert.Single(tree.Files, f => ReservedFolder.Holds(f.Path)).ReadAll());
    }

    /// <summary>Whatever steps cut or resample, a loop goes round between the same moments of the recording.</summary>
    [Fact]
    public void A_loop_stays_where_it_is_heard()
    {
        var tree = Pack(Wav(Tone(32000, 2)), "saltbrook_surf,32000,48000,0");
        string Row(FileTree of) => Encoding.UTF8.GetString(of.Find(PackPath.Parse("audio/ambience.csv"))!.ReadAll()).Split('\n')[1];
        tree = Do(tree, SoundShaping.Add(tree, Seat(tree), new CutSound(500, 2000)));
        Assert.Equal("saltbrook_surf,16000,32000,0", Row(tree));
        tree = Do(tree, SoundShaping.Add(tree, Seat(tree), new ToRate(48000)));
        Assert.Equal("saltbrook_surf,24000,48000,0", Row(tree));
        tree = Do(tree, SoundShaping.Set(tree, Seat(tree), []));
        Assert.Equal("saltbrook_surf,32000,48000,0", Row(tree));
    }

    /// <summary>A loop that is drawn by hand ends where its seam is heard least, never far from where it was drawn.</summary>
    [Fact]
    public void A_loop_that_was_drawn_roughly_is_moved_to_where_it_goes_round_unheard() =>
        Gen.Select(Gen.Int[2000, 9000], Gen.Int[12_000, 28_000]).Sample(
            (from, to) =>
            {
                var tone = Tone();
                var found = LoopFinder.Near(tone, from, to, 0.03);
                Assert.Equal(from, found.From);
                Assert.InRange(found.To, to - 960, to + 960);
                Assert.Null(LoopSeam.Click(tone, found.From, found.To));
                // A tone of 440 Hz goes round after whole waves.
                var waves = (found.To - from) * 440.0 / 32000;
                Assert.Equal(Math.Round(waves), waves, 0.02);
            },
            iter: 40);

    [Fact]
    public void Steps_of_pictures_do_not_run_on_sounds_nor_the_other_way_round()
    {
        var tree = Pack(Wav(Tone()));
        Assert.Contains("is for pictures", SoundShaping.Add(tree, Seat(tree), new Enlarge(2)).Problem, StringComparison.Ordinal);
        Assert.Contains(
            "is for sounds",
            Shaping.Run(Picture.Of(8, 8).ToPng(), [new Louder(1)], FileFormats.Png).Problem,
            StringComparison.Ordinal);
    }
}
