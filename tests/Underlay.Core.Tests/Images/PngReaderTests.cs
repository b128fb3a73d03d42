using System.Buffers.Binary;
using CsCheck;
using SkiaSharp;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;

namespace Underlay.Core.Tests.Images;

public class PngReaderTests
{
    private static readonly Picture Sound = Picture.Of(9, 7);

    private static readonly Gen<Picture> AnyPicture =
        from width in Gen.Int[1, 40]
        from height in Gen.Int[1, 40]
        from type in Gen.OneOfConst(0, 2, 3, 4, 6)
        from interlaced in Gen.Bool
        from filter in Gen.Int[0, 4]
        from chunks in Gen.Int[1, 5]
        from seed in Gen.Int[1, 1000]
        select new Picture(
            width,
            height,
            (x, y) =>
                Colour(x, y, seed, type))
        {
            ColourType = type,
            Interlaced = interlaced,
            Filter = y =>
                    (filter + y) % 5,
            DataChunks = chunks
        };

    [Fact]
    public void Pixels_of_every_colour_type_filter_and_interlace_come_out_as_they_went_in() =>
        AnyPicture.Sample(picture =>
        {
            var (rgba, size, problem) = PngReader.Decode(picture.ToPng());
            Assert.Null(problem);
            Assert.Equal(new PixelSize(picture.Width, picture.Height), size);
            for (var y = 0; y < picture.Height; y++)
                for (var x = 0; x < picture.Width; x++)
                {
                    var at = ((y * picture.Width) + x) * 4;
                    Assert.Equal(picture.At(x, y), new Pixel(rgba![at], rgba[at + 1], rgba[at + 2], rgba[at + 3]));
                }
        });

    [Fact]
    public void Pixels_are_the_same_as_another_library_reads() =>
        AnyPicture.Sample(
            picture =>
            {
                var png = picture.ToPng();
                var rgba = PngReader.Decode(png).Rgba!;
                using var codec = SKCodec.Create(new MemoryStream(png));
                using var other = new SKBitmap(new SKImageInfo(picture.Width, picture.Height, SKColorType.Rgba8888, SKAlphaType.Unpremul));
                Assert.Equal(SKCodecResult.Success, codec.GetPixels(other.Info, other.GetPixels()));
                Assert.Equal(other.Bytes, rgba);
            },
            iter: 50);

    [Fact]
    public void Facts_tell_size_type_and_alpha()
    {
        var facts = PngReader.Inspect((Sound with { ColourType = 4, Interlaced = true }).ToPng(), PixelNeed.None);
        Assert.True(facts.IsReadable);
        Assert.Equal(new PictureHeader(new PixelSize(9, 7), PngColour.GreyAlpha, true, true), facts.Header);
        Assert.Null(facts.Pixels);
    }

    [Fact]
    public void Pixel_facts_name_the_first_pixel_that_matters()
    {
        var picture = Picture.Filled(8, 8, new Pixel(1, 0, 2, 255)).With(3, 2, new Pixel(0, 0, 0, 0)).With(5, 4, new Pixel(0, 9, 0, 80));
        var pixels = PngReader.Inspect(picture.ToPng(), PixelNeed.Colours).Pixels!;
        Assert.Equal(
            new PixelFacts(
                AlphaUse.Soft,
                new PixelAt(3, 2),
                new PixelAt(5, 4),
                new PixelAt(0, 0),
                28,
                new PixelAt(5, 4),
                1,
                new PixelAt(0, 0),
                0,
                null),
            pixels);
    }

    [Fact]
    public void Where_only_alpha_is_needed_it_is_the_same_decoded_or_not() =>
        AnyPicture.Sample(picture =>
        {
            var png = picture.ToPng();
            var alpha = PngReader.Inspect(png, PixelNeed.Alpha).Pixels!;
            Assert.Equal(
                PngReader.Inspect(png, PixelNeed.Colours).Pixels! with
                {
                    FirstGreen = alpha.FirstGreen,
                    GreenPixels = alpha.GreenPixels,
                    FirstTinted = alpha.FirstTinted,
                    BleedShare = alpha.BleedShare,
                },
                alpha);
        });

