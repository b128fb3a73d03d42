using System.Text;
using Underlay.Core.BaseFiles.Contents;
using Underlay.Core.Codebooks;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.BaseFiles;

/// <summary>
/// Writes a base catalogue as one compact file and reads it back, so that a base is examined once. The file is a cache:
/// what cannot be read back is read from the base anew.
/// </summary>
public static class BaseCatalogueFile
{
    // Raised whenever the facts or their layout change.
    private const int Layout = 10;

    /// <summary>Writes a catalogue.</summary>
    public static void Write(BaseCatalogue catalogue, Stream output)
    {
        using var writer = new BinaryWriter(output, Encoding.UTF8, leaveOpen: true);
        writer.Write(Layout);
        writer.Write(catalogue.Edition.Key);
        writer.Write(catalogue.Files.Count);
        foreach (var file in catalogue.Files)
        {
            writer.Write(file.Path.Value);
            writer.Write(file.Facts.Hash.Hex);
            writer.Write(file.Facts.Length);
            if (file.Place is { } place) ContentReader.Of(place.Content).Write(writer, file.Facts.Content!);
        }

        writer.Write(catalogue.Codebooks.Count);
        foreach (var book in catalogue.Codebooks.Values)
        {
            writer.Write(book.Key);
            writer.Write(book.Codes.Count);
            foreach (var code in book.Codes)
            {
                writer.Write(code.Value);
                writer.Write(code.Name);
                writer.Write(code.More.Count);
                foreach (var (column, says) in code.More)
                {
                    writer.Write(column);
                    writer.Write(says);
                }
            }
        }
    }

    /// <summary>Reads a catalogue back, or null when the file is of another layout, edition or profile, or broken.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition that the catalogue has to be of.</param>
    /// <param name="input">What was written.</param>
    /// <param name="read">Gives the bytes of a file of the base.</param>
    public static BaseCatalogue? Read(HostProfile profile, Edition edition, Stream input, Func<PackPath, byte[]> read)
    {
        try
        {
            using var reader = new BinaryReader(input, Encoding.UTF8, leaveOpen: true);
            return reader.ReadInt32() == Layout && reader.ReadString() == edition.Key ? ReadBody(profile, edition, reader, read) : null;
        }
        catch (Exception problem) when (problem is IOException or FormatException or ArgumentException)
        {
            return null;
        }
    }

    private static BaseCatalogue? ReadBody(HostProfile profile, Edition edition, BinaryReader reader, Func<PackPath, byte[]> read)
    {
        var files = new List<BaseFile>();
        for (var left = reader.ReadInt32(); left > 0; left--)
        {
            var path = PackPath.Parse(reader.ReadString());
            var found = profile.Locate(path, edition);
            var hash = ContentHash.Parse(reader.ReadString());
            var length = reader.ReadInt64();
            var content = found?.Place is { } place ? ContentReader.Of(place.Content).ReadBack(reader, place, () => read(path)) : null;
            files.Add(new BaseFile(path, found?.Place, found?.Bindings ?? Bindings.None, new FileFacts(hash, length, content)));
        }

        var books = new Dictionary<string, Codebook>(StringComparer.Ordinal);
        for (var left = reader.ReadInt32(); left > 0; left--)
        {
            var key = reader.ReadString();
            var codes = new Code[reader.ReadInt32()];
            for (var i = 0; i < codes.Length; i++) codes[i] = ReadCode(reader);
            if (profile.Codebooks.FirstOrDefault(c => c.Key == key) is not { } rule) return null;
            books[key] = new Codebook(key, rule.Title, codes, rule.Also);
        }

        return new BaseCatalogue(edition, files, books, read);
    }

    private static Code ReadCode(BinaryReader reader)
    {
        var (value, name) = (reader.ReadString(), reader.ReadString());
        var more = new Dictionary<string, string>(StringComparer.Ordinal);
        for (var left = reader.ReadInt32(); left > 0; left--) more[reader.ReadString()] = reader.ReadString();
        return new Code(value, name, more);
    }
}
