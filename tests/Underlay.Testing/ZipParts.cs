using System.Buffers.Binary;
using System.IO.Compression;
using System.IO.Hashing;
using System.Text;

namespace Underlay.Testing;

/// <summary>One entry of an archive under test. What is given here is written as it is, right or wrong.</summary>
public sealed record ZipPart(byte[] Name, byte[] Bytes)
{
    public ZipPart(string name, string text = "x")
        : this(Encoding.UTF8.GetBytes(name), Encoding.UTF8.GetBytes(text))
    {
    }

    public bool Deflated { get; init; }

    public ushort? Method { get; init; }

    public ushort Flags { get; init; } = 1 << 11;

    public uint? Crc { get; init; }

    public uint? ClaimedLength { get; init; }

    public uint UnixMode { get; init; } = 0x81A4;

    /// <summary>The name at the data, where it differs from the directory's.</summary>
    public byte[]? LocalName { get; init; }
}

/// <summary>Writes archives for tests, sound ones and broken ones.</summary>
public static class ZipParts
{
    public static byte[] Write(params IReadOnlyList<ZipPart> parts)
    {
        using var file = new MemoryStream();
        using var directory = new MemoryStream();
        foreach (var part in parts)
        {
            var data = part.Deflated ? Deflate(part.Bytes) : part.Bytes;
            var shared = new byte[24];
            BinaryPrimitives.WriteUInt16LittleEndian(shared, part.Flags);
            BinaryPrimitives.WriteUInt16LittleEndian(shared.AsSpan(2), part.Method ?? (part.Deflated ? (ushort)8 : (ushort)0));
            BinaryPrimitives.WriteUInt16LittleEndian(shared.AsSpan(6), 33);
            BinaryPrimitives.WriteUInt32LittleEndian(shared.AsSpan(8), part.Crc ?? Crc32.HashToUInt32(part.Bytes));
            BinaryPrimitives.WriteUInt32LittleEndian(shared.AsSpan(12), (uint)data.Length);
            BinaryPrimitives.WriteUInt32LittleEndian(shared.AsSpan(16), part.ClaimedLength ?? (uint)part.Bytes.Length);
            var central = new byte[46];
            BinaryPrimitives.WriteUInt32LittleEndian(central, 0x02014b50);
            BinaryPrimitives.WriteUInt16LittleEndian(central.AsSpan(4), (3 << 8) | 20);
            BinaryPrimitives.WriteUInt16LittleEndian(central.AsSpan(6), 20);
            BinaryPrimitives.WriteUInt16LittleEndian(shared.AsSpan(20), (ushort)part.Name.Length);
            shared.CopyTo(central.AsSpan(8));
            BinaryPrimitives.WriteUInt32LittleEndian(central.AsSpan(38), part.UnixMode << 16);
            BinaryPrimitives.WriteUInt32LittleEndian(central.AsSpan(42), (uint)file.Position);
            directory.Write(central);
            directory.Write(part.Name);

            var localName = part.LocalName ?? part.Name;
            var local = new byte[30];
            BinaryPrimitives.WriteUInt32LittleEndian(local, 0x04034b50);
            BinaryPrimitives.WriteUInt16LittleEndian(local.AsSpan(4), 20);
            BinaryPrimitives.WriteUInt16LittleEndian(shared.AsSpan(20), (ushort)localName.Length);
            shared.CopyTo(local.AsSpan(6));
            file.Write(local);
            file.Write(localName);
            file.Write(data);
        }

        var end = new byte[22];
        BinaryPrimitives.WriteUInt32LittleEndian(end, 0x06054b50);
        BinaryPrimitives.WriteUInt16LittleEndian(end.AsSpan(8), (ushort)parts.Count);
        BinaryPrimitives.WriteUInt16LittleEndian(end.AsSpan(10), (ushort)parts.Count);
        BinaryPrimitives.WriteUInt32LittleEndian(end.AsSpan(12), (uint)directory.Length);
        BinaryPrimitives.WriteUInt32LittleEndian(end.AsSpan(16), (uint)file.Position);
        directory.WriteTo(file);
        file.Write(end);
        return file.ToArray();
    }

    /// <summary>An archive with one thing wrong, by name.</summary>
    public static byte[] Broken(string how)
    {
        var manifest = new ZipPart("firing.json", APack.Manifest);
        byte[] With(ZipPart part) => Write(manifest, part);
        var sound = With(new ZipPart("a.txt", new string('a', 1000)) { Deflated = true });
        return how switch
        {
            "parent" => With(new ZipPart("../x")),
            "parent inside" => With(new ZipPart("a/../../x")),
            "absolute" => With(new ZipPart("/etc/x")),
            "drive" => With(new ZipPart("C:/x")),
            "backslash" => With(new ZipPart("..\\x")),
            "control" => With(new ZipPart("a\u0001b")),
            "device" => With(new ZipPart("aux.png")),
            "trailing dot" => With(new ZipPart("a./b")),
            "not normal" => With(new ZipPart("e\u0301.txt")),
            "not utf8" => With(new ZipPart([0x61, 0xFF, 0xFE], [1])),
            "link" => With(new ZipPart("link", "firing.json") { UnixMode = 0xA1FF }),
            "pipe" => With(new ZipPart("pipe", "") { UnixMode = 0x11A4 }),
            "repeated" => Write(manifest, new ZipPart("a.txt"), new ZipPart("a.txt")),
            "case" => Write(manifest, new ZipPart("a.txt"), new ZipPart("A.txt")),
            "file and folder" => Write(manifest, new ZipPart("a"), new ZipPart("a/", "") { UnixMode = 0x41ED }),
            "encrypted" => With(new ZipPart("a.txt") { Flags = (1 << 11) | 1 }),
            "method" => With(new ZipPart("a.txt") { Method = 14 }),
            "crc" => With(new ZipPart("a.txt") { Crc = 7 }),
            "crc deflated" => With(new ZipPart("a.txt", new string('a', 500)) { Deflated = true, Crc = 7 }),
            "longer than said" => With(new ZipPart("a.txt", new string('a', 500)) { Deflated = true, ClaimedLength = 400 }),
            "shorter than said" => With(new ZipPart("a.txt", new string('a', 500)) { Deflated = true, ClaimedLength = 600 }),
            "not deflate" => With(new ZipPart("a.txt", "\u0007\u0007\u0007") { Method = 8 }),
            "no zip" => Encoding.UTF8.GetBytes("this is a text and no archive"),
            "empty" => [],
            "cut in the directory" => sound[..^30],
            "cut in the data" => sound[..60],
            "cut in front" => sound[40..],
            _ => throw new ArgumentOutOfRangeException(nameof(how)),
        };
    }

    private static byte[] Deflate(byte[] bytes)
    {
        using var packed = new MemoryStream();
        using (var deflate = new DeflateStream(packed, CompressionLevel.Optimal, leaveOpen: true)) deflate.Write(bytes);
        return packed.ToArray();
    }
}
