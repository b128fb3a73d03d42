using Underlay.Core.Findings;
using Underlay.Core.Formats.Ogg;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Placements;

namespace Underlay.Core.Tests.Sounds;

/// <summary>Calls of the second host: WAV and Opus, numbered, of some length and one loudness.</summary>
public class CallTests
{
    private static readonly byte[] Good = WavWriter.Write(Loud(3));

    private static Core.Sounds.Sound Loud(double seconds) =>
        TestSound.Tone(48_000, seconds: seconds) is var tone ? tone.Gain(-20 - Core.Sounds.Loudness.Of(tone)!.Value) : null!;

    private static byte[] Opus(double seconds) => OpusWriter.Write(Loud(seconds));

    private static IEnumerable<(string, string, Severity)> Found(params (string Path, byte[] Bytes)[] calls) =>
        calls.Aggregate(AGuide.Of(), (guide, call) => guide.With($"calls/{call.Path}", call.Bytes))
            .Check()
            .Findings.Select(f => (f.Code.Value, f.Path["calls/".Length..], f.Severity));

    private static AGuide Mended(AGuide guide, Finding finding)
    {
        var report = guide.Check();
        var context = new Core.Fixes.FixContext("guide", Repository.Wrenfield, report.Edition, report.Overlay);
        return new AGuide(guide.Tree.With(finding.Fix!.Edit(guide.Tree, context)).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
    }

    [Fact]
    public void Calls_from_one_without_a_gap_are_sound_in_either_format() =>
        Assert.Empty(Found(("asbra/1.wav", Good), ("asbra/2.opus", Opus(2)), ("asbra/3.wav", Good)));

    [Fact]
    public void One_behind_a_gap_is_silent() =>
        Assert.Equal([("sound/gap", "asbra/3.wav", Severity.Blocker)], Found(("asbra/1.wav", Good), ("asbra/3.wav", Good)));

    [Theory]
    [InlineData(1.99)]
    [InlineData(20.01)]
    public void One_that_is_too_short_or_too_long_is_silent(double seconds) =>
        Assert.Equal([("sound/length", "asbra/1.opus", Severity.Blocker)], Found(("asbra/1.opus", Opus(seconds))));

    [Fact]
    public void One_that_cannot_be_read_is_silent_and_not_left_out() =>
        Assert.Equal([("sound/unreadable", "asbra/1.opus", Severity.Blocker)], Found(("asbra/1.opus", Good)));

    [Fact]
    public void An_opus_call_that_is_too_soft_is_told_and_saved_louder_as_opus()
    {
        var guide = AGuide.Of().With("calls/asbra/1.opus", OpusWriter.Write(Loud(3).Gain(-9)));
        var finding = Assert.Single(guide.Check().Findings);
        Assert.Equal("sound/heard", finding.Code.Value);
        Assert.Empty(Mended(guide, finding).Check().Findings);
    }

    [Fact]
    public void What_is_no_opus_under_its_name_is_saved_anew_as_opus()
    {
        var guide = AGuide.Of().With("calls/asbra/1.opus", WavWriter.Write(Core.Sounds.SoundResampler.To(Loud(3), 44_100)));
        var finding = Assert.Single(guide.Check().Findings);
        Assert.Equal(("sound/unreadable", "Save it anew as Opus"), (finding.Code.Value, finding.Fix!.Title));
        Assert.Empty(Mended(guide, finding).Check().Findings);
    }

    [Fact]
    public void One_of_another_rate_or_loudness_is_told() =>
        Assert.Equal(
            [("sound/rate", "asbra/1.wav", Severity.Blocker), ("sound/heard", "asbra/2.wav", Severity.Warning)],
            Found(
                ("asbra/1.wav", WavWriter.Write(Core.Sounds.SoundResampler.To(Core.Formats.SoundReader.Read(Good)!, 44_100))),
                ("asbra/2.wav", TestSound.Wav(48_000, seconds: 3, level: 0.01))));

    [Fact]
    public void Where_a_peak_leaves_no_room_it_is_said_and_no_fix_is_offered()
    {
        var samples = Loud(3).Gain(-9).Channels[0];
        samples[samples.Length / 2] = 0.8f;
        var call = WavWriter.Write(new Core.Sounds.Sound(48_000, [samples]));
        var finding = Assert.Single(AGuide.Of().With("calls/asbra/1.wav", call).Check().Findings);
        Assert.Contains("dBTP leaves no room", finding.Message, StringComparison.Ordinal);
        Assert.Null(finding.Fix);
    }

    [Fact]
    public void An_unknown_bird_has_no_calls() =>
        Assert.Equal([("name/not-listed", "nobod/1.wav", Severity.Blocker)], Found(("nobod/1.wav", Good)));

    [Theory]
    [InlineData(0, "it is no Ogg file")]
    [InlineData(60, "one of its pages is cut or damaged")]
    [InlineData(150, "one of its pages is cut or damaged")]
    public void A_damaged_page_is_told(int at, string problem)
    {
        var opus = TestOpus.Of(3);
        opus[at] ^= 1;
        Assert.Equal(problem, OpusReader.Inspect(opus).Problem);
    }

    [Fact]
    public void Its_length_is_the_last_position_without_what_is_skipped() =>
        Assert.Equal(
            (48_000, 2, 120_000),
            OpusReader.Inspect(TestOpus.Of(2.5, 2)).Header is { } h ? (h.Rate, h.Channels, h.Frames) : default);

    /// <summary>A recording that has to be saved anew gets the loudness that is asked of all calls along with that, and is kept.</summary>
    [Theory]
    [InlineData("calls/asbra/1.opus", -14)]
    [InlineData("calls/asbra/1.wav", 6)]
    public void A_recording_that_is_placed_is_as_loud_as_is_asked(string path, double gain)
    {
        var recording = WavWriter.Write(Core.Sounds.SoundResampler.To(Loud(3).Gain(gain), 44_100));
        var from = PackPath.Parse(".underlay/tray/asbra.wav");
        var guide = AGuide.Of().With(from.Value, recording);
        var placed = Placing.Place(Repository.Wrenfield, Repository.Wrenfield.Newest, guide.Tree, from, PackPath.Parse(path));
        Assert.Null(placed.Problem);
        var after = new AGuide(guide.Tree.With(placed.Edits).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
        Assert.Empty(after.Check().Findings);
        Assert.Equal(recording, after.Tree.Find(PackPath.Parse($".underlay/sources/{path}"))!.ReadAll());
    }

    /// <summary>One that the viewer plays as it is goes in as it is, and what is wrong with it is told.</summary>
    [Fact]
    public void One_that_is_played_as_it_is_stays_as_it_is()
    {
        var soft = WavWriter.Write(Loud(3).Gain(-14));
        var from = PackPath.Parse(".underlay/tray/asbra.wav");
        var tree = AGuide.Of().With(from.Value, soft).Tree;
        var to = PackPath.Parse("calls/asbra/1.wav");
        var placed = Placing.Place(Repository.Wrenfield, Repository.Wrenfield.Newest, tree, from, to);
        Assert.Equal(soft, tree.With(placed.Edits).Find(to)!.ReadAll());
    }

    /// <summary>Coding moves peaks; a call that is brought to a peak stays below it as Opus too.</summary>
    [Fact]
    public void Coding_takes_no_peak_above_what_it_was()
    {
        var random = new Random(5);
        for (var i = 0; i < 6; i++)
        {
            // Clicks and noise, as in a call in the wind: what coding rounds off and overshoots.
            var wind = 0.1 * (i + 1);
            float[] samples =
            [
                .. Enumerable.Range(0, 3 * 48_000).Select(at => (float)((random.NextDouble() - 0.5) * (at % 9000 < 40 ? 1.8 : wind))),
            ];
            var sound = new Core.Steps.ToPeak(-1.1).Run(new Core.Sounds.Sound(48_000, [samples]));
            var place = Repository.Wrenfield.Places.Single(p => p.Key == "calls-opus");
            var bindings = Core.Hosts.Bindings.Of([("code", "asbra"), ("n", "1")]);
            var file = Core.Offers.SoundFit.For(place, bindings, Repository.Wrenfield.Newest, sound)!.Save(sound);
            Assert.InRange(Core.Sounds.SoundMeasure.Of(Core.Formats.SoundReader.Read(file)!).TruePeak, -3, -1.09);
        }
    }
}
