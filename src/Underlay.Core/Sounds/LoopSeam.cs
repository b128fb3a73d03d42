namespace Underlay.Core.Sounds;

/// <summary>Where the end of a loop meets its start.</summary>
public static class LoopSeam
{
    private const int Around = 256;

    // Steps lower than this are not heard as a click. Of full scale.
    private const double LeastStep = 0.02;

    /// <summary>How large the step in value is there, of full scale, where it is heard as a click; null where it is not.</summary>
    /// <param name="sound">The sound.</param>
    /// <param name="from">The loop's first frame.</param>
    /// <param name="to">The frame behind its last.</param>
    public static double? Click(Sound sound, int from, int to)
    {
        double? worst = null;
        foreach (var samples in sound.Channels)
        {
            var step = Math.Abs(samples[from] - samples[to - 1]);
            var usual = Math.Max(Steepest(samples, from, Math.Min(to, from + Around)), Steepest(samples, Math.Max(from, to - Around), to));
            if (step > LeastStep && step > 2 * usual && step > (worst ?? 0)) worst = step;
        }

        return worst;
    }

    private static float Steepest(float[] samples, int from, int to)
    {
        var steepest = 0f;
        for (var i = from + 1; i < to; i++) steepest = Math.Max(steepest, Math.Abs(samples[i] - samples[i - 1]));
        return steepest;
    }
}
