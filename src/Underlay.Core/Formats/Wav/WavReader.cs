using System.Buffers.Binary;
using System.Runtime.InteropServices;
using Underlay.Core.Sounds;

namespace Underlay.Core.Formats.Wav;

/// <summary>Reads WAV files: as hosts do, and as leniently as an author's recordings need.</summary>
/// <remarks>docs/hosts.md says what hosts take.</remarks>
public static class WavReader
{
    // What is longer would fill the memory, and is no sound of a pack. Bytes.
    private const int MostMeasured = 64 << 20;
    private const int LeastRate = 1;
    private const int MostRate = 768_000;

    /// <summary>The facts of a file for a host that reads 16-bit PCM, mono or stereo, and nothing else.</summary>
    public static SoundFacts Inspect(ReadOnlySpan<byte> file)
    {
        var (chunks, problem) = WavChunks.Read(file);
        problem ??= FindProblem(chunks!);
        if (problem is not null) return new SoundFacts(problem, null, null);
        var (_, length) = chunks!.Data.GetOffsetAndLength(int.MaxValue);
        var header = new SoundHeader(chunks.Rate, chunks.Channels, length / chunks.Frame);
        return new SoundFacts(null, header, length > MostMeasured ? null : SoundMeasure.Of(Decode(file, chunks)));
    }

    /// <summary>
    /// The samples of a file of 8, 16, 24 or 32 bits or of floating point, with one or more channels; null where it has none.
    /// </summary>
    public static Sound? Read(ReadOnlySpan<byte> file)
    {
        if (WavChunks.Read(file).Chunks is not { } chunks || !IsDecoded(chunks)) return null;
        if (file.Length / Math.Max(1, chunks.Bits / 8) > SoundFormat.MostSamples) return null;
        var sound = Decode(file, chunks);
        return sound.Frames == 0 ? null : sound;
    }

    private static string? FindProblem(WavChunks chunks)
    {
        if (chunks.Tag != 1 || chunks.IsExtensible)
            return chunks.Tag == 3 ? "its samples are floating point" : chunks.Tag == 1 ? "its format is extended" : "it is compressed";
        if (chunks.Bits != 16) return FormattableString.Invariant($"it has {chunks.Bits} bits");
        if (chunks.Channels is not (1 or 2)) return FormattableString.Invariant($"it has {chunks.Channels} channels");
        if (chunks.Rate is < LeastRate or > MostRate) return FormattableString.Invariant($"its rate is {chunks.Rate} Hz");
        if (chunks.IsCut) return "it ends before its samples do";
        var (_, length) = chunks.Data.GetOffsetAndLength(int.MaxValue);
        return length == 0 ? "it has no samples" : length % chunks.Frame != 0 ? "its last frame is cut" : null;
    }

    private static bool IsDecoded(WavChunks chunks) =>
        chunks.Channels is > 0 and <= 8
        && chunks.Rate is >= LeastRate and <= MostRate
        && (chunks.Tag, chunks.Bits) is (1, 8 or 16 or 24 or 32) or (3, 32 or 64);

    private static Sound Decode(ReadOnlySpan<byte> file, WavChunks chunks)
    {
        var data = file[chunks.Data];
        var frames = data.Length / chunks.Frame;
        var channels = new float[chunks.Channels][];
        for (var c = 0; c < channels.Length; c++) channels[c] = new float[frames];
        // Nearly all sounds of packs, and as they lie in memory on nearly all machines.
        if (BitConverter.IsLittleEndian && chunks is { Tag: 1, Bits: 16 })
        {
            var samples = MemoryMarshal.Cast<byte, short>(data);
            for (var c = 0; c < channels.Length; c++)
            {
                var channel = channels[c];
                for (int i = 0, from = c; i < channel.Length; i++, from += channels.Length) channel[i] = samples[from] / 32768f;
            }

            return new Sound(chunks.Rate, channels);
        }

        var (at, width) = (0, chunks.Bits / 8);
        for (var i = 0; i < frames; i++)
            for (var c = 0; c < channels.Length; c++, at += width)
                channels[c][i] = Sample(data.Slice(at, width), chunks.Tag);
        return new Sound(chunks.Rate, channels);
    }

    private static float Sample(ReadOnlySpan<byte> bytes, int tag) => (tag, bytes.Length) switch
    {
        (1, 1) => (bytes[0] - 128) / 128f,
        (1, 2) => BinaryPrimitives.ReadInt16LittleEndian(bytes) / 32768f,
        (1, 3) => ((bytes[0] << 8) | (bytes[1] << 16) | (bytes[2] << 24)) / 2147483648f,
        (1, _) => BinaryPrimitives.ReadInt32LittleEndian(bytes) / 2147483648f,
        (_, 4) => Finite(BinaryPrimitives.ReadSingleLittleEndian(bytes)),
        _ => Finite((float)BinaryPrimitives.ReadDoubleLittleEndian(bytes)),
    };

    private static float Finite(float sample) => float.IsFinite(sample) ? sample : 0;
}
