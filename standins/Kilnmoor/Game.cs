using StandIns;

namespace Kilnmoor;

/// <summary>
/// The game as far as packages go: it lists them, lays them over its own files, leaves out what it cannot use and shows the rest.
/// </summary>
public sealed class Game
{
    private static readonly string[] OutcomeOrder =
    [
        "hidden", "blank", "unlisted", "short", "jumping", "mixed", "coarse", "stretched", "cut", "holed", "plate", "unglazed",
        "unlit", "plain",
        "pitched", "left_only", "silent", "raw", "unchanged", "unplaced", "grey", "own",
    ];

    private readonly Stock stock;
    private readonly Dictionary<(string Path, string From), HashSet<string>> rows = [];
    private readonly List<LogRow> log = [];

    private Game(Stock stock) => this.stock = stock;

    /// <summary>Loads packages, lowest first.</summary>
    /// <param name="baseLayer">The game's own files.</param>
    /// <param name="edition">The edition that runs.</param>
    /// <param name="insist">Whether closed packages are loaded all the same.</param>
    /// <param name="packages">File names and their bytes.</param>
    public static Report Load(Layer baseLayer, string edition, bool insist, IReadOnlyList<(string Name, Func<Stream> Open)> packages)
    {
        var opened = new List<PackageFile>();
        foreach (var (name, open) in packages)
        {
            using var stream = open();
            opened.Add(PackageFile.Open(name, stream));
        }

        var list = Listing.Decide(opened, edition, insist);
        var listed = opened.Where((_, i) => list[i].Listed).ToList();
        var stock = new Stock(baseLayer.Fresh(edition), edition, listed.Select(p => p.Layer!));
        stock.Read();
        Drops.Decide(stock);
        var game = new Game(stock);
        game.Show(listed);
        return game.Report(list);
    }

    private void Show(IReadOnlyList<PackageFile> packages)
    {
        var judge = new Judge(stock);
        foreach (
            var path in stock.Layers
                .SelectMany(l => l.Files.Values)
                .Where(f => stock.Looks(f.Place))
                .Select(f => f.Path)
                .Distinct(StringComparer.Ordinal))
        {
            if (judge.FindSetOwner(path) is { } owner)
            {
                // The whole set comes from one package; what lower ones have is not looked at.
                if (!owner.Files.TryGetValue(path, out var member) || member.Dropped is not null) continue;
                Note(path, owner.Name, null);
                foreach (var outcome in judge.Outcomes(member)) Note(path, owner.Name, outcome);
                continue;
            }

            if (stock.Shown(path) is not { } shown) continue;
            if (stock.Layers.Any(l => !l.IsBase && l.Files.ContainsKey(path))) Note(path, shown.Layer.Name, null);
            foreach (var outcome in judge.Outcomes(shown.File, shown.Layer)) Note(path, shown.Layer.Name, outcome);
            foreach (var wanted in judge.Missing(shown.File)) Note(wanted, shown.Layer.Name, "blank");
            foreach (var (key, outcome) in judge.Inside(shown.File)) Note($"{path}#{key}", shown.Layer.Name, outcome);
        }

        foreach (var (path, from, outcome) in judge.MissingMembers()) Note(path, from, outcome);
        foreach (var package in packages)
        {
            ShowFront(package);
            foreach (var file in package.Layer!.Files.Values.OrderBy(f => f.Path, StringComparer.Ordinal))
                if (file.Path != "firing.json" && file.Path != package.Manifest!.Front && !stock.Looks(file.Place))
                    log.Add(new LogRow("note", file.Path, $"{package.Name} has a file here that nothing reads"));
        }
    }

    private void ShowFront(PackageFile package)
    {
        if (package.Manifest!.Front is not { } path) return;
        var good = !stock.Looks(Place.Of(path))
            && package.Layer!.Files.TryGetValue(path, out var file)
            && file.Bytes.Length <= 204_800
            && Bitmap.Read(file.Bytes) is { Width: 320, Height: 200, ColourType: 2 or 6 };
        Note(path, package.Name, good ? null : "blank");
    }

    private void Note(string path, string from, string? outcome)
    {
        if (!rows.TryGetValue((path, from), out var outcomes)) rows[(path, from)] = outcomes = [];
        if (outcome is not null) outcomes.Add(outcome);
    }

    private Report Report(IReadOnlyList<ListedPackage> packages) => new(
        "kilnmoor",
        stock.Edition,
        packages,
        [.. rows.OrderBy(r => r.Key.Path, StringComparer.Ordinal).ThenBy(r => r.Key.From, StringComparer.Ordinal).Select(Row)],
        [
            .. stock.Layers.SelectMany(
                l =>
                    l.Files.Values
                        .Where(f => f.Dropped is not null)
                        .OrderBy(f => f.Path, StringComparer.Ordinal)
                        .Select(f => new DroppedRow(f.Path, l.Name, f.Dropped!))),
        ],
        log);

    private static ShownRow Row(KeyValuePair<(string Path, string From), HashSet<string>> row)
    {
        var outcomes = OutcomeOrder.Where(row.Value.Contains).ToList();
        return new ShownRow(row.Key.Path, row.Key.From, outcomes.Count == 0 ? "right" : outcomes[0], [.. outcomes.Skip(1)]);
    }
}
