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
    /// How loud it is while it is played: the momentary loudness in LUFS at the end of each tenth of a second, over the four tenths before
    /// it; silence is that of the absolute gate.
    /// </summary>
    /// <remarks>EBU Tech 3341, momentary loudness.</remarks>
    public static IReadOnlyList<double> Over(Sound sound)
    {
        var step = Math.Max(1, (int)Math.Round(sound.Rate * BlockSeconds / StepsInABlock));
        var steps = Energies(sound, step);
        // In front of it is silence.
        double Before(int i) => i < 0 ? 0 : steps[i];
        return
        [
            .. Enumerable.Range(0, steps.Length)
                .Select(i => (Before(i) + Before(i - 1) + Before(i - 2) + Before(i - 3)) / (StepsInABlock * (double)step))
                .Select(e => Math.Max(AbsoluteGate, LevelOf(e))),
        ];
    }

    /// <summary>
    /// Energy summed over all channels, a step each; what is left over at the end belongs to the last whole step's end and is left
    /// out.
    /// </summary>
    private static double[] Energies(Sound sound, int step)
    {
        var whole = sound.Frames / step;
        var count = whole < StepsInABlock ? Math.Max(1, (sound.Frames + step - 1) / step) : whole;
        var channels = sound.EachChannel(samples =>
        {
            var energies = new double[count];
            var filter = new Weighting(sound.Rate);
            for (var i = 0; i < count; i++)
                energies[i] = filter.EnergyOf(samples.AsSpan(i * step, Math.Min(step, samples.Length - (i * step))));
            return energies;
        });
        return [.. Enumerable.Range(0, count).Select(i => channels.Sum(c => c[i]))];
    }

    private static double LevelOf(double energy) => -0.691 + (10 * Math.Log10(energy));

    /// <summary>The K weighting: a shelf for the head, then a high-pass of 1, -2, 1; both worked out for the sound's own rate.</summary>
    private sealed class Weighting
    {
        private readonly double shelf0, shelf1, shelf2, shelf3, shelf4;
        private readonly double pass3, pass4;
        private double s1, s2, p1, p2;

        public Weighting(int rate)
        {
            var k = Math.Tan(Math.PI * 1681.974450955533 / rate);
            const double Q = 0.7071752369554196;
            var high = Math.Pow(10, 3.999843853973347 / 20);
            var band = Math.Pow(high, 0.4996667741545416);
            var a0 = 1 + (k / Q) + (k * k);
            (shelf0, shelf1, shelf2) =
                ((high + (band * k / Q) + (k * k)) / a0, 2 * ((k * k) - high) / a0, (high - (band * k / Q) + (k * k)) / a0);
            (shelf3, shelf4) = (2 * ((k * k) - 1) / a0, (1 - (k / Q) + (k * k)) / a0);
            k = Math.Tan(Math.PI * 38.13547087602444 / rate);
            const double PassQ = 0.5003270373238773;
            a0 = 1 + (k / PassQ) + (k * k);
            (pass3, pass4) = (2 * ((k * k) - 1) / a0, (1 - (k / PassQ) + (k * k)) / a0);
        }

        /// <summary>The energy of samples after those before them.</summary>
        public double EnergyOf(ReadOnlySpan<float> samples)
        {
            // Transposed direct form II.
            var (a, b, c, d) = (s1, s2, p1, p2);
            var energy = 0.0;
            foreach (var x in samples)
            {
                var y = (shelf0 * x) + a;
                a = (shelf1 * x) - (shelf3 * y) + b;
                b = (shelf2 * x) - (shelf4 * y);
                var z = y + c;
                c = (-2 * y) - (pass3 * z) + d;
                d = y - (pass4 * z);
                energy += z * z;
            }

            (s1, s2, p1, p2) = (a, b, c, d);
            return energy;
        }
    }
}
