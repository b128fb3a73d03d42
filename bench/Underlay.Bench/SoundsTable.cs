using System.Globalization;
using System.Text;
using Underlay.Core.Formats;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Sounds;
using Underlay.Core.Steps;
using Underlay.Files;

namespace Underlay.Bench;

/// <summary>Many sounds written as a pack, and steps over a long one timed.</summary>
internal static class SoundsTable
{
    private const int Rate = 32_000;

    /// <summary>Writes a sound pack of that many different recordings of a second and a half, in five folders with their rows.</summary>
    public static void Make(string folder, int number)
    {
        string[] groups = ["tools", "kiln", "street", "bells", "ambience"];
        var edits = new List<TreeEdit>();
        foreach (var (group, of) in groups.Select((g, i) => (g, i)))
        {
            var rows = new StringBuilder("name,loop_from,loop_to,gain_db\n");
            for (var i = of; i < number; i += groups.Length)
            {
                var name = string.Create(CultureInfo.InvariantCulture, $"saltbrook_s{i:D4}");
                rows.Append(CultureInfo.InvariantCulture, $"{name},,,\n");
                edits.Add(new TreeEdit.Write(PackPath.Parse($"audio/{group}/{name}.wav"), FileFormats.Wav.Encode(Noise(i, Rate, 1, 1.5))));
            }

            edits.Add(new TreeEdit.Write(PackPath.Parse($"audio/{group}.csv"), Encoding.UTF8.GetBytes(rows.ToString())));
        }

        const string Manifest = """
            { "id": "saltbrook.sounds", "version": "1.0.0", "title": "Sounds", "by": "nobody", "reads": { "from": "4.0", "to": "4.0" } }
            """;
        edits.Add(new TreeEdit.Write(PackPath.Parse("firing.json"), Encoding.UTF8.GetBytes(Manifest)));
        FolderWriter.Apply(folder, edits);
    }

    /// <summary>Times a chain of steps over one minute of stereo.</summary>
    public static void PrintSteps(TextWriter output)
    {
        var minute = FileFormats.Wav.Encode(Noise(1, 48_000, 2, 60));
        Step[] chain = [new CutSound(500, 59_500), new FadeSound(20, 400), new Louder(-3), new ToRate(Rate)];
        void Row(string what, params Step[] steps)
        {
            var took = Timing.Middle(7, () => SoundShaping.Run(minute, steps));
            output.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {what,-46} | {took,6:F0} |"));
        }

        Row("read alone");
        Row("cut", chain[0]);
        Row("faded", chain[1]);
        Row("to 32 kHz", new ToRate(Rate));
        Row("to a loudness", new ToLoudness(-20));
        Row("cut, faded, softer, to 32 kHz", chain);
        Row("and to a loudness and a peak", [.. chain, new ToLoudness(-20), new ToPeak(-1.1)]);
    }

    /// <summary>Noise that swells and dies away, smooth enough to have a pitch.</summary>
    private static Sound Noise(int seed, int rate, int channels, double seconds)
    {
        var random = new Random(seed);
        var samples = new float[(int)(rate * seconds)];
        var (low, turn) = (0.0, 0.02 + (seed % 97 * 0.002));
        for (var i = 0; i < samples.Length; i++)
        {
            low += ((random.NextDouble() * 2) - 1 - low) * turn;
            var swell = Math.Min(1, Math.Min(i, samples.Length - i) / (0.01 * rate));
            samples[i] = (float)(swell * (0.5 * low + 0.1 * Math.Sin(i * turn)));
        }

        return new Sound(rate, [.. Enumerable.Repeat(samples, channels)]);
    }
}
