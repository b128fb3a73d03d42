using System.Buffers.Binary;

namespace Underlay.Core.Formats.Wav;

/// <summary>The loop that a sound editor writes into a WAV file.</summary>
/// <remarks>
/// The chunk <c>smpl</c> of Multimedia Programming Interface and Data Specifications 1.0 and its later additions: its first loop that
/// goes forward, whose end is the last frame that is played.
/// </remarks>
public static class WavLoop
{
    private const int HeaderBytes = 36;
    private const int LoopBytes = 24;

    /// <summary>The first frame of the loop and the one behind its last; null where the file has none that lies in it.</summary>
    public static (int From, int To)? Of(ReadOnlySpan<byte> file)
    {
        if (WavChunks.Read(file).Chunks is not { Frame: > 0 } chunks) return null;
        var (_, length) = chunks.Data.GetOffsetAndLength(file.Length);
        var frames = length / chunks.Frame;
        for (var at = 12L; at + 8 <= file.Length;)
        {
            var chunk = file[(int)at..];
            var size = BinaryPrimitives.ReadUInt32LittleEndian(chunk[4..]);
            if (chunk.StartsWith("smpl"u8) && size <= chunk.Length - 8 && Read(chunk.Slice(8, (int)size), frames) is { } loop) return loop;
            at += 8 + size + (size & 1);
        }

        return null;
    }

    private static (int From, int To)? Read(ReadOnlySpan<byte> body, int frames)
    {
        if (body.Length < HeaderBytes) return null;
        var count = BinaryPrimitives.ReadUInt32LittleEndian(body[28..]);
        for (var i = 0; i < count && HeaderBytes + ((i + 1) * LoopBytes) <= body.Length; i++)
        {
            var loop = body.Slice(HeaderBytes + (i * LoopBytes), LoopBytes);
            var (type, start, end) = (
                BinaryPrimitives.ReadUInt32LittleEndian(loop[4..]),
                BinaryPrimitives.ReadUInt32LittleEndian(loop[8..]),
                BinaryPrimitives.ReadUInt32LittleEndian(loop[12..]));
            if (type == 0 && start < end && end < frames) return ((int)start, (int)end + 1);
        }

        return null;
    }
}
