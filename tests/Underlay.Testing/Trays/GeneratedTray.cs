using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Images;
using Underlay.Core.Packs;
using Underlay.Core.Placements;

namespace Underlay.Testing.Trays;

/// <summary>A file as an author might have it.</summary>
/// <param name="Naming">How it came by its name.</param>
/// <param name="File">The file.</param>
/// <param name="Wanted">Where a person who knows what it is would put it; null for what has no place in the base.</param>
/// <param name="Likeness">The file of the base that it is like.</param>
public sealed record TrayItem(string Naming, TreeFile File, PackPath? Wanted, PackPath Likeness);

/// <summary>Makes files out of a base's pictures as authors do: painted over, larger, and named by every habit there is.</summary>
public static class GeneratedTray
{
    private static readonly string[] Versions =
    [
        " copy",
        " copy 2",
        "_final",
        "_v2",
        "-new",
        " (1)",
        "@2x",
        "_edit",
        " OLD",
        "_backup",
        "-1",
        " finished",
    ];
    private static readonly string[] Folders = ["export", "my pack", "Desktop/stuff", "2026-11", "done", "pictures/new", "v3"];
    private static readonly string[] Twins = ["_e", "_n", "_glow", "_height", "_rough", "_spec"];
    private static readonly string[] Syllables = ["vel", "or", "mun", "ta", "kri", "sel", "bo", "dan", "fi", "luth"];

    private static readonly (string Naming, Func<Known, Random, string?> Name)[] Habits =
    [
        ("whole path", (k, _) => k.SpokenPath),
        ("path below other folders", (k, r) => $"{r.Pick(Folders)}/{k.SpokenPath}"),
        (
            "last folder and name",
            (k, r) =>
                k.Path.Segments.Length < 3
                    ? null
                    : $"{(r.Next(2) == 0 ? "" : r.Pick(Folders) + "/")}{k.Path.Segments[^2]}/{k.FileStem}{k.Ending}"),
        ("name alone", (k, _) => k.FileStem + k.Ending),
        ("name of a saved copy", (k, _) => k.Stem + k.Ending),
        ("version behind it", (k, r) => $"{k.Stem}{r.Pick(Versions)}{k.Ending}"),
        ("other spelling", (k, r) => Respell(k.Stem, r) + k.Ending),
        ("a letter wrong", (k, r) => Mistype(k.Stem, r) is { } stem ? stem + k.Ending : null),
        (
            "number in words of its own",
            (k, r) =>
                k.FileStem.All(char.IsAsciiDigit)
                    ? $"{r.Pick(["part", "frame", "page"])}_"
                        + $"{int.Parse(k.FileStem, System.Globalization.CultureInfo.InvariantCulture)}{k.Ending}"
                    : null),
        ("scrambled", (k, r) => $"{r.Pick(["IMG_", "DSC0", "Untitled-", "export", ""])}{r.Next(1000, 99999)}{k.Ending}"),
    ];

    private static readonly (string Naming, Func<Known, Random, string?> Name, bool IsTwin)[] Strangers =
    [
        ("twin of a name", (k, r) => k.Stem + r.Pick(Twins) + k.Ending, true),
        ("new name", (_, r) => Invented(r) + ".png", false),
        (
            "new name in a folder of the host’s",
            (k, r) => k.Path.Segments.Length < 3 ? null : $"{k.Path.Segments[^2]}/{Invented(r)}.png",
            false),
    ];

    /// <summary>The ways to name files, in order.</summary>
    public static IReadOnlyList<string> Namings { get; } = [.. Habits.Select(h => h.Naming), .. Strangers.Select(s => s.Naming)];

    /// <summary>Makes files, of each naming in turn.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="tree">Its base.</param>
    /// <param name="count">How many.</param>
    /// <param name="seed">The same seed makes the same files.</param>
    public static ParallelQuery<TrayItem> Make(HostProfile profile, FileTree tree, int count, int seed)
    {
        var pictures = tree.Files
            .Where(f => profile.Locate(f.Path, profile.Newest)?.Place.Content == PlaceContent.Picture)
            .Select(f => new Known(profile, f))
            .ToList();
        var random = new Random(seed);
        var plans = new List<(string Says, PackPath Path, Known Known, bool IsTwin, bool IsNew, int Seed)>();
        for (var turn = 0; plans.Count < count; turn++)
        {
            // A host may have nothing that could be named in some way.
            var naming = turn % (Habits.Length + Strangers.Length);
            var known = random.Pick(pictures);
            var (says, name, isStranger, isTwin) = naming < Habits.Length
                ? (Habits[naming].Naming, Habits[naming].Name(known, random), false, false)
                : (
                    Strangers[naming - Habits.Length].Naming,
                    Strangers[naming - Habits.Length].Name(known, random),
                    true,
                    Strangers[naming - Habits.Length].IsTwin);
            if (name is null || !PackPath.TryParse(name, out var path, out _) || (isStranger && pictures.Exists(p => p.CopyName == name)))
                continue;
            plans.Add((says, path, known, isTwin, isStranger && !isTwin, random.Next()));
        }

        return plans.AsParallel().AsOrdered().Select(plan =>
        {
            var bytes = Repaint(plan.Known, new Random(plan.Seed), plan.IsTwin, plan.IsNew);
            return new TrayItem(
                plan.Says,
                new TreeFile(plan.Path, bytes.Length, FileContent.Of(bytes)),
                plan.IsTwin || plan.IsNew ? null : plan.Known.Path,
                plan.Known.Path);
        });
    }

