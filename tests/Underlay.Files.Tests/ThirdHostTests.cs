using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Hosts;
using Underlay.Core.Mending;
using Underlay.Core.Packaging;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Testing;

namespace Underlay.Files.Tests;

/// <summary>A host is a folder of data: one that no code knows goes from loose files to a package.</summary>
public sealed class ThirdHostTests : IDisposable
{
    private static readonly HostProfile Lantern =
        ProfileFolder.Read(Path.Combine(Repository.Root, "tests", "third-host"), "lantern").Profile;

    private static readonly FileTree Figures = APack.Of().With("figures/heron.png", Picture.Shelf(40, 60)).Tree;

    private static readonly BaseCatalogue Base = BaseCatalogue.Read(Lantern, Lantern.Newest, Figures);

    private readonly TemporaryFolder folder = new();

    public void Dispose() => folder.Dispose();

    private static CheckReport Check(FileTree tree) => CheckReport.Make(Lantern, null, _ => Base, tree);

    [Fact]
    public void Loose_files_find_their_places()
    {
        var placer = new Placer(Check(APack.Of().Tree).Overlay!);
        var tray = APack.Of().With("my drawings/Heron final.png", Picture.Shelf(40, 60)).Tree;
        var advice = placer.Advise(tray.Find(PackPath.Parse("my drawings/Heron final.png"))!);
        Assert.True(advice.HasFirst);
        Assert.Equal("figures/heron.png", advice.Candidates[0].Target.Value);
    }

    [Fact]
    public void What_is_read_and_not_judged_is_told_as_that()
    {
        var found = Check(APack.Empty.With("songs/evening.txt", "la").Tree).Findings;
        var told = Assert.Single(found, f => f.Code.Value == "path/not-judged");
        Assert.Equal(Core.Findings.Severity.Note, told.Severity);
        Assert.Contains("does not judge", told.Message, StringComparison.Ordinal);
        Assert.DoesNotContain(found, f => f.Code.Value is "pack/empty" or "path/no-place");
    }

    [Fact]
    public void What_its_rules_say_is_found_mended_and_built()
    {
        FolderWriter.WriteFile(folder.At("figures/heron.png"), Picture.Shelf(80, 120).ToPng());
        FolderWriter.WriteFile(folder.At("cues/opening.json"), "{ \"figure\": \"heron\", \"seconds\": 0 }"u8);
        FolderWriter.WriteFile(folder.At("cues/close.json"), "{ \"figure\": \"hern\", \"seconds\": 2 }"u8);
        var tree = FolderTree.Read(folder.Path);
        var found = Check(tree).Findings.Where(f => f.Severity == Core.Findings.Severity.Blocker).ToList();
        Assert.Equal(
            [
                ("cues/close.json", "entry/dangling"), ("cues/opening.json", "entry/rejected"), ("figures/heron.png", "image/wrong-size"),
                ("programme.toml", "manifest/missing"),
            ],
            found.Select(f => (f.Path, f.Code.Value)).Order());
        Assert.Contains(found, f => f.Message.Contains("names a figure that does not exist", StringComparison.Ordinal));

        var mended = FixRunner.Run("dusk_play", tree, Check, Lantern, ["image/wrong-size", "entry/dangling", "manifest/missing"]);
        Assert.Equal(["entry/rejected"], mended.Report.Findings.Where(f => f.Blocks).Select(f => f.Code.Value));
        var opening = "{ \"figure\": \"heron\", \"seconds\": 3 }"u8.ToArray();
        var whole = mended.Tree.With([new TreeEdit.Write(PackPath.Parse("cues/opening.json"), opening)]);
        Assert.False(Check(whole).Blocks);

        using var package = new MemoryStream();
        PackageBuilder.Write(Lantern, PackageBuilder.Plan(Lantern, whole).Files, package);
        var read = PackArchive.Open(Lantern, package.ToArray(), ArchiveLimits.Standard).Tree;
        Assert.Equal(
            ["cues/close.json", "cues/opening.json", "figures/heron.png", "programme.toml"],
            read.Files.Select(f => f.Path.Value));
        var programme = System.Text.Encoding.UTF8.GetString(read.Find(PackPath.Parse("programme.toml"))!.ReadAll());
        Assert.Contains("title = \"Dusk play\"", programme, StringComparison.Ordinal);
    }
}