    [Theory]
    [InlineData(1, 1, 1)]
    [InlineData(1, 5, 5)]
    [InlineData(5, 1, 5)]
    [InlineData(2, 2, 4)]
    [InlineData(4, 3, 10)]
    public void The_outer_ring_is_counted_once_in_every_shape(int width, int height, int ring) =>
        Assert.Equal(ring, PngReader.Inspect(Picture.Of(width, height).ToPng(), PixelNeed.Colours).Pixels!.UnclearBorderPixels);

    [Fact]
    public void A_colour_named_transparent_counts_as_alpha()
    {
        var picture = Picture.Filled(4, 4, new Pixel(10, 20, 30, 255))
            .With(1, 1, new Pixel(9, 9, 9, 255)) with
        { ColourType = 2, Transparency = [0, 9, 0, 9, 0, 9] };
        var facts = PngReader.Inspect(picture.ToPng(), PixelNeed.Colours);
        Assert.True(facts.Header!.HasAlpha);
        Assert.Equal(AlphaUse.Cut, facts.Pixels!.Alpha);
        Assert.Equal(new PixelAt(1, 1), facts.Pixels.FirstClear);
    }

    [Fact]
    public void A_tRNS_chunk_with_a_wrong_CRC_counts_for_nothing()
    {
        var parts = (Sound with { ColourType = 2, Transparency = [0, 0, 0, 0, 0, 90] }).Chunks();
        parts.WrongCrc.Add(parts.IndexOf("tRNS"));
        Assert.Equal(AlphaUse.Solid, PngReader.Inspect(parts.ToBytes(), PixelNeed.Colours).Pixels!.Alpha);
    }

    [Fact]
    public void Bytes_behind_the_end_and_chunks_that_hosts_skip_do_not_matter()
    {
        var parts = Sound.Chunks();
        parts.Chunks.Insert(1, ("abCd", [1, 2, 3]));
        parts.WrongCrc.Add(1);
        Assert.True(PngReader.Inspect((byte[])[.. parts.ToBytes(), 1, 2, 3], PixelNeed.Colours).IsReadable);
    }

    [Fact]
    public void A_header_that_claims_30000_pixels_a_side_is_refused_before_anything_is_decoded()
    {
        var parts = Sound.Chunks();
        BinaryPrimitives.WriteInt32BigEndian(parts.Chunks[0].Data, 30_000);
        BinaryPrimitives.WriteInt32BigEndian(parts.Chunks[0].Data.AsSpan(4), 30_000);
        var before = GC.GetAllocatedBytesForCurrentThread();
        var facts = PngReader.Inspect(parts.ToBytes(), PixelNeed.Colours);
        Assert.True(GC.GetAllocatedBytesForCurrentThread() - before < 1_000_000);
        Assert.Contains("30000 x 30000", facts.Problem, StringComparison.Ordinal);
    }

    public static TheoryData<string, string> Broken => new()
    {
        { "empty", "empty" },
        { "jpeg", "JPEG" },
        { "text", "does not begin" },
        { "header crc", "IHDR chunk has a wrong CRC" },
        { "header late", "first chunk" },
        { "two headers", "two IHDR" },
        { "16 bits", "16 bits" },
        { "colour type 5", "colour type 5" },
        { "interlace 2", "interlace method 2" },
        { "width 0", "0 x 7" },
        { "width 4097", "4097 x 7" },
        { "no data", "no IDAT" },
        { "data apart", "do not follow" },
        { "data crc", "IDAT chunk has a wrong CRC" },
        { "too little data", "ends after" },
        { "too much data", "more pixel data" },
        { "adler", "Adler" },
        { "zlib head", "zlib" },
        { "filter 7", "filter type 7" },
        { "critical chunk", "critical chunk" },
        { "no palette", "no palette" },
        { "palette of 4 bytes", "4 bytes" },
        { "index outside", "points to colour" },
        { "no end", "IEND" },
        { "chunk name", "four letters" },
    };

    [Theory]
    [MemberData(nameof(Broken))]
    public void A_broken_file_is_told_in_words(string how, string word)
    {
        var facts = PngReader.Inspect(Break(how), PixelNeed.Colours);
        Assert.False(facts.IsReadable);
        Assert.Contains(word, facts.Problem, StringComparison.Ordinal);
        Assert.Null(facts.Pixels);
    }

