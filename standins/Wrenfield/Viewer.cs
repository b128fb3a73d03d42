using System.Globalization;
using System.Text.RegularExpressions;
using StandIns;

namespace Wrenfield;

/// <summary>The viewer as far as guides go: it lists them, leaves out what it cannot use and shows the rest.</summary>
public sealed partial class Viewer
{
    private readonly Library library;
    private readonly int printing;
    private readonly List<ShownRow> shown = [];
    private readonly List<DroppedRow> dropped = [];
    private readonly List<LogRow> log = [];

    private Viewer(Library library, int printing) => (this.library, this.printing) = (library, printing);

    /// <summary>Loads guides; the viewer takes them in order of their file names.</summary>
    /// <param name="library">The viewer's own files.</param>
    /// <param name="printing">The printing that runs.</param>
    /// <param name="insist">Whether closed guides are loaded all the same.</param>
    /// <param name="packages">File names and their bytes.</param>
    public static Report Load(Library library, int printing, bool insist, IReadOnlyList<(string Name, Func<Stream> Open)> packages)
    {
        var guides = new List<Guide>();
        foreach (var (name, open) in packages.OrderBy(p => p.Name, StringComparer.Ordinal))
        {
            using var stream = open();
            guides.Add(Guide.Open(name, stream));
        }

        var reasons = guides.Select(g => g.Reason ?? (!insist && g.Printing != printing ? "closed" : null)).ToArray();
        for (var i = 0; i < reasons.Length; i++)
            if (reasons[i] is null && guides.Where((g, j) => j > i && reasons[j] is null && g.Id == guides[i].Id).Any())
                reasons[i] = "superseded";
        var viewer = new Viewer(library, printing);
        for (var i = 0; i < guides.Count; i++)
            if (reasons[i] is null) viewer.Show(guides[i]);
        return new Report(
            "wrenfield",
            printing.ToString(CultureInfo.InvariantCulture),
            [.. guides.Select((g, i) => new ListedPackage(g.Name, g.Id, reasons[i] is null, reasons[i]))],
            viewer.Upper(),
            viewer.dropped,
            viewer.log);
    }

    /// <summary>Of rows at one path the later guide's shows.</summary>
    private List<ShownRow> Upper() =>
        [
            .. shown
                .Where((row, i) => IsPlate(row.Path) || !shown.Skip(i + 1).Any(later => later.Path == row.Path))
                .OrderBy(r => r.Path, StringComparer.Ordinal)
                .ThenBy(r => r.From, StringComparer.Ordinal),
        ];

    private static bool IsPlate(string path) =>
        path.StartsWith("plates/", StringComparison.Ordinal)
            && path.EndsWith(".png", StringComparison.Ordinal)
            && path.Length > "plates/.png".Length;

    private void Show(Guide guide)
    {
        var rows = ReadContents(guide);
        var named = rows.Select(r => r.Src).ToHashSet(StringComparer.Ordinal);
        var plates = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (path, bytes) in guide.Files.OrderBy(f => f.Key, StringComparer.Ordinal))
        {
            if (IsPlate(path)) ShowPlate(guide, path, bytes, named, plates);
            else if (FamilyPath().Match(path) is { Success: true } family) ShowFamily(guide, path, bytes, family.Groups[1].Value);
            else if (path == "tints.json" && printing >= 2) ShowTints(guide, bytes);
            else if (CallPath().Match(path) is { Success: true } call) ShowCall(guide, path, bytes, call);
            else if (path is not ("guide.toml" or "contents.xml"))
                log.Add(new LogRow("note", path, $"{guide.Name} has a file here that nothing reads"));
        }

