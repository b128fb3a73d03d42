using System.Diagnostics;
using System.Globalization;
using Underlay.Bench;
using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Packs;
using Underlay.Demo;
using Underlay.Files;
using Underlay.Testing;

// Underlay.Bench make OUT PICTURES [small]: writes a sound pack of that many different pictures in mixed places, or small surfaces.
// Underlay.Bench change HOSTS PACK: times the check after one picture changed, the pack being open.
// Underlay.Bench placement FILES: tells how well that many generated files are placed, in each host.
// Underlay.Bench batch FILES: times advice, placing and mending of that many files at once.
// Underlay.Bench server ADDRESS FILES: times the same over the network, in a server that runs there.
// Underlay.Bench open DATABASE PICTURES: times the opening of a pack of that many pictures in a database of its own.
// Underlay.Bench economy RECIPES: times what is computed of that many recipes.
// Underlay.Bench entries ENTRIES: times the check of that many entries, first and after a change, and a rename.
// Underlay.Bench sounds OUT NUMBER: writes a sound pack of that many recordings; without them, times steps over one minute.
// Underlay.Bench splitter SESSIONS: tells how well that many made-up recordings of 40 sounds are split.
// Underlay.Bench fuzz MINUTES SEEDS: reads damaged files for that long; those that break something are kept in SEEDS.
switch (args)
{
    case ["make", var output, var count, .. var how] when int.TryParse(count, CultureInfo.InvariantCulture, out var pictures):
        var edits = new List<TreeEdit>();
        foreach (var tree in how is ["small"] ? LargePack.MakeSmall(pictures) : LargePack.Make(pictures))
            edits.AddRange(tree.Files.Select(f => new TreeEdit.Write(f.Path, f.ReadAll())));
        FolderWriter.Apply(output, edits);
        Console.Out.WriteLine($"{pictures} pictures in {edits.Count} files");
        return 0;
    case ["change", var hosts, var pack]:
        Console.Out.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{MeasureChange(hosts, pack):F1}"));
        return 0;
    case ["placement", var files] when int.TryParse(files, CultureInfo.InvariantCulture, out var number):
        foreach (var profile in new[] { Repository.Kilnmoor, Repository.Wrenfield }) PlacementTable.Print(profile, number, Console.Out);
        return 0;
    case ["batch", var files] when int.TryParse(files, CultureInfo.InvariantCulture, out var many):
        BatchTable.Print(Repository.Kilnmoor, many, Console.Out);
        return 0;
    case ["server", var address, var files] when int.TryParse(files, CultureInfo.InvariantCulture, out var dropped):
        using (var http = new HttpClient { BaseAddress = new Uri(address) })
            await new ServerTable(http, Console.Out).PrintAsync(dropped).ConfigureAwait(false);
        return 0;
    case ["open", var database, var files] when int.TryParse(files, CultureInfo.InvariantCulture, out var some):
        await using (var source = Npgsql.NpgsqlDataSource.Create(database))
            await new OpenTable(source).PrintAsync(Repository.Kilnmoor, some, Console.Out).ConfigureAwait(false);
        return 0;
    case ["economy", var recipes] when int.TryParse(recipes, CultureInfo.InvariantCulture, out var all):
        EconomyTable.Print(all, Console.Out);
        return 0;
    case ["entries", var entries] when int.TryParse(entries, CultureInfo.InvariantCulture, out var few):
        EntriesTable.Print(Repository.Kilnmoor, few, Console.Out);
        return 0;
    case ["sounds", var folder, var total] when int.TryParse(total, CultureInfo.InvariantCulture, out var recordings):
        SoundsTable.Make(folder, recordings);
        return 0;
    case ["sounds"]:
        SoundsTable.PrintSteps(Console.Out);
        return 0;
    case ["splitter", var sessions] when int.TryParse(sessions, CultureInfo.InvariantCulture, out var evenings):
        SplitterTable.Print(evenings, Console.Out);
        return 0;
    case ["fuzz", var minutes, var seeds] when double.TryParse(minutes, CultureInfo.InvariantCulture, out var span):
        return LongFuzz.Run(TimeSpan.FromMinutes(span), seeds, Console.Out);
    default:
        Console.Error.WriteLine(
            "Underlay.Bench make OUT PICTURES [small] | change HOSTS PACK | placement FILES | batch FILES | server ADDRESS FILES | "
                + "open DATABASE PICTURES | economy RECIPES | entries ENTRIES | sounds [OUT NUMBER] | splitter SESSIONS | "
                + "fuzz MINUTES SEEDS");
        return 2;
}

// The middle of 41 changes, in milliseconds: each exchanges one picture for another and checks again.
static double MeasureChange(string hosts, string pack)
{
    var profile = ProfileFolder.Read(hosts, "kilnmoor").Profile;
    var catalogue = BaseCatalogue.Read(profile, profile.Newest, DemoCatalogue.FindBase(profile.Key, profile.Newest.Key)!.Make());
    var session = CheckSession.Open(profile, null, _ => catalogue, FolderTree.Read(pack));
    var pictures = session.Tree.Files.Where(f => f.Path.Value.EndsWith(".png", StringComparison.Ordinal)).ToList();
    var times = new List<double>();
    for (var i = 0; i < 41; i++)
    {
        var (to, from) = (pictures[i * 7].Path, pictures[(i * 7) + 1]);
        var bytes = from.ReadAll();
        var begun = Stopwatch.GetTimestamp();
        session = session.With([new TreeEdit.Write(to, bytes)]);
        times.Add(Stopwatch.GetElapsedTime(begun).TotalMilliseconds);
    }

    times.Sort();
    return times[times.Count / 2];
}
