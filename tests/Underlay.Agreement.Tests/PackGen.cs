using System.Text;
using CsCheck;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>Random packs: sound and broken files in every place, and files beside the places.</summary>
internal static class PackGen
{
    private static readonly string[] Surfaces = ["flagstone", "fence", "water", "flagston", "saltbrook_loam", "ochre"];
    private static readonly string[] Wares = ["milk_jug", "soup_bowl", "big_jug", "milk_jugs", "tide_cup", "saltbrook_jar"];

    private static readonly Gen<Pixel> AnyPixel =
        Gen.Select(Gen.Byte, Gen.OneOfConst<byte>(0, 0, 40, 255), Gen.Byte, Gen.OneOfConst<byte>(0, 128, 255, 255, 255))
            .Select((r, g, b, a) => new Pixel(r, g, b, a));

    private static readonly Gen<(int, int)> AnySize = Gen.OneOf(
        Gen.OneOfConst(
            (64, 64),
            (56, 56),
            (32, 32),
            (128, 128),
            (64, 128),
            (48, 48),
            (320, 200),
            (80, 64),
            (72, 72),
            (16, 16),
            (64, 32),
            (1, 1),
            (512, 64),
            (1024, 16)),
        Gen.Select(Gen.Int[1, 100], Gen.Int[1, 100]));

    private static readonly Gen<Picture> AnyPicture =
        Gen.Select(
            AnySize,
            AnyPixel,
            AnyPixel,
            Gen.OneOfConst(0, 2, 3, 4, 6, 6, 6),
            Gen.Bool,
            Gen.Int[0, 4],
            Gen.Int[1, 3],
            Gen.Bool).Select((size, ground, mark, type, interlaced, filter, chunks, ring) =>
        {
            var picture = Picture.Filled(size.Item1, size.Item2, ground).With(size.Item1 / 2, size.Item2 / 2, mark);
            return (ring ? picture.WithClearRing() : picture) with
            {
                ColourType = type,
                Interlaced = interlaced,
                Filter = y => (y + filter) % 5,
                DataChunks = chunks,
            };
        });

    private static readonly Gen<byte[]> AnyPng = Gen.Frequency(
        (6, AnyPicture.Select(p => p.ToPng())),
        (3, Gen.OneOfConst(
            Picture.Of(64, 64)
                .ToPng(), Picture
                .Shelf()
                .ToPng(), Picture
                .Mask()
                .ToPng(), Picture
                .Of(128, 64)
                .ToPng(), Picture
                .Mask(128, 64)
                .ToPng(),
            (Picture.Of(64, 64) with { ColourType = 2 }).ToPng(), (Picture.Of(320, 200) with { ColourType = 2 }).ToPng())),
        (1, Gen.Select(AnyPicture, Gen.Int[0, 100_000], Gen.Byte).Select((p, at, value) => Damage(p.ToPng(), at, value))),
        (1, Gen.Select(AnyPicture, Gen.Int[1, 99]).Select((p, percent) => Cut(p.ToPng(), percent))));

    private static string Under(string surface, string share = "0.3") => $", \"under\": {{ \"surface\": {surface}, \"share\": {share} }}";

    private static readonly Gen<string> AnyDescriptor = Gen.Frequency(
        (5, Gen.Select(
            Gen.OneOfConst("stone", "clay", "reed", "stone", "stone", "granite", ""),
            Gen.OneOfConst("\"solid\"", "\"cut\"", "\"soft\"", "\"loose\"", "null", "1"),
            Gen.OneOfConst(
                "",
                "\"rough\": 0.3, ",
                "\"rough\": 1.5, ",
                "\"rough\": \"1\", ",
                "\"ember\": 1, ",
                "\"ember\": -0.1, ",
                "\"other\": [1e3], ",
                "\"other\": 1e30, "),
            Gen.OneOfConst(
                "",
                "",
                Under("\"flagstone\""),
                Under("\"ochre\""),
                Under("\"Moss\""),
                Under("\"nowhere\""),
                Under("\"flagstone\"", "1.5"),
                ", \"under\": { \"surface\": \"flagstone\" }",
                ", \"under\": \"flagstone\"",
                ", \"under\": null"))
            .Select((made, edge, extra, under) => $$"""{ {{extra}}"made_of": "{{made}}", "edge": {{edge}}{{under}} }""")),
        (
            2,
            Gen.OneOfConst(
                SmallBase.Descriptor,
                """{ "made_of": "reed", "edge": "cut" }""",
                """{ "made_of": "reed", "edge": "soft" }""",
                """{ "made_of": "stone", "edge": "solid", "ember": 0.5 }""")),
        (1, BrokenJson(SmallBase.Descriptor)));