    [Fact]
    public void Cutting_a_file_anywhere_makes_it_unreadable_and_nothing_worse()
    {
        var png = (Sound with { DataChunks = 3 }).ToPng();
        for (var length = 0; length < png.Length; length++)
            Assert.False(PngReader.Inspect(png.AsMemory(0, length), PixelNeed.Colours).IsReadable);
    }

    [Fact]
    public void Damage_anywhere_is_a_problem_or_does_no_harm() =>
        Gen.Select(AnyPicture, Gen.Int[0, 5000], Gen.Byte[1, 255]).Sample((picture, at, flip) =>
        {
            var png = picture.ToPng();
            png[at % png.Length] ^= flip;
            var facts = PngReader.Inspect(png, PixelNeed.Colours);
            Assert.True(facts.IsReadable || facts.Problem!.Length > 0);
        });

    private static byte[] Break(string how)
    {
        var parts = Sound.Chunks();
        var header = parts.Chunks[0].Data;
        var rows = new byte[7 * ((9 * 4) + 1)];
        void Data(byte[] zlib) => parts.Chunks[1] = ("IDAT", zlib);
        switch (how)
        {
            case "empty": return [];
            case "jpeg": return [0xFF, 0xD8, 0xFF, 0xE0, 1, 2, 3];
            case "text": return "hello, this is text"u8.ToArray();
            case "header crc": parts.WrongCrc.Add(0); break;
            case "header late": parts.Chunks.Insert(0, ("tEXt", [1])); break;
            case "two headers": parts.Chunks.Insert(1, ("IHDR", header)); break;
            case "16 bits": header[8] = 16; break;
            case "colour type 5": header[9] = 5; break;
            case "interlace 2": header[12] = 2; break;
            case "width 0": BinaryPrimitives.WriteInt32BigEndian(header, 0); break;
            case "width 4097": BinaryPrimitives.WriteInt32BigEndian(header, 4097); break;
            case "no data": parts.Chunks.RemoveAt(1); break;
            case "data apart":
                parts = (Sound with { DataChunks = 2 }).Chunks();
                parts.Chunks.Insert(2, ("tEXt", [1]));
                break;
            case "data crc": parts.WrongCrc.Add(1); break;
            case "too little data": Data(Picture.Deflate(rows[..^1])); break;
            case "too much data": Data(Picture.Deflate([.. rows, 0])); break;
            case "adler":
                var zlib = Picture.Deflate(rows);
                zlib[^1] ^= 1;
                Data(zlib);
                break;
            case "zlib head": Data([1, 2, 3, 4, 5, 6, 7, 8]); break;
            case "filter 7":
                rows[0] = 7;
                Data(Picture.Deflate(rows));
                break;
            case "critical chunk": parts.Chunks.Insert(1, ("ABCD", [1])); break;
            case "no palette":
                parts = (Sound with { ColourType = 3 }).Chunks();
                parts.Chunks.RemoveAt(1);
                break;
            case "palette of 4 bytes": parts.Chunks.Insert(1, ("PLTE", [1, 2, 3, 4])); break;
            case "index outside":
                parts = (Sound with { ColourType = 3 }).Chunks();
                parts.Chunks[1] = ("PLTE", [1, 2, 3]);
                break;
            case "no end": parts.Chunks.RemoveAt(2); break;
            case "chunk name": parts.Chunks.Insert(1, ("ab1d", [])); break;
        }

        return parts.ToBytes();
    }

    private static Pixel Colour(int x, int y, int seed, int type)
    {
        var r = (byte)((x * 37) + (y * 11) + seed);
        return type switch
        {
            0 => new Pixel(r, r, r, 255),
            2 => new Pixel(r, (byte)(y * 9), (byte)(x * seed), 255),
            3 => new Pixel((byte)(r % 6), (byte)(x % 3), (byte)(y % 3), (byte)(x % 2 * 255)),
            4 => new Pixel(r, r, r, (byte)(y * seed)),
            _ => new Pixel(r, (byte)(y * 9), (byte)(x * seed), (byte)(x + y + seed)),
        };
    }
}
