using Underlay.Core.Sounds;

namespace Underlay.Core.Formats;

/// <summary>Takes up samples as libraries give them: piece by piece, channels interleaved.</summary>
internal static class SampleStream
{
    private const int PieceSamples = 1 << 15;

    /// <summary>The sound that a library reads; null where it has no samples, too many, or the library fails at it.</summary>
    /// <param name="rate">Frames a second, Hz.</param>
    /// <param name="channels">How many channels are interleaved.</param>
    /// <param name="read">Fills an array and tells how many samples it has; 0 at the end.</param>
    public static Sound? Read(int rate, int channels, Func<float[], int> read)
    {
        if (rate <= 0 || channels is < 1 or > 8) return null;
        var pieces = new List<float[]>();
        var length = 0;
        var piece = new float[PieceSamples / channels * channels];
        while (read(piece) is var count and > 0)
        {
            pieces.Add(piece[..count]);
            if ((length += count) > SoundFormat.MostSamples) return null;
        }

        var frames = length / channels;
        if (frames == 0) return null;
        var split = new float[channels][];
        for (var c = 0; c < channels; c++) split[c] = new float[frames];
        var at = 0;
        foreach (var samples in pieces)
            foreach (var sample in samples)
            {
                if (at / channels < frames) split[at % channels][at / channels] = float.IsFinite(sample) ? sample : 0;
                at++;
            }

        return new Sound(rate, split);
    }

    /// <summary>Runs a library over a broken file: whatever it throws then, the file cannot be read.</summary>
    public static Sound? Try(Func<Sound?> decode)
    {
        try
        {
            return decode();
        }
        catch (Exception problem) when (problem is not (OutOfMemoryException or InsufficientExecutionStackException))
        {
            return null;
        }
    }
}