    private static readonly Gen<string> AnyWare = Gen.Frequency(
        (5, Gen.Select(
            Gen.OneOfConst("saltbrook.", "moor.", "other.", ""),
            Gen.OneOfConst([.. Wares, "cup"]),
            Gen.OneOfConst("jug", "bowl", "jar", ""),
            Gen.OneOfConst("clay", "clay", "stone", "tin"),
            Gen.OneOfConst("12", "12.0", "0", "1.5", "-3", "\"9\"", "null", "1e27", "1e29", "true", "1e-30"))
            .Select((prefix, name, shape, made, price) => SmallBase.Ware(prefix + name, shape, made, price))),
        (6, Gen.Select(
            Gen.OneOfConst("saltbrook.", "moor.", "moor."),
            Gen.OneOfConst(Wares),
            Gen.OneOfConst(
                "",
                ", \"shape\": \"jug\", \"made_of\": \"clay\", \"price\": 4",
                ", \"shape\": \"jug\"",
                ", \"price\": 3, \"made_of\": \"tin\""),
            Gen.OneOfConst(
                "",
                "",
                ", \"like\": \"moor.milk_jug\"",
                ", \"like\": \"moor.soup_bowl\"",
                ", \"like\": \"moor.big_jug\"",
                ", \"like\": \"saltbrook.tide_cup\"",
                ", \"like\": \"moor.nothing\"",
                ", \"like\": 3"),
            Gen.OneOfConst(
                "",
                "",
                ", \"stall\": \"001\"",
                ", \"stall\": \"002\"",
                ", \"stall\": \"003\"",
                ", \"stall\": \"000\"",
                ", \"stall\": 3"),
            Gen.OneOfConst(
                "",
                "",
                ", \"ember\": 1",
                ", \"ember\": 0",
                ", \"ember\": 2",
                ", \"glaze\": \"moor.celadon\"",
                ", \"glaze\": \"saltbrook.tide\"",
                ", \"glaze\": \"moor.none\"",
                ", \"lid\": \"moor.big_jug\"",
                ", \"lid\": \"moor.none\"",
                ", \"shelf_of\": \"moor.milk_jug\"",
                ", \"shelf_of\": \"saltbrook.tide_cup\"",
                ", \"shelf_of\": \"moor.none\"",
                ", \"hardness\": 6.5, \"foot_cm\": 4",
                ", \"hardness\": 6.55",
                ", \"weight_g\": -1",
                ", \"suits\": { \"fair\": 2, \"wake\": -3 }",
                ", \"suits\": { \"fair\": 4 }",
                ", \"name\": \"\", \"rings\": \"tools/cup\""))
            .Select((prefix, name, own, like, stall, rest) => $$"""{ "id": "{{prefix}}{{name}}"{{own}}{{like}}{{stall}}{{rest}} }""")),
        (1, BrokenJson(SmallBase.Ware("moor.milk_jug"))));

    private static readonly Gen<string> AnyGlaze = Gen.Frequency(
        (4, Gen.Select(
                Gen.OneOfConst("moor.celadon", "saltbrook.tide", "saltbrook.kelp", "tide"),
                Gen.OneOfConst("#2f8f86", "#FFF", "#ffffff"),
                Gen.OneOfConst(", \"rim\": \"#E9EFE4\"", ", \"rim\": \"#E9EFE4\"", ""),
                EntryGen.Reactions)
            .Select((id, body, rim, more) => $$"""{ "id": "{{id}}", "body": "{{body}}"{{rim}}{{more}} }""")),
        (1, BrokenJson("""{ "id": "saltbrook.tide", "body": "#2f8f86", "rim": "#e9efe4" }""")));

    private static readonly Gen<string> AnyTable = Gen.OneOf(
        Gen.OneOfConst(
            "code,do\ntide,add\n", "code,do\ntide,add\nclay_mark,remove\n", "code,name\ntide,Tide\n", "code,do\nclay_mark,change",
            "name,do\ntide,add\n", "code,do\ntide,keep\n", "code,do\ntide\n",
            "code,code\na,b\n", "code,do\n\"tide\",\"add\"\n", "code,do\n\"ti\"\"de\",add\n", "code,do\n\"tide,add\n",
            "code,do\ntide,\"add\"x\n", "code,do\nti\"de,add\n", "", "\n", "code", "code,do\r\ntide,add\r\n", "code,do\n,add\n",
            "code,do\n\n",
            "code,do,name\ntide,add,\"two\nlines\"\n", "code,do\ntide,add\rmoon,add\n", "\uFEFFcode,do\ntide,add\n",
            "frame,ms\n1,40\n", "frame\n1\n", "code,do,\ntide,add,\n", "code,do\ntide,add,"),
        Gen.Select(Gen.Int[0, 40], Gen.OneOfConst('"', ',', '\n', '\r', 'x'))
            .Select((at, c) => "code,do\ntide,add\nmoon,add\n".Insert(Math.Min(at, 26), c.ToString())));

