using System.Buffers.Binary;

namespace Underlay.Core.Formats.Wav;

/// <summary>The loop that a sound editor writes into a WAV file, and reads from one.</summary>
/// <remarks>
/// The chunk <c>smpl</c> of Multimedia Programming Interface and Data Specifications 1.0 and its later additions: its first loop that
/// goes forward, whose end is the last frame that is played.
/// </remarks>
public static class WavLoop
{
    private const int HeaderBytes = 36;
    private const int LoopBytes = 24;

    // The middle C of MIDI: the sound as it is.
    private const int AsRecorded = 60;

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
            at += 8L + size + (size & 1);
        }

        return null;
    }

    /// <summary>The file with the loop as the only one that it tells of; all else in it stays.</summary>
    /// <param name="file">A WAV file.</param>
    /// <param name="from">The first frame.</param>
    /// <param name="to">The frame behind the last; two frames at least, since one alone is read as none.</param>
    /// <returns>The file with the loop behind its other chunks, or the file itself where it cannot be read.</returns>
    public static byte[] Put(byte[] file, int from, int to)
    {
        if (WavChunks.Read(file).Chunks is not { IsCut: false } chunks) return file;
        var written = new MemoryStream(file.Length + 8 + HeaderBytes + LoopBytes);
        written.Write(file.AsSpan(0, 12));
        for (var at = 12L; at + 8 <= file.Length;)
        {
            var chunk = file.AsSpan((int)at);
            var size = 8 + (long)BinaryPrimitives.ReadUInt32LittleEndian(chunk[4..]);
            var there = chunk[..(int)Math.Min(size, chunk.Length)];
            if (!there.StartsWith("smpl"u8)) written.Write(there);
            // A chunk of odd length has a byte behind it.
            if (written.Length % 2 == 1) written.WriteByte(0);
            at += size + (size & 1);
        }

        written.Write(Chunk(chunks.Rate, from, to));
        var result = written.ToArray();
        BinaryPrimitives.WriteInt32LittleEndian(result.AsSpan(4), result.Length - 8);
        return result;
    }

    private static byte[] Chunk(int rate, int from, int to)
    {
        var chunk = new byte[8 + HeaderBytes + LoopBytes];
        var body = chunk.AsSpan(8);
        "smpl"u8.CopyTo(chunk);
        BinaryPrimitives.WriteInt32LittleEndian(chunk.AsSpan(4), body.Length);
        BinaryPrimitives.WriteInt32LittleEndian(body[8..], (int)(1_000_000_000L / rate));
        BinaryPrimitives.WriteInt32LittleEndian(body[12..], AsRecorded);
        BinaryPrimitives.WriteInt32LittleEndian(body[28..], 1);
        var loop = body[HeaderBytes..];
        BinaryPrimitives.WriteInt32LittleEndian(loop[8..], from);
        BinaryPrimitives.WriteInt32LittleEndian(loop[12..], to - 1);
        return chunk;
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
