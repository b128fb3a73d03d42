using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Checks.Mistakes;

/// <summary>Mistakes of sounds.</summary>
internal static class SoundMistakes
{
    public static IReadOnlyList<Mistake> All =>
    [
        new(
            "a sound that is a text",
            APack.Of().With("audio/bells/one.wav", "RIFF"),
            "sound/unreadable",
            "audio/bells/one.wav",
            Severity.Blocker),
        new(
            "a sound of another rate",
            APack.Of().With("audio/bells/one.wav", TestSound.Wav(44_100)),
            "sound/rate",
            "audio/bells/one.wav",
            Severity.Blocker),
        new(
            "a bell on two channels",
            APack.Of().With("audio/bells/one.wav", TestSound.Wav(channels: 2)),
            "sound/channels",
            "audio/bells/one.wav",
            Severity.Blocker),
        new(
            "a sound of no group",
            APack.Of().With("audio/drums/saltbrook_one.wav", TestSound.Wav()).With("audio/drums.csv", Row("saltbrook_one")),
            "sound/never-played",
            "audio/drums/saltbrook_one.wav",
            Severity.Blocker),
        new(
            "a sound without a row",
            APack.Of().With("audio/bells/saltbrook_two.wav", TestSound.Wav()),
            "sound/row",
            "audio/bells/saltbrook_two.wav",
            Severity.Blocker),
        new(
            "a loop longer than its sound",
            APack.Of().With("audio/ambience/quay.wav", TestSound.Wav(seconds: 0.1)),
            "sound/row",
            "audio/ambience/quay.wav",
            Severity.Blocker),
        new(
            "a row of no sound",
            APack.Of().With("audio/bells.csv", Row("saltbrook_two")),
            "sound/row-without-sound",
            "audio/bells.csv",
            Severity.Warning),
        new(
            "a sound that begins late",
            APack.Of().With("audio/bells/one.wav", TestSound.Wav(lead: 0.2)),
            "sound/heard",
            "audio/bells/one.wav",
            Severity.Warning),
        new(
            "a gain that takes it over full scale",
            APack.Of().With("audio/bells.csv", Row("one", ",,12.5")),
            "sound/gain-clips",
            "audio/bells/one.wav",
            Severity.Warning),
        new(
            "a loop that clicks",
            APack.Of().With("audio/ambience/quay.wav", TestSound.Wav(channels: 2)).With("audio/ambience.csv", Row("quay", "10,4018,")),
            "sound/loop-clicks",
            "audio/ambience/quay.wav",
            Severity.Warning),
    ];

    private static string Row(string name, string values = ",,") => $"name,loop_from,loop_to,gain_db\n{name},{values}\n";
}
