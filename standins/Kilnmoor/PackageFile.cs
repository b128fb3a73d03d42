using System.IO.Compression;
using System.Text;

namespace Kilnmoor;

/// <summary>A package file: its layer and manifest, or the reason for which it is not listed.</summary>
public sealed class PackageFile
{
    /// <summary>The largest package, in bytes.</summary>
    public const long MostBytes = 256L * 1024 * 1024;

    private static readonly HashSet<string> Devices = new(
        ["con", "prn", "aux", "nul", .. Enumerable.Range(0, 10).SelectMany(n => new[] { $"com{n}", $"lpt{n}" })],
        StringComparer.OrdinalIgnoreCase);

    private PackageFile(string name, Layer? layer, Manifest? manifest, string? reason)
    {
        Name = name;
        Layer = layer;
        Manifest = manifest;
        Reason = reason;
    }

    /// <summary>The file's name.</summary>
    public string Name { get; }

    /// <summary>Its files, when it could be opened.</summary>
    public Layer? Layer { get; }

    /// <summary>Its manifest, when that was accepted.</summary>
    public Manifest? Manifest { get; }

    /// <summary>Why it is not listed, as far as the file alone tells.</summary>
    public string? Reason { get; }

    /// <summary>Opens a package.</summary>
    public static PackageFile Open(string name, Stream stream)
    {
        if (stream.Length > MostBytes) return new PackageFile(name, null, null, "too_big");
        List<(string Path, byte[] Bytes)> files;
        try
        {
            using var zip = new ZipArchive(stream, ZipArchiveMode.Read, leaveOpen: true, new UTF8Encoding(false, true));
            if (HasUnsafeName(zip)) return new PackageFile(name, null, null, "unsafe");
            if (zip.Entries.Sum(e => (decimal)e.Length) > 16 * MostBytes) return new PackageFile(name, null, null, "damaged");
            files = [.. zip.Entries.Where(e => !IsFolder(e)).Select(e => (e.FullName, ReadEntry(e)))];
        }
        catch (DecoderFallbackException)
        {
            return new PackageFile(name, null, null, "unsafe");
        }
        catch (Exception problem) when (problem is InvalidDataException or EndOfStreamException or NotSupportedException or IOException or OverflowException or ArgumentException)
        {
            return new PackageFile(name, null, null, "damaged");
        }

        var layer = Layer.OfPackage(name, files);
        if (!layer.Files.TryGetValue("firing.json", out var manifestFile)) return new PackageFile(name, layer, null, IsWrapped(layer) ? "wrapped" : "missing");
        var (manifest, problemCode) = Manifest.Read(manifestFile.Bytes);
        return new PackageFile(name, layer, manifest, problemCode);
    }

    private static bool IsFolder(ZipArchiveEntry entry) => entry.FullName.EndsWith('/');

    private static bool IsWrapped(Layer layer)
    {
        var folders = layer.Files.Keys.Where(p => p.EndsWith("/firing.json", StringComparison.Ordinal)).Select(p => p[..^"firing.json".Length]);
        return folders.Any(folder => layer.Files.Keys.All(p => p.StartsWith(folder, StringComparison.Ordinal)));
    }

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

        return false;
    }

    private static bool IsSafe(string path) =>
        path.Length is > 0 and <= 400
        && path.IndexOfAny(['\\', ':', '*', '?', '"', '<', '>', '|']) < 0
        && !path.Any(c => char.IsControl(c) || c == '\uFFFD')
        && path.Split('/').All(IsSafeSegment)
        && IsNormal(path);

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