        ShowRows(guide, rows, plates);
    }

    private List<PlateRow> ReadContents(Guide guide)
    {
        if (!guide.Files.TryGetValue("contents.xml", out var bytes)) return [];
        var (rows, problem) = Contents.Read(bytes);
        if (problem is null) shown.Add(new ShownRow("contents.xml", guide.Name, "right", []));
        else dropped.Add(new DroppedRow("contents.xml", guide.Name, problem));
        return rows;
    }

    private void ShowRows(Guide guide, List<PlateRow> rows, HashSet<string> plates)
    {
        var seen = new HashSet<(string, string)>();
        foreach (var row in rows)
        {
            var known = library.Birds.Contains(row.Bird) && library.Plumages.Contains(row.Plumage);
            if (known && !plates.Contains(row.Src) && guide.LacksFolio && IsPlate(row.Src))
                shown.Add(new ShownRow(row.Src, guide.Name, "blank", []));
            else if (!known || !plates.Contains(row.Src)) dropped.Add(new DroppedRow($"contents.xml#{row.Src}", guide.Name, "dangling"));
            else if (!seen.Add((row.Bird, row.Plumage))) dropped.Add(new DroppedRow($"contents.xml#{row.Src}", guide.Name, "twice"));
        }
    }

    private void ShowPlate(Guide guide, string path, byte[] bytes, HashSet<string> named, HashSet<string> plates)
    {
        var picture = Bitmap.Read(bytes);
        if (picture is null || !named.Contains(path))
        {
            dropped.Add(new DroppedRow(path, guide.Name, picture is null ? "unreadable" : "unplaced"));
            return;
        }

        plates.Add(path);
        int longer = Math.Max(picture.Width, picture.Height), shorter = Math.Min(picture.Width, picture.Height);
        var fits = longer is >= 300 and <= 1200 && shorter * 4 >= longer * 3;
        shown.Add(new ShownRow(path, guide.Name, fits ? "right" : "blank", []));
    }

    private void ShowFamily(Guide guide, string path, byte[] bytes, string code)
    {
        var picture = Bitmap.Read(bytes);
        if (picture is null) dropped.Add(new DroppedRow(path, guide.Name, "unreadable"));
        else if (!library.Families.Contains(code)) dropped.Add(new DroppedRow(path, guide.Name, "ownerless"));
        else shown.Add(new ShownRow(path, guide.Name, picture is { Width: 288, Height: 72 } ? "right" : "grey", []));
    }

    private void ShowCall(Guide guide, string path, byte[] bytes, Match name)
    {
        var (bird, number) = (name.Groups["bird"].Value, name.Groups["n"].Value.TrimStart('0'));
        if (!library.Birds.Contains(bird))
        {
            dropped.Add(new DroppedRow(path, guide.Name, "ownerless"));
            return;
        }

        // The viewer plays 1, 2, 3 … until there is no next one.
        var there = guide.Files.Keys
            .Select(p => CallPath().Match(p))
            .Where(m => m.Success && m.Groups["bird"].Value == bird)
            .Select(m => m.Groups["n"].Value.TrimStart('0'))
            .ToHashSet(StringComparer.Ordinal);
        var isPlayed = number.Length is > 0 and < 10;
        for (var n = 1; isPlayed && n < int.Parse(number, CultureInfo.InvariantCulture); n++)
            isPlayed = there.Contains(n.ToString(CultureInfo.InvariantCulture));
        var seconds = path.EndsWith(".wav", StringComparison.Ordinal) ? Call.SecondsOfWave(bytes) : Call.SecondsOfOpus(bytes);
        shown.Add(new ShownRow(path, guide.Name, isPlayed && seconds is >= 2 and <= 20 ? "right" : "silent", []));
    }

    private void ShowTints(Guide guide, byte[] bytes)
    {
        var (fields, problem) = Fields.Read(bytes);
        var accepted = fields?
            .Members()
            .All(
                m =>
                    m.Value is { } colour
                        && colour.IsNumber("l", true, 0, 1)
                        && colour.IsNumber("c", true, 0, 0.5)
                        && colour.IsNumber("h", true, 0, 360)) == true;
        if (!accepted)
        {
            dropped.Add(new DroppedRow("tints.json", guide.Name, problem ?? "rejected"));
            return;
        }

        shown.Add(new ShownRow("tints.json", guide.Name, "right", []));
        foreach (var (code, _) in fields!.Members())
            if (!library.Plumages.Contains(code)) shown.Add(new ShownRow($"tints.json#{code}", guide.Name, "own", []));
    }

    [GeneratedRegex(@"\Afamilies/([a-z]+)\.png\z", RegexOptions.CultureInvariant)]
    private static partial Regex FamilyPath();

    [GeneratedRegex(@"\Acalls/(?<bird>[a-z]+)/(?<n>[0-9]+)\.(wav|opus)\z", RegexOptions.CultureInvariant)]
    private static partial Regex CallPath();
}
