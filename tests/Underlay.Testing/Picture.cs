using System.Buffers.Binary;
using System.IO.Compression;
using System.IO.Hashing;
using System.Text;

namespace Underlay.Testing;

/// <summary>A pixel: red, green, blue, alpha.</summary>
public readonly record struct Pixel(byte R, byte G, byte B, byte A);

/// <summary>A picture made for a test, encoded by a writer of the tests' own: any colour type, filter and interlace.</summary>
public sealed record Picture(int Width, int Height, Func<int, int, Pixel> At)
{
    /// <summary>PNG colour type: 0, 2, 3, 4 or 6.</summary>
    public int ColourType { get; init; } = 6;

    public bool Interlaced { get; init; }

    /// <summary>Row filter 0 to 4, by row number.</summary>
    public Func<int, int> Filter { get; init; } = _ => 0;

    /// <summary>Into how many IDAT chunks the data is cut.</summary>
    public int DataChunks { get; init; } = 1;

    /// <summary>tRNS data, or null.</summary>
    public byte[]? Transparency { get; init; }

    public static Picture Of(int width, int height) => new(width, height, (x, y) => new Pixel((byte)(x * 5), (byte)(y * 3), 90, 255));

    public static Picture Filled(int width, int height, Pixel pixel) => new(width, height, (_, _) => pixel);

    /// <summary>A picture with a clear ring, as shelf pictures want it.</summary>
    public static Picture Shelf(int width = 56, int height = 56) => Of(width, height).WithClearRing();

    /// <summary>A glaze mask: body in blue, rim in red.</summary>
    public static Picture Mask(int width = 64, int height = 64) =>
        new(width, height, (_, y) => y < 9 ? new Pixel(255, 0, 0, 255) : new Pixel(0, 0, 255, 255));

    public Picture WithClearRing() =>
        this with { At = (x, y) => x == 0 || y == 0 || x == Width - 1 || y == Height - 1 ? new Pixel(0, 0, 0, 0) : At(x, y) };

    public Picture With(int x, int y, Pixel pixel) => this with { At = (px, py) => px == x && py == y ? pixel : At(px, py) };

    public byte[] ToPng() => Chunks().ToBytes();

    public PngParts Chunks()
    {
        var palette = new List<Pixel>();
        var rows = Encode(palette);
        var zlib = Deflate(rows);
        var parts = new PngParts();
        var header = new byte[13];
        BinaryPrimitives.WriteInt32BigEndian(header, Width);
        BinaryPrimitives.WriteInt32BigEndian(header.AsSpan(4), Height);
        (header[8], header[9], header[12]) = (8, (byte)ColourType, (byte)(Interlaced ? 1 : 0));
        parts.Add("IHDR", header);
        if (ColourType == 3)
        {
            parts.Add("PLTE", [.. palette.SelectMany(p => new[] { p.R, p.G, p.B })]);
            if (palette.Any(p => p.A != 255)) parts.Add("tRNS", [.. palette.Select(p => p.A)]);
        }

        if (Transparency is { } clear) parts.Add("tRNS", clear);
        var size = (zlib.Length + DataChunks - 1) / DataChunks;
        foreach (var part in zlib.Chunk(Math.Max(1, size))) parts.Add("IDAT", part);
        parts.Add("IEND", []);
        return parts;
    }

    public static byte[] Deflate(byte[] rows)
    {
        using var packed = new MemoryStream();
        using (var zlib = new ZLibStream(packed, CompressionLevel.Fastest, leaveOpen: true)) zlib.Write(rows);
        return packed.ToArray();
    }

    private byte[] Encode(List<Pixel> palette)
    {
        using var rows = new MemoryStream();
        (int X, int Y, int Dx, int Dy)[] passes = Interlaced
            ? [(0, 0, 8, 8), (4, 0, 8, 8), (0, 4, 4, 8), (2, 0, 4, 4), (0, 2, 2, 4), (1, 0, 2, 2), (0, 1, 1, 2)]
            : [(0, 0, 1, 1)];
        var channels = ColourType switch { 0 or 3 => 1, 4 => 2, 2 => 3, _ => 4 };
        foreach (var (x0, y0, dx, dy) in passes)
        {
            if (x0 >= Width || y0 >= Height) continue;
            var above = Array.Empty<byte>();
            for (var y = y0; y < Height; y += dy)
            {
                var row = new List<byte>();
                for (var x = x0; x < Width; x += dx) row.AddRange(Samples(At(x, y), palette));
                var line = row.ToArray();
                if (above.Length == 0) above = new byte[line.Length];
                var filter = Filter(y);
                rows.WriteByte((byte)filter);
                for (var i = 0; i < line.Length; i++) rows.WriteByte((byte)(line[i] - Predict(filter, line, above, i, channels)));
                above = line;
            }
        }

        return rows.ToArray();
    }

    private static int Predict(int filter, byte[] line, byte[] above, int i, int channels)
    {
        int a = i < channels ? 0 : line[i - channels], b = above[i], c = i < channels ? 0 : above[i - channels];
        switch (filter)
        {
            case 1: return a;
            case 2: return b;
            case 3: return (a + b) / 2;
            case 4:
                int p = a + b - c, pa = Math.Abs(p - a), pb = Math.Abs(p - b), pc = Math.Abs(p - c);
                return pa <= pb && pa <= pc ? a : pb <= pc ? b : c;
            default: return 0;
        }
    }

    private byte[] Samples(Pixel p, List<Pixel> palette)
    {
        switch (ColourType)
        {
            case 0: return [p.R];
            case 2: return [p.R, p.G, p.B];
            case 4: return [p.R, p.A];
            case 6: return [p.R, p.G, p.B, p.A];
            default:
                var index = palette.IndexOf(p);
                if (index < 0)
                {
                    index = palette.Count;
                    palette.Add(p);
                }

                return [(byte)index];
        }
    }
}

/// <summary>The chunks of a PNG, to be broken by tests.</summary>
public sealed class PngParts
{
    public List<(string Type, byte[] Data)> Chunks { get; } = [];

    /// <summary>Indices of chunks that get a wrong CRC.</summary>
    public HashSet<int> WrongCrc { get; } = [];

    public void Add(string type, byte[] data) => Chunks.Add((type, data));

    public int IndexOf(string type) => Chunks.FindIndex(c => c.Type == type);

    public byte[] ToBytes()
    {
        using var file = new MemoryStream();
        file.Write([137, 80, 78, 71, 13, 10, 26, 10]);
        for (var i = 0; i < Chunks.Count; i++)
        {
            var (type, data) = Chunks[i];
            var chunk = new byte[data.Length + 12];
            BinaryPrimitives.WriteInt32BigEndian(chunk, data.Length);
            Encoding.Latin1.GetBytes(type, chunk.AsSpan(4));
            data.CopyTo(chunk, 8);
            var crc = Crc32.HashToUInt32(chunk.AsSpan(4, data.Length + 4));
            BinaryPrimitives.WriteUInt32BigEndian(chunk.AsSpan(data.Length + 8), WrongCrc.Contains(i) ? ~crc : crc);
            file.Write(chunk);
        }

        return file.ToArray();
    }
}
