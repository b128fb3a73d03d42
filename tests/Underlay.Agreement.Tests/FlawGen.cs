using System.Text;
using System.Text.RegularExpressions;
using CsCheck;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>Sound packs in which files got two to four flaws each, as they come of hands, editors and recorders.</summary>
internal static partial class FlawGen
{
    /// <summary>A file before its bytes are made, so that flaws can be laid over each other.</summary>
    private sealed record Draft(string Path, Picture? Picture = null, string? Text = null, (int Rate, int Channels)? Sound = null)
    {
        public bool IsTga { get; init; }

        public byte[] Make() =>
            Picture is { } picture ? IsTga ? Tga(picture) : picture.ToPng()
            : Sound is var (rate, channels)
                ? TestSound.Wav(rate, channels, Path.StartsWith("calls/", StringComparison.Ordinal) ? 2.5 : 0.25)
            : Encoding.UTF8.GetBytes(Text!);
    }

    private static readonly Draft[][] OfPacks =
    [
        [
            new("art/surfaces/saltbrook_sand.png", Picture.Of(64, 64)),
            new("art/surfaces/saltbrook_sand.surface.json", Text: SmallBase.Descriptor),
        ],
        [
            new("wares/saltbrook_jar/ware.json", Text: SmallBase.Ware("saltbrook.saltbrook_jar")),
            new("wares/saltbrook_jar/shelf.png", Picture.Shelf()),
            new("wares/saltbrook_jar/skin.png", Picture.Of(64, 64)),
            new("wares/saltbrook_jar/mask.png", Picture.Mask()),
            new("texts/pack.csv", Text: "key,en,de,fr\nsaltbrook.saltbrook_jar/name,One,Eins,Un\nsaltbrook.saltbrook_jar/about,a,b,c\n"),
        ],
        [
            new("art/seals/saltbrook_tide.png", Picture.Of(60, 44).WithClearRing()),
            new("tables/seals.csv", Text: "code,do,name\nsaltbrook_tide,add,Tide\n"),
        ],
        [
            new("art/awnings/quay/dawn.png", Picture.Of(150, 60)),
            new("art/awnings/quay/noon.png", Picture.Of(150, 60)),
            new("art/awnings/quay/lamp.png", Picture.Of(150, 60)),
        ],
        [new("wares/milk_jug/shelf.png", Picture.Shelf())],
        [new("audio/bells/one.wav", Sound: (32_000, 1))],
        [new("art/stalls/001.png", Picture.Of(96, 72))],
        [new("art/scenes/quay.png", Picture.Of(264, 150))],
    ];

    private static readonly Draft[][] OfGuides =
    [
        [new("plates/ashen_adult.png", Picture.Of(400, 360)), Contents("asbra", "winter", "plates/ashen_adult.png")],
        [
            new("plates/fen/bronze.png", Picture.Of(320, 320)),
            new("plates/fen/bronze young.png", Picture.Of(320, 300)),
            Contents("brobr", "adult", "plates/fen/bronze.png", "young", "plates/fen/bronze young.png"),
        ],
        [new("families/brac.png", Picture.Of(288, 72))],
        [new("calls/asbra/1.wav", Sound: (48_000, 1)), new("calls/asbra/2.wav", Sound: (48_000, 1))],
        [new("tints.json", Text: """{ "winter": { "l": 0.5, "c": 0.1, "h": 40 } }""")],
    ];

    private static Draft Contents(string bird, params string[] plumagesAndPlates) => new(
        "contents.xml",
        Text: $"<contents about=\"t\"><chapter family=\"brac\"><bird code=\"{bird}\">"
            + string.Concat(plumagesAndPlates.Chunk(2).Select(p => $"<plate src=\"{p[1]}\" plumage=\"{p[0]}\"/>"))
            + "</bird></chapter></contents>");

