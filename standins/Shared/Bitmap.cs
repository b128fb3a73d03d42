using System.Buffers.Binary;
using System.IO.Compression;

namespace StandIns;

/// <summary>A picture as a host reads it: every pixel as red, green, blue, alpha.</summary>
public sealed class Bitmap
{
    private static readonly uint[] CrcTable = MakeCrcTable();

    private readonly byte[] pixels;

    private Bitmap(int width, int height, int colourType, byte[] pixels)
    {
        Width = width;
        Height = height;
        ColourType = colourType;
        this.pixels = pixels;
    }

    /// <summary>Pixels across.</summary>
    public int Width { get; }

    /// <summary>Pixels down.</summary>
    public int Height { get; }

    /// <summary>0, 2, 3, 4 or 6.</summary>
    public int ColourType { get; }

    /// <summary>A pixel's alpha.</summary>
    public byte Alpha(int x, int y) => pixels[(((y * Width) + x) * 4) + 3];

    /// <summary>A pixel's red, green and blue.</summary>
    public (byte Red, byte Green, byte Blue) Colour(int x, int y)
    {
        var at = ((y * Width) + x) * 4;
        return (pixels[at], pixels[at + 1], pixels[at + 2]);
    }

    /// <summary>A picture of which only the size matters.</summary>
    public static Bitmap OfSize(int width, int height) => new(width, height, 6, new byte[width * height * 4]);

    /// <summary>True when a test holds for every pixel.</summary>
    public bool All(Func<int, int, bool> test)
    {
        for (var y = 0; y < Height; y++)
            for (var x = 0; x < Width; x++)
                if (!test(x, y)) return false;
        return true;
    }

    /// <summary>Reads a PNG; null when the host cannot.</summary>
    public static Bitmap? Read(byte[] file)
    {
        try
        {
            return new Reader(file).Read();
        }
        catch (UnreadableException)
        {
            return null;
        }
        catch (InvalidDataException)
        {
            return null;
        }
    }

    private static uint[] MakeCrcTable()
    {
        var table = new uint[256];
        for (uint n = 0; n < 256; n++)
        {
            var c = n;
            for (var k = 0; k < 8; k++) c = (c & 1) != 0 ? 0xEDB88320 ^ (c >> 1) : c >> 1;
            table[n] = c;
        }

        return table;
    }

    private sealed class UnreadableException : Exception;

    private sealed class Reader(byte[] file)
    {
        private int width, height, type, interlace;
        private byte[] palette = [];
        private byte[] clear = [];
        private readonly List<byte> data = [];

        public Bitmap Read()
        {
            byte[] signature = [137, 80, 78, 71, 13, 10, 26, 10];
            Demand(file.AsSpan().StartsWith(signature));
            ReadChunks();
            var channels = type switch { 0 or 3 => 1, 4 => 2, 2 => 3, _ => 4 };
            var raw = Inflate(PassSizes(channels).Sum(p => p.Rows * (p.RowBytes + 1)));
            var pixels = new byte[width * height * 4];
            var at = 0;
            foreach (var pass in PassSizes(channels))
            {
                var previous = new byte[pass.RowBytes];
                for (var row = 0; row < pass.Rows; row++)
                {
                    var line = Unfilter(raw, at, pass.RowBytes, channels, previous);
                    at += pass.RowBytes + 1;
                    for (var i = 0; i < pass.Columns; i++)
                        Put(pixels, pass.X + (i * pass.StepX), pass.Y + (row * pass.StepY), line, i * channels);
                    previous = line;
                }
            }

            return new Bitmap(width, height, type, pixels);
        }

        private static void Demand(bool holds)
        {
            if (!holds) throw new UnreadableException();
        }

        private void ReadChunks()
        {
            var at = 8;
            bool seenHeader = false, seenData = false, afterData = false, seenPalette = false, seenClear = false;
            while (true)
            {
                Demand(at + 12 <= file.Length);
                var length = BinaryPrimitives.ReadUInt32BigEndian(file.AsSpan(at));
                Demand(length <= file.Length - at - 12);
                var name = file.AsSpan(at + 4, 4).ToArray();
                Demand(name.All(b => b is >= (byte)'A' and <= (byte)'Z' or >= (byte)'a' and <= (byte)'z'));
                var body = file.AsSpan(at + 8, (int)length).ToArray();
                var rightCrc = Crc(
                    file.AsSpan(at + 4, (int)length + 4)) == BinaryPrimitives.ReadUInt32BigEndian(file.AsSpan(at + 8 + (int)length));
                var critical = name[0] is >= (byte)'A' and <= (byte)'Z';
                Demand(rightCrc || !critical);
                var tag = System.Text.Encoding.ASCII.GetString(name);
                Demand(seenHeader || tag == "IHDR");
                if (seenData && tag != "IDAT") afterData = true;
                if (tag == "IHDR")
                {
                    Demand(!seenHeader && length == 13);
                    seenHeader = true;
                    ReadHeader(body);
                }
                else if (tag == "PLTE")
                {
                    Demand(!seenPalette && length > 0 && length <= 768 && length % 3 == 0);
                    seenPalette = true;
                    palette = body;
                }
                else if (tag == "tRNS")
                {
                    var fits = type switch
                    {
                        0 => length == 2,
                        2 => length == 6,
                        3 => length >= 1 && length <= palette.Length / 3,
                        _ => false,
                    };
                    if (rightCrc && fits && !seenClear && !seenData)
                    {
                        seenClear = true;
                        clear = body;
                    }
                }
                else if (tag == "IDAT")
                {
                    Demand(!afterData && (type != 3 || seenPalette));
                    seenData = true;
                    data.AddRange(body);
                }
                else if (tag == "IEND")
                {
                    Demand(length == 0 && seenData);
                    return;
                }
                else Demand(!critical);
                at += 12 + (int)length;
            }
        }