    private static readonly Gen<string> AnyMaterials = Gen.OneOf(
        Gen.OneOfConst(
            "code,do,name\ntin,add,Tin\n", "code,do\nclay,remove\n", "code,do\nstone,remove\ntin,add\n", "code,do\nreed,change\n",
            "code,name\nclay,Clay\ntin,Tin\n", "code\n", "code,do\nclay,remove\nclay,add\n", "name\ntin\n"),
        AnyTable);

    private static readonly Gen<byte[]> AnyDds = Gen.Select(
        Gen.OneOfConst((64, 64), (128, 64), (72, 64), (32, 64)),
        Gen.OneOfConst("DXT1", "DXT5", "DXT3"),
        Gen.OneOfConst(0, 1, 2, 7),
        Gen.Int[-1, 1])
        .Select((size, code, mips, more) => Dds.Of(size.Item1, size.Item2, code, mips, more));

    private static Gen<byte[]> Sized(params (int, int)[] sizes) => Gen.Frequency(
        (6, Gen.Select(Gen.OneOfConst(sizes), Gen.Bool, Gen.Bool).Select((s, ring, grey) =>
        {
            var picture = grey ? Picture.Filled(s.Item1, s.Item2, new Pixel(80, 80, 80, 255)) : Picture.Of(s.Item1, s.Item2);
            return (ring ? picture.WithClearRing() : picture).ToPng();
        })),
        (1, AnyPng));

    private static Gen<(string, byte[])> At(Gen<string> path, Gen<byte[]> bytes) => Gen.Select(path, bytes);

    private static Gen<(string, byte[])> At(Gen<string> path, Gen<string> text) =>
        Gen.Select(path, text).Select((p, t) => (p, Encoding.UTF8.GetBytes(t)));