    /// <summary>A flaw of one file; a file on which it has no hold stays as it is.</summary>
    private static readonly Func<Draft, int, Draft>[] Flaws =
    [
        (file, at) => file with { Path = WithoutLetter(file.Path, at) },
        (file, _) => file with { Path = file.Path[..^9] + file.Path[^9..].ToUpperInvariant()[..3] + file.Path[^6..] },
        (file, at) => file.Picture is { } p ? file with { Picture = p with { Width = p.Width + (at * 7), Height = p.Height + at } } : file,
        (file, _) => file.Picture is { } p ? file with { Picture = p with { Width = p.Width * 2, Height = p.Height * 2 } } : file,
        (file, _) => file with { IsTga = true },
        (file, _) => file.Picture is { } p ? file with { Picture = p with { ColourType = 2 } } : file,
        (file, at) => file.Sound is not null ? file with { Sound = (at % 2 == 0 ? 22_050 : 96_000, 1 + (at % 2)) } : file,
        (file, _) => file.Path.EndsWith(".png", StringComparison.Ordinal) ? file with { Path = file.Path[..^4] + " copy.png" } : file,
        // A slip of the keys in what is named: a code, a plumage, a path.
        (file, at) => file.Text is { } text ? file with { Text = Slip(text, at) } : file,
    ];

    private static Gen<Draft[]> FlawedThing(Draft[][] things) =>
        Gen.Select(
            Gen.OneOfConst(things),
            Gen.Int[0, 99],
            Gen.Select(Gen.OneOfConst(Flaws), Gen.Int[1, 40]).List[2, 4],
            Gen.Frequency((3, Gen.Const(-1)), (1, Gen.Int[0, 99])))
            .Select((thing, at, flaws, lost) =>
            {
                var files = thing.ToArray();
                files[at % files.Length] = flaws.Aggregate(files[at % files.Length], (file, flaw) => flaw.Item1(file, flaw.Item2));
                return lost < 0 ? files : [.. files.Where((_, i) => i != lost % files.Length || i == at % files.Length)];
            });

    /// <summary>The files of packs of one to four things, for Kilnmoor.</summary>
    public static Gen<IReadOnlyDictionary<string, byte[]>> Packs { get; } = Over(APack.Of().Files, OfPacks);

    /// <summary>The files of guides of one to four things, for Wrenfield.</summary>
    public static Gen<IReadOnlyDictionary<string, byte[]>> Guides { get; } = Over(AGuide.Of().Files, OfGuides);

    private static Gen<IReadOnlyDictionary<string, byte[]>> Over(IReadOnlyDictionary<string, byte[]> begun, Draft[][] things) =>
        FlawedThing(things).List[1, 4].Select(
            flawed =>
            {
                // Of two names that differ in capitals only, one can stand in a pack.
                var files = new Dictionary<string, byte[]>(begun, StringComparer.OrdinalIgnoreCase);
                foreach (var file in flawed.SelectMany(thing => thing)) files.TryAdd(file.Path, file.Make());
                return (IReadOnlyDictionary<string, byte[]>)files;
            });

    /// <summary>A letter of one of the names in a text goes missing; its grammar stays whole.</summary>
    private static string Slip(string text, int at)
    {
        var words = Names().Matches(text);
        var word = words[at % words.Count].Groups["name"];
        return text.Remove(word.Index + (at % word.Length), 1);
    }

    [GeneratedRegex("\"(?<name>[a-z_./ ]{4,})\"|^(?<name>[a-z_.]{4,})[/,]", RegexOptions.Multiline)]
    private static partial Regex Names();

    /// <summary>A letter of the folder that lies around the file goes missing.</summary>
    private static string WithoutLetter(string path, int at)
    {
        var start = path.IndexOf('/', StringComparison.Ordinal) + 1;
        var end = path.IndexOf('/', start);
        return end - start < 4 ? path : path.Remove(start + (at % (end - start)), 1);
    }

    /// <summary>An uncompressed TGA of 32 bits, rows from the top.</summary>
    private static byte[] Tga(Picture picture)
    {
        var file = new byte[18 + (picture.Width * picture.Height * 4)];
        (file[2], file[16], file[17]) = (2, 32, 0x28);
        (file[12], file[13]) = ((byte)picture.Width, (byte)(picture.Width >> 8));
        (file[14], file[15]) = ((byte)picture.Height, (byte)(picture.Height >> 8));
        for (var y = 0; y < picture.Height; y++)
            for (var x = 0; x < picture.Width; x++)
            {
                var (r, g, b, a) = picture.At(x, y);
                byte[] pixel = [b, g, r, picture.ColourType == 2 ? (byte)255 : a];
                pixel.CopyTo(file, 18 + (((y * picture.Width) + x) * 4));
            }

        return file;
    }
}
