using Underlay.Core.BaseFiles;
using Underlay.Core.Manifests;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Checks;

/// <summary>
/// A file of any kind under the name of any other: nothing fails at it, in a pack or in a tray. Each day tries a third of all kinds,
/// the odd ones always.
/// </summary>
public class AnyFileAnywhereTests
{
    private static readonly Dictionary<string, BaseCatalogue> Bases = new[] { Repository.Kilnmoor, Repository.Wrenfield }
        .ToDictionary(h => h.Key, h => BaseCatalogue.Read(h, h.Newest, DemoFiles.Base(h.Key, h.Newest.Key)));

    // One file of each place, and what else authors drop.
    private static readonly IReadOnlyList<TreeFile> Kinds =
    [
        .. Bases.Values.SelectMany(b => b.Files
            .Where(f => f.Place is not null)
            .DistinctBy(f => f.Place)
            .Select(f => new TreeFile(f.Path, f.Facts.Length, FileContent.Of(b.Read(f.Path)!)))),
        .. DemoFiles.Of("trays/tidepool").Files.DistinctBy(f => Path.GetExtension(f.Path.Value)),
        .. APack.Of()
            .With("empty.json", "{}")
            .With("odd.json", """{ "": { "": [null] }, "id": 7, "suits": { "wedding": 1, "": "x" }, "price": 1e30 }""")
            .With("nothing.png", [])
            .With("half.png", Picture.Of(9, 9).ToPng()[..40])
            .With("sound.wav", TestSound.Wav())
            .With("skin.dds", Dds.Of(64, 64))
            .Tree.Files,
    ];

    public static TheoryData<string, string> OfTheDay =>
        [.. Bases.Keys.SelectMany(h => Kinds.Where(IsOfTheDay).Select(k => (h, k.Path.Value))).Distinct()];

    private static bool IsOfTheDay(TreeFile kind, int at) => at % 3 == DaySeed.Value % 3 || !kind.Path.Value.Contains('/');

    [Theory]
    [MemberData(nameof(OfTheDay))]
    public void No_file_makes_us_fail_under_any_name(string host, string kind)
    {
        var (profile, @base) = (host == "kilnmoor" ? Repository.Kilnmoor : Repository.Wrenfield, Bases[host]);
        var content = Kinds.First(k => k.Path.Value == kind);
        // All names of a place are alike to what judges; a few of each do.
        var some = @base.Files.GroupBy(f => f.Place).SelectMany(g => g.Take(4));
        var names = some.Select(f => f.Path).Append(profile.Manifest.Path).ToHashSet();
        var tree = FileTree.Of(names.Select(n => content with { Path = n }).OrderBy(f => f.Path));
        NoFaults.In(CheckReport.Make(profile, null, _ => @base, tree));
        NoFaults.In(CheckReport.Make(profile, null, _ => @base, FileTree.Of(tree.Files.Where(f => f.Path != profile.Manifest.Path))));

        var manifest = ManifestFacts.Read(profile, FileTree.Empty);
        var overlay = Overlay.Of(PackReading.Read(profile, profile.Newest, FileTree.Empty, manifest), @base);
        var tray = @base.Files.Select(f => content with { Path = PackPath.Parse($"{ReservedFolder.Tray}/{f.Path}") }).ToList();
        Assert.All(new AdviceMemory().Advise(overlay, tray), a => Assert.Null(a.Fault));
    }
}
