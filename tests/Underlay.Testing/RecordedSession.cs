using Underlay.Core.Sounds;

namespace Underlay.Testing;

/// <summary>What stands at a moment of a made-up recording.</summary>
/// <param name="Name">Which of the sounds; empty for a cough.</param>
/// <param name="From">Its first frame.</param>
/// <param name="To">The frame behind its last.</param>
/// <param name="IsLast">False for one that is done again right after.</param>
public sealed record Spoken(string Name, int From, int To, bool IsLast);

/// <summary>A made-up recording of many different sounds with pauses, coughs and repeats, and what there is in it.</summary>
/// <param name="Sound">The recording.</param>
/// <param name="Spoken">In order.</param>
public sealed record RecordedSession(Sound Sound, IReadOnlyList<Spoken> Spoken)
{
    private const int Rate = 48_000;
    private const double Room = 0.0006;

    /// <summary>Makes one; the same for the same seed.</summary>
    /// <param name="takes">How many different sounds.</param>
    /// <param name="seed">Any number.</param>
    public static RecordedSession Make(int takes, int seed)
    {
        var dice = new Random(seed);
        var samples = new List<float>();
        var spoken = new List<Spoken>();
        void Pause(double seconds) => samples.AddRange(new float[(int)(seconds * Rate)]);
        void Say(string name, float[] sound, bool isLast)
        {
            spoken.Add(new Spoken(name, samples.Count, samples.Count + sound.Length, isLast));
            samples.AddRange(sound);
            Pause(0.6 + dice.NextDouble());
        }

        Pause(1);
        for (var take = 0; take < takes; take++)
        {
            var voice = new Random((seed * 1000) + take);
            var (pitch, seconds, bright, wobble) =
                (110 * Math.Pow(2, voice.NextDouble() * 3), 0.4 + voice.NextDouble(), 0.4 + (voice.NextDouble() * 1.6), voice.NextDouble());
            float[] Once() => Tone(
                pitch * (1 + ((dice.NextDouble() - 0.5) * 0.01)),
                seconds * (1 + ((dice.NextDouble() - 0.5) * 0.06)),
                bright,
                wobble,
                0.25 * (0.8 + (dice.NextDouble() * 0.4)));
            for (var again = dice.Next(8) == 0 ? 1 + dice.Next(2) : 0; again >= 0; again--) Say($"take{take}", Once(), again == 0);
            if (dice.Next(7) == 0) Say("", Cough(dice), true);
        }

        return new RecordedSession(new Sound(Rate, [[.. samples.Select(s => s + (float)((dice.NextDouble() - 0.5) * Room))]]), spoken);
    }

    /// <summary>Partials of a pitch that swell and die away, the upper ones the more the brighter it is.</summary>
    private static float[] Tone(double pitch, double seconds, double bright, double wobble, double level)
    {
        var tone = new float[(int)(seconds * Rate)];
        for (var i = 0; i < tone.Length; i++)
        {
            var (t, sum) = ((double)i / Rate, 0.0);
            var bent = t + (wobble * 0.0008 * Math.Sin(11 * t));
            for (var partial = 1; partial <= 9; partial++)
                sum += Math.Pow(partial, -2 + bright) * Math.Sin(2 * Math.PI * pitch * partial * bent);
            var swell = Math.Min(1, t / 0.02) * Math.Min(1, (seconds - t) / 0.15);
            tone[i] = (float)(level * 0.3 * swell * sum);
        }

        return tone;
    }

    private static float[] Cough(Random dice)
    {
        var cough = new float[(int)((0.06 + (dice.NextDouble() * 0.06)) * Rate)];
        for (var i = 0; i < cough.Length; i++)
            cough[i] = (float)((dice.NextDouble() - 0.5) * 0.2 * Math.Sin(Math.PI * i / cough.Length));
        return cough;
    }
}