    private static readonly Gen<(string, byte[])> AnyFile = Gen.Frequency(
        (5, At(Gen.OneOfConst(Surfaces).Select(n => $"art/surfaces/{n}.png"), AnyPng)),
        (5, At(Gen.OneOfConst(Surfaces).Select(n => $"art/surfaces/{n}.surface.json"), AnyDescriptor)),
        (3, At(Gen.Select(Gen.OneOfConst(Wares), Gen.OneOfConst("shelf", "skin", "mask")).Select((n, f) => $"wares/{n}/{f}.png"), AnyPng)),
        (2, At(Gen.OneOfConst(Wares).Select(n => $"wares/{n}/skin.dds"), AnyDds)),
        (6, At(Gen.OneOfConst(Wares).Select(n => $"wares/{n}/ware.json"), AnyWare)),
        (
            2,
            At(
                Gen.Select(Gen.OneOfConst([.. Surfaces, .. Wares]), Gen.OneOfConst("surfaces", "wares"))
                    .Select((n, f) => $"art/embers/{f}/{n}.png"),
                Sized((64, 64), (32, 32)))),
        (2, At(Gen.OneOfConst("001", "002", "003", "007", "01").Select(n => $"art/stalls/{n}.png"), Sized((96, 72), (96, 70)))),
        (
            1,
            At(
                Gen.OneOfConst("jug", "vat").Select(n => $"art/shapes/{n}.json"),
                Gen.OneOfConst(
                    "{}",
                    "{ \"outline\": [[0, 1], [1, 0.5]] }",
                    "{ \"outline\": [[0, 1], [1]] }",
                    "{ \"outline\": [[0, 1], [1, -1]], \"bands\": 3 }"))),
        (3, At(Gen.OneOfConst("celadon", "tide", "kelp").Select(n => $"entries/glazes/{n}.json"), AnyGlaze)),
        (
            2,
            At(
                Gen.OneOfConst("tide", "clay_mark", "moon").Select(n => $"art/seals/{n}.png"),
                Sized((44, 44), (132, 44), (140, 44), (60, 40)))),
        (
            2,
            At(
                Gen.OneOfConst(
                    "tables/seals.csv", "tables/seals.csv", "tables/stations.csv", "art/flames/updraught/timing.csv",
                    "art/flames/none/timing.csv"),
                AnyTable)),
        (2, At(Gen.Const("tables/materials.csv"), AnyMaterials)),
        (4, At(Gen.OneOfConst("milk_jug", "tide_cup", "saltbrook_fire").Select(n => $"entries/recipes/{n}.json"), EntryGen.Recipes)),
        (1, At(Gen.Const("entries/techniques.json"), EntryGen.Techniques)),
        (
            5,
            At(
                Gen.OneOfConst("bells/one", "bells/two", "tools/one", "ambience/quay", "ambience/hill", "drums/one")
                    .Select(n => $"audio/{n}.wav"),
                SoundGen.Sounds)),
        (3, At(Gen.OneOfConst("bells", "bells", "tools", "ambience", "drums").Select(n => $"audio/{n}.csv"), SoundGen.Tables)),
        (3, At(Gen.OneOfConst("texts/all.csv", "texts/pack.csv", "texts/more.csv"), EntryGen.Texts)),
        (
            1,
            At(
                Gen.Const("tables/almanac.csv"),
                Gen.OneOfConst("code,do\nlong_night,add\n", "code,do\nfirst_frost,remove\n", "code\nlong_night\n", "name\n"))),
        (2, At(Gen.OneOfConst("quay", "hill").Select(n => $"entries/plans/{n}.json"), EntryGen.Plans)),
        (2, At(Gen.OneOfConst("quay", "hill").Select(n => $"entries/towers/{n}.json"), EntryGen.Towers)),
        (1, At(Gen.OneOfConst("art/friezes/year.png", "art/scenes/quay.png"), Sized((119, 15), (264, 150), (240, 135)))),
        (
            3,
            At(
                Gen.Select(Gen.OneOfConst("quay", "hill", "fair"), Gen.OneOfConst("dawn", "noon", "lamp", "noon", "dusk"))
                    .Select((n, m) => $"art/awnings/{n}/{m}.png"),
                Sized((150, 60), (150, 60), (60, 150)))),
        (
            3,
            At(
                Gen.Select(Gen.OneOfConst("oak", "reed"), Gen.OneOfConst("64", "96", "128", "192", "100"))
                    .Select((n, m) => $"art/boards/{n}/{m}.png"),
                Sized((64, 48), (96, 48), (128, 48), (192, 48)))),
        (
            4,
            At(
                Gen.Select(
                    Gen.OneOfConst("updraught", "updraught", "pit", "none"),
                    Gen.OneOfConst("00", "01", "02", "03", "04", "05", "07", "1"))
                    .Select((n, m) => $"art/flames/{n}/{m}.png"),
                Sized((40, 40), (40, 40), (40, 48)))),
        (2, Gen.Select(Gen.OneOfConst("front.png", "cover/front.png", "frnt.png"), AnyPng).Select((n, b) => (n, b))),
        (2, Gen.Select(
            Gen.OneOfConst(
                "notes.txt", "art/surface/flagstone.png", "art/surfaces/fence.png.png", "art/surfaces/Water.png",
                "art/surfaces/ochre.surface.jsn", "wares/milk_jug/Shelf.png",
                "wares/tide_cup/shelv.png", "wares/tide_cup/wares.json", "ware/tide_cup/ware.json", "wares/new/tide_cup/skin.png",
                ".underlay/sources/a.png", "tables/almanac.csv", "art/surfaces/a b.png", "art/flames/updraught/01.pngx"),
            AnyPng).Select((n, b) => (n, b))));

    /// <summary>Files whose faults show only together, or in a file that has no other: by chance alone they are rare.</summary>
    private static readonly Gen<List<(string, byte[])>> AnyTogether = Gen.OneOf(
        Gen.Select(Gen.OneOfConst("milk_jug", "soup_bowl"), AnyDds)
            .Select((n, dds) => new List<(string, byte[])>
            {
                ($"wares/{n}/skin.png", Picture.Of(64, 64).ToPng()),
                ($"wares/{n}/skin.dds", dds),
            }),
        Gen.OneOfConst("tide_cup", "saltbrook_jar").Select(like => new List<(string, byte[])>
        {
            ("wares/tide_cup/ware.json", Like("tide_cup", like)),
            ("wares/saltbrook_jar/ware.json", Like("saltbrook_jar", "tide_cup")),
        }),
        Gen.OneOfConst("milk_jug", "soup_bowl").Select(n => new List<(string, byte[])>
        {
            ($"wares/{n}/shelf.png", Picture.Shelf().With(0, 7, new Pixel(80, 60, 40, 255)).ToPng()),
        }));