    /// <summary>
    /// The picture with some of it elsewhere and a cast over it, in a size of its own now and then; every rule that it kept it
    /// keeps, but for sizes.
    /// </summary>
    private static byte[] Repaint(Known known, Random random, bool isTwin, bool isNew)
    {
        var picture = known.Picture;
        var (width, height) = (picture.Size.Width, picture.Size.Height);
        var rgba = picture.Rgba.ToArray();
        var (w, h) = (random.Next(1, Math.Max(2, width / 3)), random.Next(1, Math.Max(2, height / 3)));
        var (fromX, fromY, toX, toY) = (
            random.Next(width - w + 1),
            random.Next(height - h + 1),
            random.Next(width - w + 1),
            random.Next(height - h + 1));
        for (var y = 0; y < h; y++)
            for (var x = 0; x < w; x++)
                picture.Rgba.AsSpan((((fromY + y) * width) + fromX + x) * 4, 4).CopyTo(rgba.AsSpan((((toY + y) * width) + toX + x) * 4));
        var gain = 0.7 + (random.NextDouble() * 0.3);
        if (!known.IsKey) for (var i = 0; i < rgba.Length; i++) if (i % 4 != 3) rgba[i] = (byte)(rgba[i] * gain);
        if (isTwin) for (var i = 0; i < rgba.Length; i++) if (i / 4 / width > height / 5) rgba[i] = 0;
        // What is new looks like nothing that the base has.
        if (isNew) for (var i = 0; i < rgba.Length; i++) if (i % 4 != 3) rgba[i] = (byte)(255 - rgba[i]);
        var factor = random.Next(4) == 0 && width * height < 40_000 ? 2 : 1;
        return new Picture(width * factor, height * factor, (x, y) => At(rgba, width, x / factor, y / factor)).ToPng();
    }

    private static Pixel At(byte[] rgba, int width, int x, int y)
    {
        var at = ((y * width) + x) * 4;
        return new Pixel(rgba[at], rgba[at + 1], rgba[at + 2], rgba[at + 3]);
    }

    private static string Respell(string stem, Random random) => random.Next(5) switch
    {
        0 => stem.ToUpperInvariant(),
        1 => stem.Replace('_', ' '),
        2 => stem.Replace('_', '-'),
        3 => string.Concat(stem.Split('_').Where(w => w.Length > 0).Select(w => char.ToUpperInvariant(w[0]) + w[1..])),
        _ => stem.Replace("_", "", StringComparison.Ordinal),
    };

    /// <summary>Two letters exchanged, one left out or one doubled; null for names too short for slips.</summary>
    private static string? Mistype(string stem, Random random)
    {
        var letters = Enumerable.Range(1, Math.Max(0, stem.Length - 2))
            .Where(i => char.IsAsciiLetter(stem[i]) && char.IsAsciiLetter(stem[i - 1]) && stem[i] != stem[i - 1])
            .ToList();
        if (stem.Length < 7 || letters.Count == 0) return null;
        var at = random.Pick(letters);
        return random.Next(3) switch
        {
            0 => $"{stem[..(at - 1)]}{stem[at]}{stem[at - 1]}{stem[(at + 1)..]}",
            1 => stem.Remove(at, 1),
            _ => stem.Insert(at, stem[at].ToString()),
        };
    }

    private static string Invented(Random random) =>
        $"{InventedWord(random)}_{InventedWord(random)}";

    private static string InventedWord(Random random) =>
        $"{random.Pick(Syllables)}{random.Pick(Syllables)}{random.Pick(Syllables)}";

    private static T Pick<T>(this Random random, IReadOnlyList<T> from) => from[random.Next(from.Count)];

    private sealed class Known
    {
        public Known(HostProfile profile, TreeFile file)
        {
            Path = file.Path;
            CopyName = CopyNames.Of(profile, profile.Newest, file.Path);
            FileStem = Path.FileName[..Path.FileName.IndexOf('.', StringComparison.Ordinal)];
            Ending = ".png";
            Stem = CopyName[..CopyName.IndexOf('.', StringComparison.Ordinal)];
            Picture = SourceReader.Read(file.ReadAll()).Picture!;
            IsKey = profile.Locate(file.Path, profile.Newest)!.Value.Place.Key.Contains("mask", StringComparison.Ordinal);
        }

        public PackPath Path { get; }

        /// <summary>The path, with the ending of the file's format.</summary>
        public string SpokenPath => Path.Value[..Path.Value.LastIndexOf('.')] + Ending;

        public string CopyName { get; }

        /// <summary>The file's own name without its ending.</summary>
        public string FileStem { get; }

        public string Stem { get; }

        public string Ending { get; }

        public RgbaPicture Picture { get; }

        /// <summary>True where each colour means something, so that none may change.</summary>
        public bool IsKey { get; }
    }
}
