using System.Formats.Tar;
using System.IO.Compression;
using System.Text;
using Underlay.Core.Packaging;

namespace Underlay.Testing.Fuzzing;

/// <summary>The archives that are read.</summary>
public static class ArchiveIntakes
{
    private static readonly (string Name, byte[] Bytes)[] Files =
        [
            ("firing.json", Encoding.UTF8.GetBytes(APack.Manifest)),
            ("art/surfaces/quartz.png", Picture.Of(64, 64).ToPng()),
            ("tables/seals.csv", "code,do\ntide,add\n"u8.ToArray()),
        ];

    /// <summary>A format each.</summary>
    public static IReadOnlyList<Intake> All { get; } =
    [
        new("zip", [Zip(CompressionLevel.Optimal), Zip(CompressionLevel.NoCompression), Zip64(20), Zip64(long.MaxValue)], Read),
        new("tar", [Tar(TarEntryFormat.Ustar), Tar(TarEntryFormat.Pax), Tar(TarEntryFormat.Gnu), Tar(TarEntryFormat.V7)], Read, MendTar),
    ];

    private static void Read(byte[] bytes)
    {
        if (PackArchive.IsRead(bytes.AsSpan(0, Math.Min(bytes.Length, PackArchive.HeadBytes))) && PackArchive.FindOther(bytes) is { } other)
            throw new InvalidDataException($"both read and {other}");
        var read = PackArchive.Read(bytes, ArchiveLimits.Standard);
        if (read.Tree is null) PackIntake.AssertWords(read.Problem?.Says);
        else foreach (var file in read.Tree.Files) file.ReadAll();
        foreach (var profile in new[] { Repository.Kilnmoor, Repository.Wrenfield })
        {
            var opened = PackArchive.Open(profile, bytes, ArchiveLimits.Standard);
            if (opened.Problem is { } problem) PackIntake.AssertWords(problem.Says);
        }

        if (read.Tree is { } tree) PackIntake.Check(new APack(tree.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll())));
    }

    private static byte[] Zip(CompressionLevel level)
    {
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, bytes) in Files)
            {
                using var entry = zip.CreateEntry(name, level).Open();
                entry.Write(bytes);
            }
        }

        return file.ToArray();
    }

    /// <summary>One stored file of 20 bytes, whose lengths and start stand in a ZIP64 field, in about 150 bytes.</summary>
    /// <param name="packed">The packed length that it claims.</param>
    public static byte[] Zip64(long packed)
    {
        using var file = new MemoryStream();
        using var to = new BinaryWriter(file);
        var name = "a.json"u8;
        var data = "{ \"id\": \"saltbrook\" }"u8[..20];
        void Field(long start)
        {
            to.Write((ushort)1);
            to.Write((ushort)24);
            to.Write(20L);
            to.Write(packed);
            to.Write(start);
        }

        to.Write(0x04034b50);
        to.Write([45, 0, 0, 8, 0, 0, 0, 0, 33, 0]);
        to.Write(System.IO.Hashing.Crc32.HashToUInt32(data));
        to.Write(20);
        to.Write(20);
        to.Write((ushort)name.Length);
        to.Write((ushort)0);
        to.Write(name);
        to.Write(data);
        var directory = (int)file.Position;
        to.Write(0x02014b50);
        to.Write([45, 3, 45, 0, 0, 8, 0, 0, 0, 0, 33, 0]);
        to.Write(System.IO.Hashing.Crc32.HashToUInt32(data));
        to.Write(-1);
        to.Write(-1);
        to.Write((ushort)name.Length);
        to.Write((ushort)28);
        to.Write(new byte[6]);
        to.Write(0x81A4 << 16);
        to.Write(-1);
        to.Write(name);
        Field(0);
        var length = (int)file.Position - directory;
        to.Write(0x06054b50);
        to.Write(0);
        to.Write((ushort)1);
        to.Write((ushort)1);
        to.Write(length);
        to.Write(directory);
        to.Write((ushort)0);
        return file.ToArray();
    }

    private static byte[] Tar(TarEntryFormat format)
    {
        using var file = new MemoryStream();
        using (var tar = new TarWriter(file, format, leaveOpen: true))
        {
            foreach (var (name, bytes) in Files)
            {
                var type = format == TarEntryFormat.V7 ? TarEntryType.V7RegularFile : TarEntryType.RegularFile;
                TarEntry entry = format switch
                {
                    TarEntryFormat.Ustar => new UstarTarEntry(type, name),
                    TarEntryFormat.Pax => new PaxTarEntry(type, name),
                    TarEntryFormat.Gnu => new GnuTarEntry(type, name),
                    _ => new V7TarEntry(type, name),
                };
                entry.DataStream = new MemoryStream(bytes);
                tar.WriteEntry(entry);
            }
        }

        return file.ToArray();
    }

    /// <summary>Makes the sum over the first header right again, which all of the reading hangs on.</summary>
    private static byte[] MendTar(byte[] tar)
    {
        if (tar.Length < 512) return tar;
        tar.AsSpan(148, 8).Fill((byte)' ');
        var sum = 0;
        foreach (var b in tar.AsSpan(0, 512)) sum += b;
        Encoding.ASCII.GetBytes(Convert.ToString(sum, 8).PadLeft(6, '0') + "\0 ").CopyTo(tar, 148);
        return tar;
    }
}
