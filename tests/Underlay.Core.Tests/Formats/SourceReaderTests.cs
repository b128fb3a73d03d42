using System.Buffers.Binary;
using System.Diagnostics;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Dds;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;

namespace Underlay.Core.Tests.Formats;

/// <summary>What authors' files hold is read as a general image tool reads it.</summary>
public class SourceReaderTests
{
    public static TheoryData<int, int, bool, bool, bool> PngForms
    {
        get
        {
            var forms = new TheoryData<int, int, bool, bool, bool>();
            foreach (
                var (
                    colour,
                    depths) in new[] { (0, new[] { 1, 2, 4, 8, 16 }), (2, [8, 16]), (3, [1, 2, 4, 8]), (4, [8, 16]), (6, [8, 16]) })
                foreach (var depth in depths)
                    foreach (var interlaced in new[] { false, true })
                        foreach (var clear in colour is 4 or 6 ? new[] { false } : [false, true])
                            forms.Add(colour, depth, interlaced, clear, depth == 8);
            return forms;
        }
    }

    [Theory]
    [MemberData(nameof(PngForms))]
    public void A_PNG_of_any_form_has_the_pixels_that_a_general_tool_sees(int colour, int depth, bool interlaced, bool clear, bool gamma)
    {
        var png = OddPng.Make(13, 11, colour, depth, interlaced, clear, gamma);
        var (picture, problem) = SourceReader.Read(png);
        Assert.Null(problem);
        AssertAlike(Tool.Pixels(png, "png"), picture!);
        Assert.Equal(depth == 8, SourceReader.ConversionOf(png).Length == 0);
    }

    [Theory]
    [InlineData("bmp", "-define bmp:format=bmp4", 0)]
    // Without it the tool at hand writes rows from the top and says that they come from the bottom.
    [InlineData("tga", "-orient TopLeft", 0)]
    [InlineData("webp", "-define webp:lossless=true -define webp:exact=true", 0)]
    [InlineData("dds", "-define dds:compression=dxt1 -define dds:mipmaps=0", 0)]
    [InlineData("dds", "-define dds:compression=dxt5 -define dds:mipmaps=0", 0)]
    [InlineData("dds", "-define dds:compression=none -define dds:mipmaps=0", 0)]
    [InlineData("gif", "", 0)]
    [InlineData("jpg", "-quality 92", 2)]
    public void Other_formats_have_the_pixels_that_a_general_tool_sees(string format, string options, int slack)
    {
        var made = Tool.Convert(
            (Picture.Of(32, 24) with { Transparency = null }).With(3, 3, new Pixel(200, 20, 90, 0)).ToPng(),
            "png",
            format,
            options);
        var (picture, problem) = SourceReader.Read(made);
        Assert.Null(problem);
        AssertAlike(Tool.Pixels(made, format), picture!, slack);
        Assert.Equal(new PixelSize(32, 24), SourceReader.Describe(made)!.Value.Size);
    }

    [Fact]
    public void Colours_under_clear_alpha_are_kept()
    {
        var picture = Picture.Of(16, 16).With(5, 6, new Pixel(201, 33, 77, 0));
        foreach (var (format, options) in new[] { ("tga", "-orient TopLeft"), ("bmp", "-define bmp:format=bmp4") })
            Assert.Equal(
                [201, 33, 77, 0],
                SourceReader.Read(Tool.Convert(picture.ToPng(), "png", format, options)).Picture!.At(5, 6).ToArray());
    }

    [Theory]
    [InlineData("")]
    [InlineData("not a picture at all, only text")]
    public void What_is_no_picture_is_told(string text) =>
        Assert.Contains("it is no PNG", SourceReader.Read(System.Text.Encoding.UTF8.GetBytes(text)).Problem!, StringComparison.Ordinal);

    [Fact]
    public void Damaged_files_of_every_format_are_refused_and_never_crash()
    {
        foreach (var format in new[] { "bmp", "tga", "webp", "gif", "jpg", "dds" })
        {
            var sound = Tool.Convert(Picture.Of(32, 24).ToPng(), "png", format, "");
            for (var cut = 0; cut < sound.Length; cut += Math.Max(1, sound.Length / 23)) AssertReadOrTold(sound.AsMemory(0, cut));
            for (var at = 0; at < sound.Length; at += Math.Max(1, sound.Length / 41))
            {
                var broken = (byte[])sound.Clone();
                broken[at] ^= 0xFF;
                AssertReadOrTold(broken);
            }
        }
    }

    /// <summary>Either a whole picture or a problem in words, never both nor neither.</summary>
    private static void AssertReadOrTold(ReadOnlyMemory<byte> file)
    {
        var (picture, problem) = SourceReader.Read(file);
        if (picture is null) Assert.NotEmpty(problem!);
        else Assert.Equal((null, picture.Size.Width * picture.Size.Height * 4), (problem, picture.Rgba.Length));
    }

