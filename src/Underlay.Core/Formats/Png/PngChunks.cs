using System.Buffers.Binary;
using System.IO.Hashing;
using System.Text;
using Underlay.Core.Images;

namespace Underlay.Core.Formats.Png;

/// <summary>
/// The chunk structure of a PNG, checked as hosts ask (docs/hosts.md, "PNG"): signature, order, CRCs of critical chunks, header values.
/// Nothing is inflated here.
/// </summary>
/// <remarks>PNG (Portable Network Graphics) Specification, second edition, sections 5 and 11.</remarks>
internal sealed class PngChunks
{
    /// <summary>The most pixels a side may have.</summary>
    public const int MaxSide = 4096;

    private readonly bool takesDeep;

    private PngChunks(bool takesDeep) => this.takesDeep = takesDeep;

    /// <summary>True for 16 bits a channel, which hosts do not read and sources may have.</summary>
    public bool IsDeep { get; private set; }

    /// <summary>Bytes of a pixel in a row.</summary>
    public int PixelBytes => Channels * (IsDeep ? 2 : 1);

    public PixelSize Size { get; private set; }

    public PngColour Colour { get; private set; }

    public bool Interlaced { get; private set; }

    /// <summary>Palette entries as red, green, blue; empty without a palette.</summary>
    public ReadOnlyMemory<byte> Palette { get; private set; }

    /// <summary>The data of a sound tRNS chunk that applies to the colour type; empty without.</summary>
    public ReadOnlyMemory<byte> Transparency { get; private set; }

    /// <summary>The data of the IDAT chunks, in order.</summary>
    public List<ReadOnlyMemory<byte>> Data { get; } = [];

    public int Channels => Colour switch
    {
        PngColour.Grey or PngColour.Palette => 1,
        PngColour.GreyAlpha => 2,
        PngColour.Rgb => 3,
        _ => 4,
    };

    public bool HasAlpha => Colour is PngColour.GreyAlpha or PngColour.Rgba || !Transparency.IsEmpty;

    public PictureHeader Header => new(Size, Colour, Interlaced, HasAlpha);

    private static ReadOnlySpan<byte> Signature => [0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A];

    /// <summary>True when the bytes begin as a PNG does.</summary>
    public static bool Begins(ReadOnlySpan<byte> bytes) => bytes.StartsWith(Signature);

    /// <summary>Reads the chunks. Returns what was read so far and the problem, if there is one.</summary>
    /// <param name="file">The file's bytes.</param>
    /// <param name="takesDeep">Whether 16 bits a channel are taken.</param>
    public static (PngChunks Chunks, string? Problem) Read(ReadOnlyMemory<byte> file, bool takesDeep = false)
    {
        var chunks = new PngChunks(takesDeep);
        return (chunks, chunks.Fill(file));
    }

