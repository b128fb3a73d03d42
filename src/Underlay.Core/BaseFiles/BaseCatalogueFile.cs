using System.Text;
using Underlay.Core.Codebooks;
using Underlay.Core.Hosts;
using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.BaseFiles;

/// <summary>
/// Writes a base catalogue as one compact file and reads it back, so that a base is examined once. The file is a cache:
/// what cannot be read back is read from the base anew.
/// </summary>
public static class BaseCatalogueFile
{
    // Raised whenever the facts or their layout change.
    private const int Layout = 5;

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
            WritePicture(writer, file.Facts.Picture);
            var entry = file.Facts.Entry;
            writer.Write(entry is not null);
            if (entry is not null)
            {
                writer.Write(entry.Text.Utf8.Length);
                writer.Write(entry.Text.Utf8.Span);
            }
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
            var picture = ReadPicture(reader);
            // The base's own entries are sound or not as they were judged when read; only their text is needed again.
            var entry = reader.ReadBoolean() ? new EntryFacts(Entries.JsonText.Parse(reader.ReadBytes(reader.ReadInt32())), []) : null;
            // Tables and indexes are few and quickly read; they are not kept twice.
            var table = found?.Place is { Content: PlaceContent.Table, Table: { } shape } ? TableFacts.Of(read(path), shape) : null;
            var index = found?.Place is { Content: PlaceContent.Index, Index: { } form } ? IndexFacts.Of(read(path), form) : null;
            files.Add(
                new BaseFile(
                    path,
                    found?.Place,
                    found?.Bindings ?? Bindings.None,
                    new FileFacts(hash, length, picture, entry, table, index)));
        }

        var books = new Dictionary<string, Codebook>(StringComparer.Ordinal);
        for (var left = reader.ReadInt32(); left > 0; left--)
        {
            var key = reader.ReadString();
            var codes = new Code[reader.ReadInt32()];
            for (var i = 0; i < codes.Length; i++) codes[i] = new Code(reader.ReadString(), reader.ReadString());
            if (profile.Codebooks.FirstOrDefault(c => c.Key == key) is not { } rule) return null;
            books[key] = new Codebook(key, rule.Title, codes, rule.Also);
        }

        return new BaseCatalogue(edition, files, books, read);
    }

    private static void WritePicture(BinaryWriter writer, PictureFacts? picture)
    {
        writer.Write(picture is not null);
        if (picture is null) return;
        writer.Write(picture.Problem ?? "");
        writer.Write(picture.Header is not null);
        if (picture.Header is { } header)
        {
            writer.Write(header.Size.Width);
            writer.Write(header.Size.Height);
            writer.Write((byte)header.Colour);
            writer.Write(header.Interlaced);
            writer.Write(header.HasAlpha);
        }

        writer.Write(picture.Pixels is not null);
        if (picture.Pixels is not { } pixels) return;
        writer.Write((byte)pixels.Alpha);
        WritePixel(writer, pixels.FirstClear);
        WritePixel(writer, pixels.FirstPartial);
        WritePixel(writer, pixels.FirstUnclearBorder);
        writer.Write(pixels.UnclearBorderPixels);
        WritePixel(writer, pixels.FirstGreen);
        writer.Write(pixels.GreenPixels);
        WritePixel(writer, pixels.FirstTinted);
        writer.Write(pixels.BleedShare);
        writer.Write(pixels.Lettering is not null);
        if (pixels.Lettering is not var (contrast, stroke)) return;
        writer.Write(contrast);
        writer.Write(stroke);
    }

    private static PictureFacts? ReadPicture(BinaryReader reader)
    {
        if (!reader.ReadBoolean()) return null;
        var problem = reader.ReadString();
        var header = reader.ReadBoolean()
            ? new PictureHeader(
                new PixelSize(reader.ReadInt32(), reader.ReadInt32()),
                (PngColour)reader.ReadByte(),
                reader.ReadBoolean(),
                reader.ReadBoolean())
            : null;
        var pixels = reader.ReadBoolean()
            ? new PixelFacts(
                (AlphaUse)reader.ReadByte(),
                ReadPixel(reader),
                ReadPixel(reader),
                ReadPixel(reader),
                reader.ReadInt32(),
                ReadPixel(reader),
                reader.ReadInt32(),
                ReadPixel(reader),
                reader.ReadDouble(),
                reader.ReadBoolean() ? new Lettering(reader.ReadDouble(), reader.ReadDouble()) : null)
            : null;
        return new PictureFacts(problem.Length == 0 ? null : problem, header, pixels);
    }

    private static void WritePixel(BinaryWriter writer, PixelAt? pixel)
    {
        writer.Write(pixel?.X ?? -1);
        writer.Write(pixel?.Y ?? -1);
    }

    private static PixelAt? ReadPixel(BinaryReader reader)
    {
        var (x, y) = (reader.ReadInt32(), reader.ReadInt32());
        return x < 0 ? null : new PixelAt(x, y);
    }
}
