using Underlay.Core.Sounds;

namespace Underlay.Core.Formats;

/// <summary>Takes up samples as libraries give them: piece by piece, channels interleaved.</summary>
internal static class SampleStream
{
    private const int PieceSamples = 1 << 15;

    /// <summary>
    /// The sound that a library reads; null where it has no samples, too many, or the library fails at it. Of what is thrown only the
    /// library's part is taken for a broken file: a fault of ours is told as one.
    /// </summary>
    /// <typeparam name="T">The library's reader.</typeparam>
    /// <param name="open">Makes the reader.</param>
    /// <param name="header">Frames a second, Hz, and how many channels are interleaved.</param>
    /// <param name="read">Fills an array and tells how many samples it has; 0 at the end.</param>
    public static Sound? Read<T>(Func<T> open, Func<T, (int Rate, int Channels)> header, Func<T, float[], int> read)
        where T : class, IDisposable
    {
        using var reader = Guard(open);
        if (reader is null || Guard(() => Tuple.Create(header(reader))) is not { Item1: var (rate, channels) }) return null;
        if (rate <= 0 || channels is < 1 or > 8) return null;
        var pieces = new List<float[]>();
        var length = 0;
        var piece = new float[PieceSamples / channels * channels];
        while (true)
        {
            if (Guard(() => Tuple.Create(read(reader, piece))) is not { Item1: var count }) return null;
            if (count <= 0) break;
            pieces.Add(piece[..count]);
            if ((length += count) > SoundFormat.MostSamples) return null;
        }

        return length < channels ? null : new Sound(rate, Split(pieces, channels, length / channels));
    }

    private static float[][] Split(List<float[]> pieces, int channels, int frames)
    {
        var split = new float[channels][];
        for (var c = 0; c < channels; c++) split[c] = new float[frames];
        var at = 0;
        foreach (var samples in pieces)
            foreach (var sample in samples)
            {
                if (at / channels < frames) split[at % channels][at / channels] = float.IsFinite(sample) ? sample : 0;
                at++;
            }

        return split;
    }

    /// <summary>Asks a library: whatever it throws at a broken file, the file cannot be read.</summary>
    private static T? Guard<T>(Func<T> ask)
        where T : class
    {
        try
        {
            return ask();
        }
        catch (Exception problem) when (problem is not (OutOfMemoryException or InsufficientExecutionStackException))
        {
            return null;
        }
    }
}
