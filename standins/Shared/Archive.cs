using System.IO.Compression;
using System.Text;

namespace StandIns;

/// <summary>Opens ZIP archives as hosts do.</summary>
public static class Archive
{
    /// <summary>The largest package, in bytes.</summary>
    public const long MostBytes = 256L * 1024 * 1024;

    private static readonly HashSet<string> Devices = new(
        ["con", "prn", "aux", "nul", .. Enumerable.Range(0, 10).SelectMany(n => new[] { $"com{n}", $"lpt{n}" })],
        StringComparer.OrdinalIgnoreCase);

    /// <summary>The files of an archive, or the reason for which the host does not list it.</summary>
    /// <param name="stream">The archive.</param>
    /// <param name="storedOnly">True where nothing may be compressed.</param>
    public static (List<(string Path, byte[] Bytes)> Files, string? Reason) Read(Stream stream, bool storedOnly = false)
    {
        if (stream.Length > MostBytes) return ([], "too_big");
        try
        {
            using var zip = new ZipArchive(stream, ZipArchiveMode.Read, leaveOpen: true, new UTF8Encoding(false, true));
            if (HasUnsafeName(zip)) return ([], "unsafe");
            if (zip.Entries.Sum(e => (decimal)e.Length) > 16 * MostBytes) return ([], "damaged");
            if (storedOnly && !IsStored(stream, zip.Entries.Count)) return ([], "damaged");
            return ([.. zip.Entries.Where(e => !IsFolder(e)).Select(e => (e.FullName, ReadEntry(e)))], null);
        }
        catch (DecoderFallbackException)
        {
            return ([], "unsafe");
        }
        catch (Exception problem)
            when (
                problem is InvalidDataException or EndOfStreamException or NotSupportedException or IOException
                    or OverflowException or ArgumentException)
        {
            return ([], "damaged");
        }
    }

    /// <summary>Looks into the central directory, whose end is 22 bytes and a comment: method 0 for every entry.</summary>
    private static bool IsStored(Stream stream, int entries)
    {
        var bytes = new byte[stream.Length];
        stream.Position = 0;
        stream.ReadExactly(bytes);
        var end = bytes.AsSpan().LastIndexOf((ReadOnlySpan<byte>)[0x50, 0x4B, 5, 6]);
        var at = (int)BitConverter.ToUInt32(bytes, end + 16);
        for (; entries > 0; entries--)
        {
            if (BitConverter.ToUInt16(bytes, at + 10) != 0) return false;
            at += 46
                + BitConverter.ToUInt16(bytes, at + 28)
                + BitConverter.ToUInt16(bytes, at + 30)
                + BitConverter.ToUInt16(bytes, at + 32);
        }

        return true;
    }

    /// <summary>True when a path may stand in a package.</summary>
    public static bool IsSafe(string path) =>
        path.Length is > 0 and <= 400
        && path.IndexOfAny(['\\', ':', '*', '?', '"', '<', '>', '|']) < 0
        && !path.Any(c => char.IsControl(c) || c == '\uFFFD')
        && path.Split('/').All(IsSafeSegment)
        && IsNormal(path);

    private static IEnumerable<string> Above(string path)
    {
        while ((path = path[..Math.Max(0, path.LastIndexOf('/'))]).Length > 0) yield return path;
    }

    private static bool IsFolder(ZipArchiveEntry entry) => entry.FullName.EndsWith('/');

    private static bool HasUnsafeName(ZipArchive zip)
    {
        var seen = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        foreach (var entry in zip.Entries)
        {
            var path = IsFolder(entry) ? entry.FullName[..^1] : entry.FullName;
            // The upper four bits of a Unix mode: 8 a plain file, 4 a folder.
            var unixType = (entry.ExternalAttributes >> 28) & 15;
            var plain = unixType is 0 or 8 || (unixType == 4 && IsFolder(entry));
            if (!plain || !IsSafe(path) || !seen.Add(path)) return true;
        }

        // Nothing lies below a file.
        var files = zip.Entries.Where(e => !IsFolder(e)).Select(e => e.FullName).ToHashSet(StringComparer.OrdinalIgnoreCase);
        return zip.Entries.Any(e => Above(e.FullName.TrimEnd('/')).Any(files.Contains));
    }

    private static bool IsSafeSegment(string segment) =>
        segment.Length > 0 && segment is not ("." or "..") && segment[^1] is not ('.' or ' ') && !Devices.Contains(segment.Split('.')[0]);

    private static bool IsNormal(string path)
    {
        try
        {
            return path.IsNormalized(NormalizationForm.FormC);
        }
        catch (ArgumentException)
        {
            return false;
        }
    }

    private static byte[] ReadEntry(ZipArchiveEntry entry)
    {
        if (entry.IsEncrypted) throw new InvalidDataException();
        using var packed = entry.Open();
        using var bytes = new MemoryStream();
        var buffer = new byte[65536];
        while (packed.Read(buffer) is var read && read > 0)
        {
            bytes.Write(buffer, 0, read);
            if (bytes.Length > entry.Length) throw new InvalidDataException();
        }

        if (bytes.Length != entry.Length || Crc(bytes.ToArray()) != entry.Crc32) throw new InvalidDataException();
        return bytes.ToArray();
    }

    private static uint Crc(byte[] bytes)
    {
        var c = 0xFFFFFFFF;
        foreach (var b in bytes)
        {
            c ^= b;
            for (var k = 0; k < 8; k++) c = (c & 1) != 0 ? 0xEDB88320 ^ (c >> 1) : c >> 1;
        }

        return ~c;
    }
}
