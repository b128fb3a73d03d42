using System.Text;
using CsCheck;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>Random guides: sound and broken plates, contents, family pictures, tints and manifests.</summary>
internal static class GuideGen
{
    private static readonly string[] Plates =
    [
        "plates/a.png",
        "plates/b c.png",
        "plates/coast/d.png",
        "plates/own.png",
        "plates/deep/er/é.png",
    ];

    private static readonly Gen<byte[]> AnyPlate = Gen.Frequency(
        (
            6,
            Gen.OneOfConst((300, 300), (400, 300), (301, 225), (300, 224), (299, 299), (1200, 900), (1201, 1000), (300, 400), (300, 401))
                .Select(s => Picture.Filled(s.Item1, s.Item2, new Pixel(9, 9, 9, 255)).ToPng())),
        (1, Gen.Const(Encoding.UTF8.GetBytes("no picture"))));

    private static readonly Gen<string> AnyRow = Gen.Select(
        Gen.OneOfConst("asbra", "brobr", "brbra", "asmor", "none"),
        Gen.OneOfConst("adult", "adult", "winter", "flight", "autumn"),
        Gen.OneOfConst([.. Plates, "plates/none.png", "families/brac.png", "../x.png"]),
        Gen.OneOfConst(
            "",
            "",
            " months=\"4-9\"",
            " months=\"10-3\"",
            " months=\"13-2\"",
            " months=\"0-2\"",
            " months=\"4\"",
            " months=\"004-9\"",
            " months=\"04-9\""))
        .Select((bird, plumage, src, months) => $"<bird code=\"{bird}\"><plate src=\"{src}\" plumage=\"{plumage}\"{months}/></bird>");

    private static readonly Gen<string> AnyContents = Gen.Frequency(
        (8, AnyRow.List[1, 6].Select(rows => $"<contents about=\"t\"><chapter family=\"brac\">{string.Concat(rows)}</chapter></contents>")),
        (2, Gen.Select(AnyRow, Gen.OneOfConst(
            "<contents><chapter family=\"brac\">{0}</chapter>", "<!DOCTYPE contents><contents><chapter "
                + "family=\"brac\">{0}</chapter></contents>", "<inhalt><chapter family=\"brac\">{0}</chapter></inhalt>",
            "<contents><chapter>{0}</chapter></contents>",
            "<contents>{0}</contents>",

            "<contents><chapter family=\"x\"><page>{0}</page></chapter></contents>",
            "<?xml version=\"1.0\" encoding=\"utf-8\"?><contents><chapter family=\"morr\">{0}</chapter></contents>",
            "<?xml version=\"1.0\" encoding=\"iso-8859-1\"?><contents><chapter "
                + "family=\"brac\">{0}</chapter></contents>",
            "\uFEFF<contents><chapter family=\"brac\">{0}</chapter></contents>",
            "<contents xmlns=\"urn:x\"><chapter family=\"brac\">{0}</chapter></contents>",
            "<contents><chapter family=\"brac\"><bird><plate src=\"plates/a.png\" "
                + "plumage=\"adult\"/></bird>{0}</chapter></contents>", "<contents><chapter family=\"brac\"><bird code=\"asbra\"><plate "
                + "plumage=\"adult\"/></bird>{0}</chapter></contents>",
            "<contents><!-- {0} --></contents>", "", "  ", "<contents/>", "<contents>&x;</contents>"))
            .Select((row, frame) => frame.Replace("{0}", row, StringComparison.Ordinal))));

    private static readonly Gen<string> AnyTints = Gen.OneOf(
        Gen.Select(
            Gen.OneOfConst("adult", "flight", "autumn"),
            Gen.OneOfConst("0.5", "1", "1.2", "\"a\""),
            Gen.OneOfConst("0.1", "0.5", "0.6"),
            Gen.OneOfConst("40", "360", "361"))
            .Select((code, l, c, h) => $$"""{ "{{code}}": { "l": {{l}}, "c": {{c}}, "h": {{h}} } }"""),
        Gen.OneOfConst(
            "{}",
            "[]",
            "{ \"adult\": 3 }",
            "{ \"adult\": {} }",
            "{ \"adult\": null }",
            "{",
            "{ \"no\": { \"l\": 0, \"c\": 0, \"h\": 0 }, \"young\": { \"l\": 0, \"c\": 0, \"h\": 0, \"x\": 1 } }"));

