namespace Underlay.Core.Sounds;

/// <summary>Finds where a loop goes round unheard: where what comes after its end is most like what comes after its start.</summary>
public static class LoopFinder
{
    // What is compared on either side of the seam. Seconds.
    private const double Around = 0.006;

    // A few hundred frames are enough to tell a seam from another, whatever the rate.
    private const int MostCompared = 256;

    /// <summary>The loop near the one that is wanted whose seam is heard least.</summary>
    /// <param name="sound">The sound.</param>
    /// <param name="from">The first frame that is wanted.</param>
    /// <param name="to">The frame behind the last that is wanted.</param>
    /// <param name="reach">How far the end may move. Seconds.</param>
    /// <returns>The first frame, and the frame behind the last, above the first.</returns>
    public static (int From, int To) Near(Sound sound, int from, int to, double reach)
    {
        from = Math.Clamp(from, 0, sound.Frames - 1);
        to = Math.Clamp(to, from + 1, sound.Frames);
        var half = Math.Min((int)(Around * sound.Rate), sound.Frames / 2);
        var skip = Math.Max(1, 2 * half / MostCompared);
        var span = (int)(reach * sound.Rate);
        var best = (To: to, Differs: double.MaxValue);
        for (var end = Math.Max(from + 1, to - span); end <= Math.Min(sound.Frames, to + span); end++)
        {
            var differs = Difference(sound, from, end, half, skip);
            // Of ends that are alike, the one nearest to what was wanted.
            if (differs < best.Differs - 1e-9 || (differs < best.Differs + 1e-9 && Math.Abs(end - to) < Math.Abs(best.To - to)))
                best = (end, differs);
        }

        return (from, best.To);
    }

    /// <summary>How far the sound jumps from the end to the start, squared: in noise nothing is alike, and yet it must not click.</summary>
    private static double Jump(Sound sound, int from, int to) =>
        sound.Channels.Max(c => (c[from] - c[to - 1]) * (double)(c[from] - c[to - 1]));

    /// <summary>How far what lies around one frame is from what lies around another, as the mean of squares.</summary>
    private static double Difference(Sound sound, int one, int other, int half, int skip)
    {
        var (sum, count) = (0.0, 0);
        foreach (var samples in sound.Channels)
            for (var i = -half; i < half; i += skip)
            {
                if (one + i < 0 || other + i < 0 || one + i >= samples.Length || other + i >= samples.Length) continue;
                var step = samples[one + i] - samples[other + i];
                sum += step * step;
                count++;
            }

        return count == 0 ? double.MaxValue : (sum / count) + Jump(sound, one, other);
    }
}
