using System.Formats.Tar;
using System.Security.Cryptography;
using System.Text;
using StandIns;
using Tomlyn;
using Tomlyn.Model;
using Tomlyn.Parsing;

namespace Wrenfield;

/// <summary>
/// A guide package: its manifest, its files with the plates out of their folios, or the reason for which it is not listed.
/// </summary>
public sealed class Guide
{
    private const string ManifestPath = "guide.toml";

    private Guide(string name, string? reason) => (Name, Reason) = (name, reason);

    /// <summary>The package's file name.</summary>
    public string Name { get; }

    /// <summary>Why it is not listed, as far as the file alone tells.</summary>
    public string? Reason { get; private set; }

    /// <summary>The guide's id.</summary>
    public string? Id { get; private set; }

    /// <summary>The printing that it is for.</summary>
    public double Printing { get; private set; }

    /// <summary>Its files, plates under their own paths.</summary>
    public Dictionary<string, byte[]> Files { get; } = new(StringComparer.Ordinal);

    /// <summary>True when a folio could not be used.</summary>
    public bool LacksFolio { get; private set; }

    /// <summary>Opens a package.</summary>
    public static Guide Open(string name, Stream stream)
    {
        if (!name.EndsWith(".wrenfield", StringComparison.Ordinal)) return new Guide(name, "ending");
        var (files, reason) = Archive.Read(stream, storedOnly: true);
        var guide = new Guide(name, reason);
        if (reason is not null) return guide;
        foreach (var (path, bytes) in files)
            if (!path.StartsWith(".underlay/", StringComparison.Ordinal)) guide.Files[path] = bytes;
        if (guide.Files.TryGetValue(ManifestPath, out var manifest)) guide.Reason = guide.ReadManifest(manifest);
        else guide.Reason = guide.IsWrapped() ? "wrapped" : "missing";
        return guide;
    }

    private bool IsWrapped() =>
        Files.Keys.Where(p => p.EndsWith("/" + ManifestPath, StringComparison.Ordinal))
            .Any(m => Files.Keys.All(p => p.StartsWith(m[..^ManifestPath.Length], StringComparison.Ordinal)));

    private string? ReadManifest(byte[] bytes)
    {
        TomlTable root;
        try
        {
            if (bytes.Length > 16 * 1024 * 1024) return "unreadable";
            var text = new UTF8Encoding(false, true).GetString(bytes);
            SyntaxParser.ParseStrict(text, validate: true);
            root = TomlSerializer.Deserialize<TomlTable>(text) ?? [];
        }
        catch (Exception problem) when (problem is TomlException or DecoderFallbackException)
        {
            return "unreadable";
        }

        if (Value(root, "guide") is not TomlTable guide) return "rejected";
        var accepted = Value(guide, "id") is string id && Guid.TryParseExact(id, "D", out _) && id.All(c => !char.IsAsciiLetterUpper(c))
            && Value(guide, "title") is string { Length: > 0 }
            && Value(guide, "author") is string { Length: > 0 }
            && IsWhole(Value(guide, "printing"), out var printing)
            && IsWhole(Value(guide, "version"), out _)
            && (!guide.ContainsKey("about") || guide["about"] is string);
        if (!accepted) return "rejected";
        Id = (string)guide["id"];
        Printing = Convert.ToDouble(guide["printing"], System.Globalization.CultureInfo.InvariantCulture);
        if (!root.ContainsKey("folio")) return null;
        if (root["folio"] is not TomlTableArray folios) return "rejected";
        foreach (var folio in folios)
        {
            if (Value(folio, "file") is not string file || Value(folio, "sha256") is not string hash) return "rejected";
            if (!OpenFolio(file, hash)) LacksFolio = true;
        }

        return null;
    }

    private static object? Value(TomlTable table, string key) => table.TryGetValue(key, out var value) ? value : null;

    private static bool IsWhole(object? value, out double number)
    {
        number = value switch { long whole => whole, double real => real, _ => 0 };
        return number >= 1 && number == Math.Floor(number) && number < 1e28;
    }

    private bool OpenFolio(string file, string hash)
    {
        if (!Files.Remove(file, out var bytes) || !Convert.ToHexStringLower(SHA256.HashData(bytes)).Equals(hash, StringComparison.Ordinal))
            return false;
        try
        {
            var plates = new Dictionary<string, byte[]>(StringComparer.Ordinal);
            using var tar = new TarReader(new MemoryStream(bytes));
            while (tar.GetNextEntry() is { } entry)
            {
                if (entry.EntryType is not (TarEntryType.RegularFile or TarEntryType.V7RegularFile)) return false;
                if (!entry.Name.StartsWith("plates/", StringComparison.Ordinal) || !Archive.IsSafe(entry.Name)) return false;
                using var data = new MemoryStream();
                entry.DataStream?.CopyTo(data);
                plates[entry.Name] = data.ToArray();
            }

            if (plates.Count is 0 or > 64) return false;
            foreach (var (path, plate) in plates) Files[path] = plate;
            return true;
        }
        catch (Exception problem)
            when (problem is InvalidDataException or EndOfStreamException or FormatException or IOException or NotSupportedException)
        {
            return false;
        }
    }
}
