using System.Text;
using Underlay.Core.Decisions;
using Underlay.Core.Mending;
using Underlay.Core.Names;
using Underlay.Core.Offers;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Sounds;

/// <summary>What is to be recorded for the signals that towers claim, and each recording put in.</summary>
public class SignalScriptTests
{
    private const string Tower = "entries/towers/pier.json";

    /// <summary>A tower that claims two occasions: one signal has a stroke of the base's, one a stroke that nobody recorded.</summary>
    private static readonly APack Pier = APack.Of()
        .WithTexts("saltbrook.pier/name")
        .With(
            Tower,
            """
            {
              "id": "saltbrook.pier",
              "occasions": ["fair", "rest"],
              "peals": [
                { "signal": "opening", "weather": "any", "strokes": [{ "audio": "bells/one", "turns": 1, "rest_ms": 400 }] },
                { "signal": "closing", "weather": "rain", "strokes": [{ "audio": "bells/saltbrook_low", "turns": 2, "rest_ms": 300 }] }
              ]
            }
            """);

    private static Overlay Over(APack pack) => pack.Check().Overlay!;

    private static APack Take(APack pack, string sound, byte[] recording)
    {
        var overlay = Over(pack);
        var line = SignalScript.Of(overlay).First(l => l.Sound == sound);
        var (edits, problem) = SignalTakes.Plan(overlay, pack.Tree, [new SignalTake(line, recording)]);
        Assert.Null(problem);
        return new APack(pack.Tree.With(edits).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
    }

    [Fact]
    public void Every_signal_that_is_claimed_has_a_line_required_first_with_whose_sound_it_is() =>
        Assert.Equal(
            [
                "opening bells/one OfBase any required",
                "closing bells/saltbrook_low Missing rain required",
                "matins bells/saltbrook_matins_1 Missing  required",
                "rain_off bells/saltbrook_rain_off_1 Missing  optional",
            ],
            SignalScript.Of(Over(Pier)).Select(
                l => $"{l.Signals[0].Code} {l.Sound} {l.State} {string.Join('+', l.Signals[0].When)} "
                    + (l.IsRequired ? "required" : "optional")));

    [Fact]
    public void A_sound_that_answers_several_signals_is_recorded_once()
    {
        var lines = SignalScript.Of(
            Over(Pier.With(Tower, Text(Pier, Tower).Replace("bells/saltbrook_low", "bells/one", StringComparison.Ordinal))));
        Assert.Equal(["opening", "closing"], lines[0].Signals.Select(s => s.Code));
        Assert.Equal(3, lines.Count);
    }

    [Fact]
    public void A_recording_becomes_what_the_host_plays_with_its_row_and_its_stroke()
    {
        // Loud, in stereo, at a rate that the host does not play.
        var after = Take(Pier, "bells/saltbrook_matins_1", TestSound.Wav(44_100, 2, 0.6));
        var overlay = Over(after);
        Assert.Equal(
            ScriptState.Yours,
            SignalScript.Of(overlay).Single(l => l.Sound == "bells/saltbrook_matins_1").State);
        Assert.Contains("\"signal\": \"matins\", \"weather\": \"any\"", Text(after, Tower), StringComparison.Ordinal);
        Assert.Contains("\"rest_ms\": 400", Text(after, Tower).Split("matins_1")[1], StringComparison.Ordinal);
        Assert.Contains("saltbrook_matins_1,", Text(after, "audio/bells.csv"), StringComparison.Ordinal);
        Assert.Equal(
            [],
            after.Findings()
                .Where(f => f.Path.Contains("matins", StringComparison.Ordinal) && f.Code.Value != "sound/heard")
                .Select(f => f.Code.Value));
    }

    [Fact]
    public void A_recording_of_a_stroke_that_is_listed_changes_no_entry_and_another_replaces_it()
    {
        var once = Take(Pier, "bells/saltbrook_low", TestSound.Wav());
        Assert.Equal(Text(Pier, Tower), Text(once, Tower));
        var twice = Take(once, "bells/saltbrook_low", TestSound.Wav(seconds: 0.5));
        Assert.Equal(Text(once, "audio/bells.csv"), Text(twice, "audio/bells.csv"));
        Assert.NotEqual(once.Files["audio/bells/saltbrook_low.wav"], twice.Files["audio/bells/saltbrook_low.wav"]);
        Assert.DoesNotContain(twice.Files.Keys, f => f.StartsWith(".underlay/tray/", StringComparison.Ordinal));
    }

    /// <summary>Both are drawn wherever the first is; a third recording gets the number behind.</summary>
    [Fact]
    public void A_further_take_is_played_wherever_the_first_is()
    {
        var pier = Pier.With(Tower, Text(Pier, Tower).Replace("bells/one", "bells/saltbrook_low", StringComparison.Ordinal));
        var overlay = Over(pier);
        Cut[] parts = [new(0, 5, "audio/bells/saltbrook_low", true), new(6, 9, "audio/bells/saltbrook_low")];
        var named = Cuts.Name(overlay, pier.Tree, parts, SignalScript.Of(overlay));
        Assert.Equal(["audio/bells/saltbrook_low", "audio/bells/saltbrook_low_2"], named.Select(n => n.Name));
        var (edits, problem) = SignalTakes.Plan(overlay, pier.Tree, named.SelectMany(n => n.As(TestSound.Wav())));
        Assert.Null(problem);
        var after = new APack(pier.Tree.With(edits).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
        Assert.Equal(
            ["audio/bells/saltbrook_low.wav", "audio/bells/saltbrook_low_2.wav"],
            after.Files.Keys.Where(f => f.StartsWith("audio/bells/", StringComparison.Ordinal)).Order(StringComparer.Ordinal));
        var lines = SignalScript.Of(Over(after)).Where(l => l.State == ScriptState.Yours).ToList();
        Assert.Equal(["bells/saltbrook_low", "bells/saltbrook_low_2"], lines.Select(l => l.Sound).Order(StringComparer.Ordinal));
        Assert.All(lines, l => Assert.Equal(["opening", "closing"], l.Signals.Select(s => s.Code)));
        Assert.Contains("saltbrook_low_2,", Text(after, "audio/bells.csv"), StringComparison.Ordinal);
        Assert.DoesNotContain(after.Findings(), f => f.Path.Contains("saltbrook_low", StringComparison.Ordinal) && f.Blocks);
        Assert.Equal(
            "audio/bells/saltbrook_low_3",
            Cuts.Name(Over(after), after.Tree, parts, [])[1].Name);
    }

    /// <summary>Of what nobody took the first of, a further take answers the signal itself.</summary>
    [Fact]
    public void A_further_take_of_what_nothing_plays_answers_its_signal()
    {
        var overlay = Over(Pier);
        var named = Cuts.Name(overlay, Pier.Tree, [new(0, 5, "audio/bells/saltbrook_matins_1", true)], SignalScript.Of(overlay));
        var (edits, _) = SignalTakes.Plan(overlay, Pier.Tree, named.SelectMany(n => n.As(TestSound.Wav())));
        var after = new APack(Pier.Tree.With(edits).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
        Assert.Equal(
            ["bells/saltbrook_matins_2"],
            SignalScript.Of(Over(after)).Where(l => l.Signals[0].Code == "matins").Select(l => l.Sound));
    }

    [Theory]
    [InlineData("knock", "knock_2")]
    [InlineData("knock_1", "knock_2")]
    [InlineData("knock_9", "knock_12")]
    [InlineData("knock7", "knock7_2")]
    [InlineData("a/knock_", "a/knock__2")]
    [InlineData("knock_99999999999", "knock_99999999999_2")]
    public void A_further_name_goes_on_counting(string name, string next) =>
        Assert.Equal(next, NextNumber.After(name, n => n is "knock_10" or "knock_11"));

    [Fact]
    public void What_is_no_sound_is_refused_with_a_reason_and_nothing_is_changed()
    {
        var overlay = Over(Pier);
        var line = SignalScript.Of(overlay)[1];
        var (edits, problem) = SignalTakes.Plan(overlay, Pier.Tree, [new SignalTake(line, Picture.Of(8, 8).ToPng())]);
        Assert.Empty(edits);
        Assert.Contains("it is a picture", problem, StringComparison.Ordinal);
    }

    [Fact]
    public void Notes_go_out_and_come_in_again_whatever_the_spreadsheet_makes_of_them()
    {
        var lines = SignalScript.Of(Over(Pier));
        var table = Encoding.UTF8.GetString(SignalScript.Write(lines)).TrimStart('\uFEFF');
        Assert.Contains("bells/one,audio/bells/one.wav,opening,Opening,yes,any,the base’s,,", table, StringComparison.Ordinal);
        // Semicolons, other capitals, a row that is none of the script's.
        var back = table.Replace(",,\r\n", ",Ann,\"low, slow\"\r\n", StringComparison.Ordinal) + "bells/other,,,,,,,Bo,\r\n";
        var bytes = Encoding.Unicode.GetBytes(
            "\uFEFF"
                + back.Replace("\"low, slow\"", "low and slow", StringComparison.Ordinal).Replace(',', ';').Replace("sound;", "Sound;"));
        var read = SignalScript.Read(lines, bytes)!.Value;
        Assert.Equal(["bells/other"], read.Unknown);
        Assert.Equal(4, read.Notes.Count);
        Assert.Equal(new ScriptNote("Ann", "low and slow"), read.Notes["bells/one"]);

        var noted = Pier.Tree.With(ScriptFile.Set(Pier.Tree, read.Notes).Edits);
        Assert.Equal(
            "Ann",
            SignalScript.Of(Over(new APack(noted.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()))))[0].Note.Speaker);
        // Nothing is left of notes that are taken back.
        var none = ScriptFile.Set(noted, read.Notes.ToDictionary(n => n.Key, _ => ScriptNote.Empty)).Edits;
        Assert.Null(noted.With(none).Find(ScriptFile.File.Path));
    }

    [Fact]
    public void A_table_without_sounds_is_none() => Assert.Null(SignalScript.Read([], "a,b\n1,2\n"u8.ToArray()));

    private static string Text(APack pack, string path) => Encoding.UTF8.GetString(pack.Files[path]);

    [Fact]
    public void A_sound_that_lies_at_the_path_of_a_line_is_done_once_a_stroke_plays_it()
    {
        const string Sound = "bells/saltbrook_matins_1";
        var pack = Pier.With($"audio/{Sound}.wav", TestSound.Wav());
        ScriptLine Line(APack of) => SignalScript.Of(Over(of)).Single(l => l.Sound == Sound);
        Assert.Equal(ScriptState.Unplayed, Line(pack).State);
        var edits = SignalTakes.Play(Over(pack), pack.Tree, Line(pack));
        var after = new APack(pack.Tree.With(edits).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
        Assert.Equal(ScriptState.Yours, Line(after).State);
        Assert.Contains(Sound, Text(after, Tower), StringComparison.Ordinal);
        Assert.Contains("saltbrook_matins_1,", Text(after, "audio/bells.csv"), StringComparison.Ordinal);
        Assert.Empty(SignalTakes.Play(Over(after), after.Tree, Line(after)));
    }

    [Fact]
    public void A_next_take_has_the_next_free_name_and_is_played_beside_the_first()
    {
        var first = Take(Pier, "bells/saltbrook_matins_1", TestSound.Wav());
        var overlay = Over(first.With("audio/bells/saltbrook_matins_2.wav", TestSound.Wav()));
        var line = SignalScript.Of(overlay).Single(l => l.Sound == "bells/saltbrook_matins_1");
        var next = SignalTakes.Next(overlay, line);
        Assert.Equal(("bells/saltbrook_matins_3", "audio/bells/saltbrook_matins_3.wav"), (next.Sound, next.Path.Value));
        var (edits, problem) = SignalTakes.Plan(overlay, overlay.Pack.Tree, [new SignalTake(next, TestSound.Wav(), line.Sound)]);
        Assert.Null(problem);
        var tower = Encoding.UTF8.GetString(overlay.Pack.Tree.With(edits).Find(PackPath.Parse(Tower))!.ReadAll());
        Assert.Matches("(?s)matins_1.*matins_3", tower);
    }
}
