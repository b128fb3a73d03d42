namespace Underlay.Core.Sounds;

/// <summary>Finds where a recording was too loud for its format, so that the tops of its waves are cut off.</summary>
public static class Clipping
{
    /// <summary>So many samples one after the other at the end of the scale are no peak that just reaches it.</summary>
    public const int ShortestRun = 4;

    /// <summary>The end of the scale: the last two steps of 16 bits.</summary>
    public const float FullScale = 32766f / 32768;

    /// <summary>How many runs of samples lie at full scale, over all channels.</summary>
    public static int RunsIn(Sound sound) => sound.EachChannel(RunsIn).Sum();

    private static int RunsIn(float[] samples)
    {
        var (runs, length) = (0, 0);
        foreach (var sample in samples)
        {
            length = sample is >= FullScale or <= -FullScale ? length + 1 : 0;
            if (length == ShortestRun) runs++;
        }

        return runs;
    }
}
