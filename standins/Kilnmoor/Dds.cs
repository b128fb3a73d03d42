using StandIns;

namespace Kilnmoor;

/// <summary>A DDS skin as the game reads it: the game's graphics card decodes it, so only its header is looked at here.</summary>
internal static class Dds
{
    /// <summary>The picture, or null when the game cannot read it.</summary>
    public static Bitmap? Read(byte[] file)
    {
        if (file.Length < 128 || file[0] != 'D' || file[1] != 'D' || file[2] != 'S' || file[3] != ' ') return null;
        uint Word(int at) => BitConverter.ToUInt32(file, at);
        if (Word(4) != 124 || Word(76) != 32 || (Word(80) & 4) == 0 || Word(112) != 0 || Word(28) > 1) return null;
        long height = Word(12), width = Word(16);
        if (width is < 1 or > 4096 || height is < 1 or > 4096) return null;
        var block = System.Text.Encoding.ASCII.GetString(file, 84, 4) switch { "DXT1" => 8, "DXT5" => 16, _ => 0 };
        if (block == 0 || file.Length < 128 + (((width + 3) / 4) * ((height + 3) / 4) * block)) return null;
        return Bitmap.OfSize((int)width, (int)height);
    }
}