    [Fact]
    public void A_picture_of_another_format_is_a_source_whose_steps_give_a_PNG_or_a_DDS()
    {
        var tga = Tool.Convert(Picture.Of(48, 48).ToPng(), "png", "tga", "-orient TopLeft");
        var shelf = PackPath.Parse("wares/milk_jug/shelf.png");
        var tree = APack.Of().With(shelf.Value, tga).Tree;
        tree = tree.With(
            Core.Steps.Shaping.Add(
                tree,
                shelf,
                new Core.Steps.FitToSize(new PixelSize(56, 56), Core.Steps.FitMode.Stretch, false)).Edits);
        Assert.True(PngReader.Inspect(tree.Find(shelf)!.ReadAll(), PixelNeed.None).IsReadable);
        Assert.Equal(tga, tree.Find(ReservedFolder.SourceOf(shelf))!.ReadAll());
        var dds = Core.Steps.Shaping.Run(
            tga,
            [new Core.Steps.FitToSize(new PixelSize(64, 64), Core.Steps.FitMode.Stretch, false)],
            new DdsFormat()).Bytes!;
        Assert.Equal(
            new PixelSize(64, 64),
            DdsReader.Inspect(dds, PixelNeed.None) is { IsReadable: true, Header: { } header } ? header.Size : default);
    }

    [Theory]
    [InlineData("DXT1", 0, 0, null)]
    [InlineData("DXT5", 1, 40, null)]
    [InlineData("DXT3", 0, 0, "not compressed as BC1 or BC3")]
    [InlineData("DXT1", 7, 0, "7 mip levels")]
    [InlineData("DXT5", 0, -1, "in the middle of its pixels")]
    public void A_DDS_is_read_as_hosts_read_it(string code, int mips, int more, string? problem)
    {
        var facts = DdsReader.Inspect(Dds.Of(64, 32, code, mips, more), PixelNeed.None);
        if (problem is null) Assert.True(facts.IsReadable);
        else Assert.Contains(problem, facts.Problem!, StringComparison.Ordinal);
    }

    private static void AssertAlike(byte[] expected, RgbaPicture picture, int slack = 1)
    {
        Assert.Equal(expected.Length, picture.Rgba.Length);
        for (var i = 0; i < expected.Length; i++) Assert.InRange(picture.Rgba[i], expected[i] - slack, expected[i] + slack);
    }

    /// <summary>A general image tool, run beside.</summary>
    private static class Tool
    {
        public static byte[] Pixels(byte[] file, string format) => Run($"{format}:- -depth 8 rgba:-", file);

        public static byte[] Convert(byte[] file, string from, string to, string options) => Run($"{from}:- {options} {to}:-", file);

        private static byte[] Run(string arguments, byte[] input)
        {
            using var tool = Process.Start(
                new ProcessStartInfo("convert", arguments) { RedirectStandardInput = true, RedirectStandardOutput = true })!;
            var feed = Task.Run(() =>
            {
                tool.StandardInput.BaseStream.Write(input);
                tool.StandardInput.Close();
            });
            using var output = new MemoryStream();
            tool.StandardOutput.BaseStream.CopyTo(output);
            feed.GetAwaiter().GetResult();
            tool.WaitForExit();
            return output.ToArray();
        }
    }

    /// <summary>PNG files of forms that hosts do not read: depths from 1 to 16.</summary>
    private static class OddPng
    {
        public static byte[] Make(int width, int height, int colour, int depth, bool interlaced, bool clear, bool gamma)
        {
            var samples = colour switch { 0 or 3 => 1, 2 => 3, 4 => 2, _ => 4 };
            var random = new Random((colour * 100) + depth);
            var values = new int[width * height * samples];
            for (var i = 0; i < values.Length; i++) values[i] = random.Next(1 << depth);
            var parts = new PngParts();
            var header = new byte[13];
            BinaryPrimitives.WriteInt32BigEndian(header, width);
            BinaryPrimitives.WriteInt32BigEndian(header.AsSpan(4), height);
            (header[8], header[9], header[12]) = ((byte)depth, (byte)colour, (byte)(interlaced ? 1 : 0));
            parts.Add("IHDR", header);
            if (gamma) parts.Add("gAMA", [0, 0, 0xB1, 0x8F]);
            if (colour == 3) parts.Add("PLTE", [.. Enumerable.Range(0, 3 << depth).Select(i => (byte)(i * 37))]);
            if (clear)
                parts.Add("tRNS", colour == 3 ? [0, 128] : [.. values.Take(samples).SelectMany(v => new[] { (byte)(v >> 8), (byte)v })]);
            parts.Add("IDAT", Picture.Deflate(Rows(width, height, samples, depth, interlaced, values)));
            parts.Add("IEND", []);
            return parts.ToBytes();
        }

        private static byte[] Rows(int width, int height, int samples, int depth, bool interlaced, int[] values)
        {
            (int X, int Y, int Dx, int Dy)[] passes = interlaced
                ? [(0, 0, 8, 8), (4, 0, 8, 8), (0, 4, 4, 8), (2, 0, 4, 4), (0, 2, 2, 4), (1, 0, 2, 2), (0, 1, 1, 2)]
                : [(0, 0, 1, 1)];
            var rows = new List<byte>();
            foreach (var (x0, y0, dx, dy) in passes)
            {
                if (x0 >= width || y0 >= height) continue;
                for (var y = y0; y < height; y += dy)
                {
                    rows.Add(0);
                    int bits = 0, count = 0;
                    for (var x = x0; x < width; x += dx)
                        for (var s = 0; s < samples; s++)
                        {
                            var value = values[(((y * width) + x) * samples) + s];
                            if (depth == 16) rows.AddRange([(byte)(value >> 8), (byte)value]);
                            else
                            {
                                (bits, count) = ((bits << depth) | value, count + depth);
                                if (count < 8) continue;
                                rows.Add((byte)bits);
                                (bits, count) = (0, 0);
                            }
                        }

                    if (count > 0) rows.Add((byte)(bits << (8 - count)));
                }
            }

            return [.. rows];
        }
    }
}