    private static readonly Gen<byte[]> AnyCall = Gen.Frequency(
        (3, Gen.OneOfConst(2.0, 1.9, 20, 20.1, 5).Select(s => TestOpus.Of(s))),
        (
            3,
            Gen.Select(Gen.OneOfConst(48_000, 48_000, 32_000), Gen.OneOfConst(1, 2), Gen.OneOfConst(2, 1.5))
                .Select((rate, channels, seconds) => TestSound.Wav(rate, channels, seconds))),
        (1, Gen.Select(Gen.Int[0, 200], Gen.Byte).Select((at, value) => Changed(TestOpus.Of(3), at, value))),
        (1, Gen.Int[0, 99].Select(percent => TestOpus.Of(3) is var opus ? opus[..(opus.Length * percent / 100)] : [])),
        (1, Gen.OneOfConst(TestOpus.Of(3, channels: 3), [1, 2, 3], Picture.Of(2, 2).ToPng())));

    private static byte[] Changed(byte[] bytes, int at, byte value)
    {
        bytes[at % bytes.Length] = value;
        return bytes;
    }

    private static readonly Gen<(string, byte[])> AnyFile = Gen.Frequency(
        (6, Gen.Select(Gen.OneOfConst(Plates), AnyPlate).Select((p, b) => (p, b))),
        (4, AnyContents.Select(t => ("contents.xml", Encoding.UTF8.GetBytes(t)))),
        (
            2,
            Gen.Select(
                Gen.OneOfConst("families/brac.png", "families/morr.png", "families/none.png", "families/Brac.png"),
                Gen.OneOfConst(Picture.Of(288, 72).ToPng(), Picture.Of(288, 70).ToPng(), [1, 2]))),
        (2, AnyTints.Select(t => ("tints.json", Encoding.UTF8.GetBytes(t)))),
        (5, Gen.Select(
            Gen.OneOfConst("asbra", "asbra", "brobr", "none"),
            Gen.OneOfConst("1", "2", "3", "02", "0", "99999999999999999999"),
            Gen.Bool,
            AnyCall).Select((bird, n, isWave, bytes) => ($"calls/{bird}/{n}.{(isWave ? "wav" : "opus")}", bytes))),
        (1, Gen.OneOfConst("notes.txt", "calls/asbra/1.mp3", "plates/readme.txt", "plate/a.png").Select(p => (p, new byte[] { 1 }))));

    public static readonly Gen<AGuide> Guides = AnyFile.List[1, 10].Select(
        files => files.Aggregate(AGuide.Of(), (guide, file) => guide.With(file.Item1, file.Item2)));

    public static readonly Gen<AGuide> Manifests = Gen.Frequency(
        (6, Gen.Select(
            Gen.OneOfConst(
                "\"0a1b2c3d-0000-4000-8000-00112233aabb\"",
                "\"0A1B2C3D-0000-4000-8000-00112233AABB\"",
                "\"0a1b\"",
                "7",
                "\"0a1b2c3d000040008000001122 33aabb\""),
            Gen.OneOfConst("2", "2", "1", "3", "2.0", "2.5", "\"2\"", "0", "-2", "1979-05-27"),
            Gen.OneOfConst("1", "7", "0", "1.5", "\"1\"", "true"),
            Gen.OneOfConst("", "", "about = \"\"", "about = 3", "folio = 3", "# note", "extra = nan", "title = \"twice\""))
            .Select(
                (id, printing, version, extra) =>
                    $"[guide]\nid = {id}\ntitle = \"T\"\nauthor = \"A\"\nprinting = {printing}\nversion = {version}\n{extra}\n")),
        (
            1,
            Gen.OneOfConst(
                "",
                "[guide]",
                "guide = 3",
                "[guide",
                "[[guide]]\nid = \"x\"",
                "\uFEFF" + AGuide.Manifest,
                AGuide.Manifest + "[[folio]]\nfile = \"x\"\n",
                AGuide.Manifest + "[folio]\nfile = \"x\"\n",
                AGuide.Manifest.Replace("Test", "", StringComparison.Ordinal),
                AGuide.Manifest.Replace("author", "by", StringComparison.Ordinal))))
        .Select(text => AGuide.Of().With("guide.toml", text));
}
