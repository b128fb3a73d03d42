namespace Underlay.Core.Sounds;

/// <summary>A sound as samples.</summary>
/// <param name="Rate">Frames a second, Hz.</param>
/// <param name="Channels">The samples of each channel, -1 to 1; all of one length.</param>
public sealed record Sound(int Rate, IReadOnlyList<float[]> Channels)
{
    /// <summary>The number of frames: of samples a channel.</summary>
    public int Frames => Channels[0].Length;

    /// <summary>How long it is. Seconds.</summary>
    public double Seconds => (double)Frames / Rate;

    // Below this, more threads cost more than they spare.
    private const int ManyFrames = 100_000;

    /// <summary>The sound with every channel changed by itself.</summary>
    public Sound Map(Func<float[], float[]> change) => this with { Channels = EachChannel(change) };

    /// <summary>What comes of each channel by itself, in order; of long sounds worked out side by side.</summary>
    internal T[] EachChannel<T>(Func<float[], T> work)
    {
        var results = new T[Channels.Count];
        if (Channels.Count > 1 && Frames >= ManyFrames) Parallel.For(0, results.Length, i => results[i] = work(Channels[i]));
        else for (var i = 0; i < results.Length; i++) results[i] = work(Channels[i]);
        return results;
    }

    /// <summary>The mean of all channels as the only one; the sound itself where it has one.</summary>
    public Sound ToMono()
    {
        if (Channels.Count == 1) return this;
        var mean = new float[Frames];
        for (var i = 0; i < mean.Length; i++)
        {
            var sum = 0f;
            foreach (var channel in Channels) sum += channel[i];
            mean[i] = sum / Channels.Count;
        }

        return this with { Channels = [mean] };
    }

    /// <summary>The sound made louder or softer.</summary>
    /// <param name="decibels">0 leaves it as it is.</param>
    public Sound Gain(double decibels)
    {
        var factor = (float)Decibels.ToFactor(decibels);
        return Map(samples =>
        {
            var louder = new float[samples.Length];
            for (var i = 0; i < louder.Length; i++) louder[i] = samples[i] * factor;
            return louder;
        });
    }

    /// <summary>The frames from one to the one before another.</summary>
    public Sound Cut(int from, int to) => Map(samples => samples[from..to]);
}