        private void ReadHeader(byte[] body)
        {
            var w = BinaryPrimitives.ReadUInt32BigEndian(body);
            var h = BinaryPrimitives.ReadUInt32BigEndian(body.AsSpan(4));
            Demand(w is >= 1 and <= 4096 && h is >= 1 and <= 4096);
            Demand(body[8] == 8 && body[9] is 0 or 2 or 3 or 4 or 6 && body[8] == 8);
            Demand(body[10] == 0 && body[11] == 0 && body[12] <= 1);
            (width, height, type, interlace) = ((int)w, (int)h, body[9], body[12]);
        }

        private IEnumerable<(int X, int Y, int StepX, int StepY, int Columns, int Rows, int RowBytes)> PassSizes(int channels)
        {
            (int, int, int, int)[] starts = interlace == 0
                ? [(0, 0, 1, 1)]
                : [(0, 0, 8, 8), (4, 0, 8, 8), (0, 4, 4, 8), (2, 0, 4, 4), (0, 2, 2, 4), (1, 0, 2, 2), (0, 1, 1, 2)];
            foreach (var (x, y, stepX, stepY) in starts)
            {
                var columns = Math.Max(0, (width - x + stepX - 1) / stepX);
                var rows = Math.Max(0, (height - y + stepY - 1) / stepY);
                if (columns > 0 && rows > 0) yield return (x, y, stepX, stepY, columns, rows, columns * channels);
            }
        }

        private byte[] Inflate(int wanted)
        {
            var zlib = data.ToArray();
            Demand(zlib.Length >= 6);
            Demand((zlib[0] & 15) == 8 && zlib[0] >> 4 <= 7 && ((zlib[0] * 256) + zlib[1]) % 31 == 0 && (zlib[1] & 32) == 0);
            using var inflate = new DeflateStream(new MemoryStream(zlib, 2, zlib.Length - 6), CompressionMode.Decompress);
            var raw = new byte[wanted];
            Demand(inflate.ReadAtLeast(raw, wanted, throwOnEndOfStream: false) == wanted);
            Demand(inflate.ReadByte() == -1);
            long a = 1, b = 0;
            foreach (var value in raw)
            {
                a = (a + value) % 65521;
                b = (b + a) % 65521;
            }

            Demand(((b << 16) | a) == BinaryPrimitives.ReadUInt32BigEndian(zlib.AsSpan(zlib.Length - 4)));
            return raw;
        }

        private static byte[] Unfilter(byte[] raw, int at, int rowBytes, int channels, byte[] above)
        {
            var filter = raw[at];
            Demand(filter <= 4);
            var line = new byte[rowBytes];
            for (var i = 0; i < rowBytes; i++)
            {
                int left = i >= channels ? line[i - channels] : 0, up = above[i], corner = i >= channels ? above[i - channels] : 0;
                var guess = filter switch { 0 => 0, 1 => left, 2 => up, 3 => (left + up) / 2, _ => Nearest(left, up, corner) };
                line[i] = (byte)(raw[at + 1 + i] + guess);
            }

            return line;
        }

        private static int Nearest(int left, int up, int corner)
        {
            var estimate = left + up - corner;
            int byLeft = Math.Abs(estimate - left), byUp = Math.Abs(estimate - up), byCorner = Math.Abs(estimate - corner);
            if (byLeft <= byUp && byLeft <= byCorner) return left;
            return byUp <= byCorner ? up : corner;
        }

        private void Put(byte[] pixels, int x, int y, byte[] line, int at)
        {
            byte r = line[at], g = r, b = r, a = 255;
            switch (type)
            {
                case 0:
                    if (clear.Length == 2 && (clear[0] << 8 | clear[1]) == r) a = 0;
                    break;
                case 2:
                    g = line[at + 1];
                    b = line[at + 2];
                    if (clear.Length == 6
                        && (clear[0] << 8 | clear[1]) == r
                        && (clear[2] << 8 | clear[3]) == g
                        && (clear[4] << 8 | clear[5]) == b)
                        a = 0;
                    break;
                case 3:
                    var index = line[at];
                    Demand(index < palette.Length / 3);
                    (r, g, b) = (palette[index * 3], palette[(index * 3) + 1], palette[(index * 3) + 2]);
                    if (index < clear.Length) a = clear[index];
                    break;
                case 4:
                    a = line[at + 1];
                    break;
                default:
                    (g, b, a) = (line[at + 1], line[at + 2], line[at + 3]);
                    break;
            }

            var to = ((y * width) + x) * 4;
            (pixels[to], pixels[to + 1], pixels[to + 2], pixels[to + 3]) = (r, g, b, a);
        }

        private static uint Crc(ReadOnlySpan<byte> bytes)
        {
            var c = 0xFFFFFFFF;
            foreach (var b in bytes) c = CrcTable[(c ^ b) & 255] ^ (c >> 8);
            return ~c;
        }
    }
}