    private static byte[] Like(string name, string other) =>
        Encoding.UTF8.GetBytes($$"""{ "id": "saltbrook.{{name}}", "like": "saltbrook.{{other}}" }""");

    public static readonly Gen<APack> Files = Gen.Select(
        AnyFile.List[1, 14],
        Gen.Frequency((5, Gen.Const(new List<(string, byte[])>())), (1, AnyTogether)),
        Gen.OneOfConst<string?>(null, null, "front.png", "cover/front.png", "art/surfaces/flagstone.png"))
        .Select(
            (files, together, front) =>
                files.Concat(together).Aggregate(
                    APack.Empty.With("firing.json", Manifest(front: front)),
                    (pack, file) => pack.With(file.Item1, file.Item2)));

    public static readonly Gen<APack> Manifests = Gen.Frequency(
        (6, Gen.Select(
            Gen.OneOfConst("\"saltbrook.test\"", "\"saltbrook\"", "\"Salt.brook\"", "null", "\"a.b.c\"", "\"a.b\\n\""),
            Gen.OneOfConst("1.0.0", "1.0", "01.0.0", "1.0.0-rc.1", "1.0.0-01", "2.3.4+b.5", "v1.0.0", ""),
            Gen.OneOfConst("3.0", "3.1", "4.0", "5.0"),
            Gen.OneOfConst("3.0", "3.1", "4.0", "4.0", "4"),
            Gen.OneOfConst(
                "",
                ", \"front\": \"front.png\"",
                ", \"front\": \"../front.png\"",
                ", \"front\": 7",
                ", \"about\": \"\"",
                ", \"needs\": []",
                ", \"needs\": [7]",
                ", \"after\": [1]",
                ", \"unknown\": null"))
            .Select(
                (id, version, from, to, extra) =>
                    APack.Empty.With(
                        "firing.json",
                        $$"""
                        {
                          "id": {{id}}, "version": "{{version}}", "title": "T", "by": "S",
                          "reads": { "from": "{{from}}", "to": "{{to}}" }{{extra}}
                        }
                        """))),
        (1, BrokenJson(APack.Manifest).Select(t => APack.Empty.With("firing.json", t))),
        (
            1,
            Gen.OneOfConst("firing.json", "Firing.json", "tidepool/firing.json", "a/b/firing.json", "firing.jsn")
                .Select(p => APack.Empty.With(p, APack.Manifest))))
        .SelectMany(
            pack =>
                Gen.OneOfConst("", "", "notes.txt", "tidepool/notes.txt", "a/b/c.txt", ".underlay/waivers.json")
                    .Select(extra => extra.Length == 0 ? pack : pack.With(extra, "{}")));

    public static string Manifest(string? front = null) =>
        $$"""
        {
          "id": "saltbrook.test", "version": "1.0.0", "title": "Test", "by": "Saltbrook",
          "reads": { "from": "3.0", "to": "4.0" }{{(front is null ? "" : $", \"front\": \"{front}\"")}}
        }
        """;

    private static Gen<string> BrokenJson(string sound) => Gen.OneOf(
        Gen.OneOfConst(
            "", " ", "[]", "7", "null", "\"text\"", "{", sound[..^2], sound.Replace(" }", ", }", StringComparison.Ordinal), "// note\n"
                + sound, "\uFEFF"
                + sound, sound
                + " x",
            sound.Replace("{ \"", "{ \"id\": 1, \"", StringComparison.Ordinal), "{ \"a\": 1, \"a\": 2, "
                + sound[1..], "{ \"a\": \"\\ud800\", "
                + sound[1..], "{ \"\\ud800\": 1, "
                + sound[1..],
            "{ \"deep\": "
                + new string('[', 62)
                + new string(']', 62)
                + ", "
                + sound[1..], "{ \"deep\": "
                + new string('[', 64)
                + new string(']', 64)
                + ", "
                + sound[1..],
            new string('[', 100_000)),
        Gen.Select(Gen.Int[0, 1000], Gen.Char[' ', '~'])
            .Select((at, c) => sound[..(at % sound.Length)] + c + sound[((at % sound.Length) + 1)..]));

    private static byte[] Cut(byte[] png, int percent) => png[..(png.Length * percent / 100)];

    private static byte[] Damage(byte[] png, int at, byte value)
    {
        png[at % png.Length] ^= (byte)(value | 1);
        return png;
    }
}
