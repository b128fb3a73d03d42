namespace Underlay.Core.Sounds;

/// <summary>Integrated loudness with its gates.</summary>
/// <remarks>ITU-R BS.1770-4, annex 1; EBU R 128. Mono and stereo, whose channels all weigh 1.</remarks>
public static class Loudness
{
    private const double AbsoluteGate = -70;
    private const double RelativeGate = -10;
    private const double BlockSeconds = 0.4;
    private const int StepsInABlock = 4;

    /// <summary>The loudness in LUFS; null where every block lies below the absolute gate. A shorter sound than one block is one.</summary>
    public static double? Of(Sound sound)
    {
        var step = Math.Max(1, (int)Math.Round(sound.Rate * BlockSeconds / StepsInABlock));
        var steps = Energies(sound, step);
        if (steps.Length < StepsInABlock)
        {
            var whole = steps.Sum() / sound.Frames;
            return LevelOf(whole) >= AbsoluteGate ? LevelOf(whole) : null;
        }

        var blocks = Enumerable.Range(0, steps.Length - StepsInABlock + 1)
            .Select(i => (steps[i] + steps[i + 1] + steps[i + 2] + steps[i + 3]) / (StepsInABlock * (double)step))
            .Where(e => LevelOf(e) >= AbsoluteGate)
            .ToList();
        if (blocks.Count == 0) return null;
        var gate = LevelOf(blocks.Average()) + RelativeGate;
        return LevelOf(blocks.Where(e => LevelOf(e) >= gate).Average());
    }

    /// <summary>
    /// Energy summed over all channels, a step each; what is left over at the end belongs to the last whole step's end and is left
    /// out.
    /// </summary>
    private static double[] Energies(Sound sound, int step)
    {
        var whole = sound.Frames / step;
        var energies = new double[whole < StepsInABlock ? Math.Max(1, (sound.Frames + step - 1) / step) : whole];
        foreach (var channel in sound.Channels)
        {
            var filter = new Weighting(sound.Rate);
            for (var i = 0; i < channel.Length && i / step < energies.Length; i++)
            {
                var weighted = filter.Next(channel[i]);
                energies[i / step] += weighted * weighted;
            }
        }

        return energies;
    }

    private static double LevelOf(double energy) => -0.691 + (10 * Math.Log10(energy));

    /// <summary>The K weighting: a shelf for the head, then a high-pass; both worked out for the sound's own rate.</summary>
    private sealed class Weighting
    {
        private readonly double[] shelf;
        private readonly double[] pass;
        private double s1, s2, p1, p2;

        public Weighting(int rate)
        {
            var k = Math.Tan(Math.PI * 1681.974450955533 / rate);
            const double Q = 0.7071752369554196;
            var high = Math.Pow(10, 3.999843853973347 / 20);
            var band = Math.Pow(high, 0.4996667741545416);
            var a0 = 1 + (k / Q) + (k * k);
            shelf =
            [
                (high + (band * k / Q) + (k * k)) / a0, 2 * ((k * k) - high) / a0, (high - (band * k / Q) + (k * k)) / a0,
                2 * ((k * k) - 1) / a0, (1 - (k / Q) + (k * k)) / a0,
            ];
            k = Math.Tan(Math.PI * 38.13547087602444 / rate);
            const double PassQ = 0.5003270373238773;
            a0 = 1 + (k / PassQ) + (k * k);
            pass = [1, -2, 1, 2 * ((k * k) - 1) / a0, (1 - (k / PassQ) + (k * k)) / a0];
        }

        public double Next(double x)
        {
            // Transposed direct form II.
            var y = (shelf[0] * x) + s1;
            s1 = (shelf[1] * x) - (shelf[3] * y) + s2;
            s2 = (shelf[2] * x) - (shelf[4] * y);
            var z = (pass[0] * y) + p1;
            p1 = (pass[1] * y) - (pass[3] * z) + p2;
            p2 = (pass[2] * y) - (pass[4] * z);
            return z;
        }
    }
}
