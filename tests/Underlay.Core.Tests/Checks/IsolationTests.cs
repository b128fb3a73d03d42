using System.Reflection;
using Underlay.Core.BaseFiles;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Stacks;
using Underlay.Files;

namespace Underlay.Core.Tests.Checks;

/// <summary>One file at which we ourselves fail takes no other along.</summary>
public class IsolationTests
{
    private const string Bad = "wares/tide_cup/ware.json";

    private static readonly APack Pack = APack.Of()
        .WithSurface("saltbrook_foam", Picture.Of(96, 96))
        .WithWare("tide_cup")
        .With("wares/milk_jug/shelf.png", Picture.Shelf(48, 48))
        .With("audio/bells/low.wav", TestSound.Wav())
        .With("notes.txt", "x");

    public static TheoryData<string> Codes => [.. CheckList.Engine.Select(c => c.Code.Value).Where(c => c != "judge/failed")];

    private static CheckSession Open(HostProfile profile, CheckEngine? engine = null) =>
        CheckSession.Open(profile, null, SmallBase.Of, Pack.Tree, engine);

    private static List<string> Lines(CheckReport report) =>
        [.. report.Findings.Where(f => f.Code.Value != "judge/failed").Select(f => $"{f.Code} {f.Path} {f.Message}")];

    private static Finding Failed(CheckReport report) => Assert.Single(report.Findings, f => f.Code.Value == "judge/failed");

    [Theory]
    [MemberData(nameof(Codes))]
    public void A_check_that_fails_at_one_file_leaves_that_out_and_judges_the_rest(string code)
    {
        var broken = new CheckEngine([.. CheckList.Engine.Select(c => c.Code.Value == code ? new Failing(c, Bad) : c)]);
        var session = Open(Repository.Kilnmoor, broken);
        var failed = Failed(session.Report);
        Assert.Equal((Bad, Severity.Warning), (failed.Path, failed.Severity));
        Assert.Contains("InvalidOperationException", failed.Message, StringComparison.Ordinal);
        var without = new UnjudgedFile(Pack.Tree.Find(PackPath.Parse(Bad))!, new InvalidOperationException());
        var rest = Open(Repository.Kilnmoor, new CheckEngine([.. CheckList.Engine.Where(c => c.Code.Value != code)])).Without([without]);
        Assert.Equal(Lines(rest.Report), Lines(session.Report));

        // It stays left out while others change, and is judged again once it is another.
        session = session.With([new TreeEdit.Delete(PackPath.Parse("notes.txt"))]);
        Assert.Equal(Bad, Failed(session.Report).Path);
        session = session.With([new TreeEdit.Delete(PackPath.Parse(Bad))]);
        Assert.DoesNotContain(session.Report.Findings, f => f.Code.Value == "judge/failed");
    }

    [Fact]
    public void A_check_that_fails_whatever_is_left_out_is_told_and_the_others_are_made()
    {
        var broken = new CheckEngine([.. CheckList.Engine.Select(c => c.Code.Value == "pack/empty" ? new Failing(c, null) : c)]);
        var session = Open(Repository.Kilnmoor, broken);
        var failed = Failed(session.Report);
        Assert.Equal(("", "pack/empty"), (failed.Path, failed.Discriminator));
        Assert.Equal([new CheckCode("pack/empty")], session.Report.Skipped);
        Assert.Equal(Lines(Open(Repository.Kilnmoor).Report), Lines(session.Report));
        Assert.Equal("pack/empty", Failed(session.With([new TreeEdit.Delete(PackPath.Parse("notes.txt"))]).Report).Discriminator);
    }

    [Theory]
    [InlineData("shelf", nameof(Place.Format), "wares/tide_cup/shelf.png,wares/milk_jug/shelf.png")]
    [InlineData("wares", nameof(Place.Kind), Bad)]
    [InlineData("sounds", nameof(Place.Format), "audio/bells/low.wav")]
    public void A_reader_that_fails_leaves_its_files_out_and_reads_the_rest(string place, string without, string paths)
    {
        // A profile of which one place lacks what its reader cannot do without.
        var profile = ProfileFolder.Read(Repository.Hosts, "kilnmoor").Profile;
        var catalogue = BaseCatalogue.Read(
            profile,
            profile.Newest,
            FileTree.OfBytes(SmallBase.Files.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value))));
        typeof(Place).GetProperty(without, BindingFlags.Public | BindingFlags.Instance)!.SetValue(profile.Place(place), null);
        var report = CheckReport.Make(profile, null, _ => catalogue, Pack.Tree);
        Assert.Equal(paths.Split(',').Order(), report.Findings.Where(f => f.Code.Value == "judge/failed").Select(f => f.Path));
        Assert.Contains(report.Findings, f => f is { Code.Value: "image/not-power-of-two", Path: "art/surfaces/saltbrook_foam.png" });
    }

    [Fact]
    public void A_disk_that_fails_is_no_file_s_fault()
    {
        var tree = FileTree.Of([.. Pack.Tree.Files, new TreeFile(PackPath.Parse("wares/milk_jug/skin.png"), 9, new Unreachable())]);
        Assert.Throws<IOException>(() => CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, tree));
    }

    private sealed class Unreachable : FileContent
    {
        public override void Read(Span<byte> into) => throw new IOException("The disk is gone.");
    }

    /// <summary>Fails wherever a file is looked at, or at all.</summary>
    private sealed class Failing(Check instead, string? path) : Check
    {
        public override CheckCode Code => instead.Code;

        public override CheckScope Scope => instead.Scope;

        public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement) => Look(placement.Path.Value == path);

        public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop) => Look(drop.Placement.Path.Value == path);

        public override IEnumerable<Finding> Inspect(Overlay overlay) =>
            Look(path is null || overlay.Pack.Facts.ContainsKey(PackPath.Parse(path)));

        private static IEnumerable<Finding> Look(bool fails)
        {
            if (fails) throw new InvalidOperationException("A fault that a test made.");
            yield break;
        }
    }
}