    private string? Fill(ReadOnlyMemory<byte> file)
    {
        if (!Begins(file.Span)) return Foreign(file.Span);
        var at = Signature.Length;
        var hasHeader = false;
        var dataEnded = false;
        while (true)
        {
            var span = file.Span;
            if (span.Length - at < 12) return "it ends in the middle, before its IEND chunk";
            var length = BinaryPrimitives.ReadUInt32BigEndian(span[at..]);
            var type = span.Slice(at + 4, 4);
            foreach (var letter in type)
                if (!char.IsAsciiLetter((char)letter)) return $"a chunk's name at byte {at + 4} is not four letters";
            var name = Encoding.ASCII.GetString(type);
            if (length > (uint)(span.Length - at - 12)) return $"it ends in the middle of its {name} chunk";
            var data = file.Slice(at + 8, (int)length);
            var rightCrc = Crc32.HashToUInt32(span.Slice(at + 4, (int)length + 4)) == BinaryPrimitives
                .ReadUInt32BigEndian(span[(at + 8 + (int)length)..]);
            var critical = char.IsAsciiLetterUpper(name[0]);
            if (critical && !rightCrc) return $"its {name} chunk has a wrong CRC: the file was damaged";
            if (!hasHeader && name != "IHDR") return $"its first chunk is {name}, where IHDR is wanted";
            if (Data.Count > 0 && name != "IDAT") dataEnded = true;

            switch (name)
            {
                case "IHDR":
                    if (hasHeader) return "it has two IHDR chunks";
                    if (ReadHeader(data.Span) is { } problem) return problem;
                    hasHeader = true;
                    break;
                case "PLTE":
                    if (!Palette.IsEmpty) return "it has two PLTE chunks";
                    if (length is 0 or > 768 || length % 3 != 0)
                        return $"its PLTE chunk has {length} bytes, where 3 to 768 in threes are wanted";
                    Palette = data;
                    break;
                case "tRNS":
                    if (rightCrc && Transparency.IsEmpty && Data.Count == 0 && FitsTransparency(data.Length)) Transparency = data;
                    break;
                case "IDAT":
                    if (dataEnded) return "its IDAT chunks do not follow each other";
                    if (Colour == PngColour.Palette && Palette.IsEmpty) return "it has no palette before its pixels";
                    Data.Add(data);
                    break;
                case "IEND":
                    if (length != 0) return "its IEND chunk is not empty";
                    return Data.Count == 0 ? "it has no IDAT chunk, so no pixels" : null;
                default:
                    if (critical) return $"it has a critical chunk “{name}” that hosts do not know";
                    break;
            }

            at += 12 + (int)length;
        }
    }

    private bool FitsTransparency(int length) => Colour switch
    {
        PngColour.Grey => length == 2,
        PngColour.Rgb => length == 6,
        PngColour.Palette => length >= 1 && length <= Palette.Length / 3,
        _ => false,
    };

    private string? ReadHeader(ReadOnlySpan<byte> data)
    {
        if (data.Length != 13) return $"its IHDR chunk has {data.Length} bytes, where 13 are wanted";
        var width = BinaryPrimitives.ReadUInt32BigEndian(data);
        var height = BinaryPrimitives.ReadUInt32BigEndian(data[4..]);
        if (width is 0 or > MaxSide || height is 0 or > MaxSide)
            return $"its header says {width} x {height} pixels, where sides of 1 to {MaxSide} are wanted";
        IsDeep = takesDeep && data[8] == 16 && data[9] != 3;
        if (data[8] != 8 && !IsDeep) return $"it has {data[8]} bits a channel, where 8 are wanted";
        if (data[9] is not (0 or 2 or 3 or 4 or 6)) return $"its header names a colour type {data[9]}, which does not exist";
        if (data[10] != 0) return $"its header names a compression method {data[10]}, where 0 is wanted";
        if (data[11] != 0) return $"its header names a filter method {data[11]}, where 0 is wanted";
        if (data[12] > 1) return $"its header names an interlace method {data[12]}, where 0 or 1 is wanted";
        Size = new PixelSize((int)width, (int)height);
        Colour = (PngColour)data[9];
        Interlaced = data[12] == 1;
        return null;
    }

    /// <summary>Names what the bytes are when they are not a PNG: authors often only rename a file.</summary>
    private static string Foreign(ReadOnlySpan<byte> bytes)
    {
        if (bytes.IsEmpty) return "it is empty";
        if (bytes.StartsWith((ReadOnlySpan<byte>)[0xFF, 0xD8, 0xFF])) return "it is a JPEG under a PNG's name";
        if (bytes.StartsWith("GIF8"u8)) return "it is a GIF under a PNG's name";
        if (bytes.StartsWith("BM"u8)) return "it is a BMP under a PNG's name";
        if (bytes.StartsWith("DDS "u8)) return "it is a DDS under a PNG's name";
        if (bytes.Length > 12 && bytes.StartsWith("RIFF"u8) && bytes[8..].StartsWith("WEBP"u8)) return "it is a WebP under a PNG's name";
        return "it does not begin as a PNG does";
    }
}
