using System.Diagnostics;
using System.Globalization;
using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Hosts;
using Underlay.Core.Mending;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Demo;
using Underlay.Testing;

namespace Underlay.Bench;

/// <summary>What many files at once cost: advice for a full tray, placing it, mending it, and the check after one more change.</summary>
internal static class BatchTable
{
    public static void Print(HostProfile profile, int number, TextWriter to)
    {
        var catalogue = BaseCatalogue.Read(profile, profile.Newest, DemoCatalogue.FindBase(profile.Key, profile.Newest.Key)!.Make());
        var session = CheckSession.Open(profile, null, _ => catalogue, TrayOf(number));
        void Row(string what, TimeSpan time) =>
            to.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {what} | {time.TotalMilliseconds:N0} |"));
        to.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {number:N0} pictures of 96 x 96 | ms |\n|---|---:|"));

        var begun = Stopwatch.GetTimestamp();
        var tray = session.Tree.Files.Where(f => f.Path.IsBelow(ReservedFolder.Tray)).ToList();
        var advice = new AdviceMemory();
        advice.Advise(session.Report.Overlay!, tray);
        Row("advice for a full tray", Stopwatch.GetElapsedTime(begun));
        var named = session.With([new TreeEdit.Write(PackPath.Parse("art/surfaces/saltbrook_placed.png"), ManyPictures.Of(0))]);
        begun = Stopwatch.GetTimestamp();
        advice.Advise(named.Report.Overlay!, tray);
        Row("advice after a new name in the pack", Stopwatch.GetElapsedTime(begun));

        begun = Stopwatch.GetTimestamp();
        var wanted = tray.ConvertAll(f => new WantedPlace(f.Path, PackPath.Parse($"art/surfaces/{f.Path.FileName}")));
        var edits = Placing.PlaceAll(profile, profile.Newest, session.Tree, wanted).SelectMany(r => r.Edits).ToList();
        Row("placed", Stopwatch.GetElapsedTime(begun));
        begun = Stopwatch.GetTimestamp();
        session = session.With(edits);
        Row("checked", Stopwatch.GetElapsedTime(begun));
        begun = Stopwatch.GetTimestamp();
        advice.Advise(session.Report.Overlay!, [.. tray.Take(100).Select(f => f with { Path = Renamed(f.Path) })]);
        Row("advice for 100 more files beside all these", Stopwatch.GetElapsedTime(begun));

        begun = Stopwatch.GetTimestamp();
        var after = session;
        var outcome = FixRunner.Run("bench", session.Tree, t => (after = after.MovedTo(t)).Report, profile, ["image/not-power-of-two"]);
        Row(string.Create(CultureInfo.InvariantCulture, $"{outcome.Applied.Count:N0} fitted and checked"), Stopwatch.GetElapsedTime(begun));

        session = after;
        TimeSpan OfWrite(string path, byte[] bytes) =>
            TimeSpan.FromMilliseconds(Timing.Middle(7, () => session.With([new TreeEdit.Write(PackPath.Parse(path), bytes)])));
        Row("check after a changed picture", OfWrite("art/surfaces/saltbrook_00007.png", Picture.Of(64, 64).ToPng()));
        Row("check after an added picture", OfWrite("art/surfaces/saltbrook_added.png", Picture.Of(64, 64).ToPng()));
        var entry = "{ \"made_of\": \"stone\", \"edge\": \"solid\" }"u8.ToArray();
        Row("check after an added entry", OfWrite("art/surfaces/saltbrook_00007.surface.json", entry));
    }

    private static PackPath Renamed(PackPath path) =>
        PackPath.Parse(path.Value.Replace("saltbrook_", "saltbrook_more_", StringComparison.Ordinal));

    private static FileTree TrayOf(int number) =>
        FileTree.OfBytes(Enumerable.Range(0, number)
            .Select(i => KeyValuePair.Create(
                PackPath.Parse(string.Create(CultureInfo.InvariantCulture, $"{ReservedFolder.Tray}/saltbrook_{i:00000}.png")),
                ManyPictures.Of(i)))
            .Append(KeyValuePair.Create(PackPath.Parse("firing.json"), System.Text.Encoding.UTF8.GetBytes(APack.Manifest))));
}
