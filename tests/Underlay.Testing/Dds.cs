using System.Buffers.Binary;
using System.Text;

namespace Underlay.Testing;

/// <summary>DDS files for tests, header and blocks of zeros.</summary>
public static class Dds
{
    /// <param name="width">Pixels.</param>
    /// <param name="height">Pixels.</param>
    /// <param name="code">Four characters: DXT1 is BC1, DXT5 is BC3.</param>
    /// <param name="mips">Mip levels as the header counts them.</param>
    /// <param name="more">Bytes more than the blocks need.</param>
    public static byte[] Of(int width, int height, string code = "DXT1", int mips = 0, int more = 0)
    {
        var blocks = ((width + 3) / 4) * ((height + 3) / 4) * (code == "DXT1" ? 8 : 16);
        var file = new byte[Math.Max(0, 128 + blocks + more)];
        Encoding.ASCII.GetBytes("DDS ", file);
        void Set(int at, int value) => BinaryPrimitives.WriteInt32LittleEndian(file.AsSpan(at), value);
        Set(4, 124);
        Set(8, 0x81007);
        Set(12, height);
        Set(16, width);
        Set(20, blocks);
        Set(28, mips);
        Set(76, 32);
        Set(80, 4);
        Encoding.ASCII.GetBytes(code, file.AsSpan(84));
        Set(108, 0x1000);
        return file;
    }
}
