using System.Buffers.Binary;
using System.Text;

namespace Underlay.Testing.Fuzzing;

/// <summary>Damages files as faulty programs, bad disks and hostile people do: in their numbers, their bytes and their length.</summary>
public static class Damage
{
    private static readonly long[] Numbers =
        [
            0,
            1,
            2,
            3,
            4,
            7,
            8,
            16,
            127,
            128,
            255,
            256,
            4095,
            4096,
            4097,
            8191,
            8192,
            8193,
            0x7FFF,
            0x8000,
            0xFFFF,
            0x10000,
            0x7FFFFFFF,
            0x80000000,
            0xFFFFFFFE,
            0xFFFFFFFF,
            0x100000000,
            long.MaxValue - 1,
            long.MaxValue,
            long.MinValue,
            -1,
        ];

    private static readonly byte[][] Words =
    [
        .. new[]
        {
            "\"", "'", "{", "}", "[", "]", ",", ":", ";", "\t", "\n", "\r\n", "\0", "\\", "\\u", "\\ud800", "null", "true",
            "1e999", "-", "0x1", "1e28", "NaN", "#", "=", "<", ">", "&", "&amp;", "&x;", "]]>", "<!--",
            "<!DOCTYPE a [<!ENTITY b \"c\">]>", "<?xml version=\"1.1\"?>",
            "../", "/", "\uFEFF", "\u2028", "é", "😀", "a\"b", "\"\"", "\"a\":", "{\"a\":1,\"a\":2}", "[guide]", "'''", "\"\"\"",
            "1979-05-27", "inf",
        }.Select(Encoding.UTF8.GetBytes),
        [0xFF], [0xC0, 0x80], [0xED, 0xA0, 0x80],
        .. new[] { "[", "{\"a\":", "<a>", "\"" }.Select(w => Encoding.UTF8.GetBytes(string.Concat(Enumerable.Repeat(w, 3000)))),
    ];

    /// <summary>A damaged copy of a file.</summary>
    public static byte[] Of(byte[] sound, Random random)
    {
        var bytes = sound.ToArray();
        for (var i = random.Next(1, 5); i > 0; i--) bytes = Once(bytes, random);
        return bytes;
    }

    private static byte[] Once(byte[] bytes, Random random)
    {
        if (bytes.Length == 0) return [(byte)random.Next(256)];
        var at = Position(bytes.Length, random);
        switch (random.Next(9))
        {
            case 0:
                bytes[at] ^= (byte)(1 << random.Next(8));
                return bytes;
            case 1:
                bytes[at] = (byte)random.Next(256);
                return bytes;
            case 2 or 3 or 4:
                WriteNumber(bytes.AsSpan(at), Numbers[random.Next(Numbers.Length)], random);
                return bytes;
            case 5:
                return bytes[..at];
            case 6:
                var word = Words[random.Next(Words.Length)];
                return [.. bytes[..at], .. word, .. bytes[at..]];
            case 7:
                var end = Math.Min(bytes.Length, at + random.Next(1, 64));
                return random.Next(2) == 0 ? [.. bytes[..at], .. bytes[end..]] : [.. bytes[..end], .. bytes[at..]];
            default:
                random.NextBytes(bytes.AsSpan(at, Math.Min(bytes.Length - at, random.Next(1, 24))));
                return bytes;
        }
    }

    /// <summary>Somewhere; in three of four cases where headers and directories stand.</summary>
    private static int Position(int length, Random random) => random.Next(4) switch
    {
        0 => random.Next(length),
        1 => length - 1 - random.Next(Math.Min(length, 120)),
        _ => random.Next(Math.Min(length, 160)),
    };

    private static void WriteNumber(Span<byte> to, long value, Random random)
    {
        Span<byte> number = stackalloc byte[8];
        var width = 1 << random.Next(4);
        if (random.Next(2) == 0)
        {
            BinaryPrimitives.WriteInt64LittleEndian(number, value);
            number = number[..width];
        }
        else
        {
            BinaryPrimitives.WriteInt64BigEndian(number, value);
            number = number[(8 - width)..];
        }

        number[..Math.Min(width, to.Length)].CopyTo(to);
    }
}
