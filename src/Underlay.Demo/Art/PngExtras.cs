using System.Buffers.Binary;
using System.IO.Hashing;
using System.Text;

namespace Underlay.Demo.Art;

/// <summary>Puts things into PNG files that editors put there.</summary>
internal static class PngExtras
{
    private const int BehindHeader = 33;

    /// <summary>The file with one more chunk behind its header.</summary>
    public static byte[] WithChunk(byte[] png, string type, byte[] data)
    {
        var chunk = new byte[data.Length + 12];
        BinaryPrimitives.WriteInt32BigEndian(chunk, data.Length);
        Encoding.ASCII.GetBytes(type, chunk.AsSpan(4));
        data.CopyTo(chunk, 8);
        BinaryPrimitives.WriteUInt32BigEndian(chunk.AsSpan(data.Length + 8), Crc32.HashToUInt32(chunk.AsSpan(4, data.Length + 4)));
        return [.. png[..BehindHeader], .. chunk, .. png[BehindHeader..]];
    }
}
