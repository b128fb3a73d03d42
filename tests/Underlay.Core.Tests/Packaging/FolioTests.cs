using System.Text;
using CsCheck;
using Underlay.Core.Packaging;

namespace Underlay.Core.Tests.Packaging;

public class FolioTests
{
    private static AGuide Plates(int count) =>
        Enumerable.Range(0, count)
            .Aggregate(AGuide.Of(), (guide, i) => guide.With($"plates/p{i:D3}.png", Encoding.UTF8.GetBytes($"plate {i}")));

    private static IReadOnlyList<TreeFile> Fold(AGuide guide) => Bundles.PutIn(Repository.Wrenfield, guide.Tree.Files);

    [Fact]
    public void What_is_folded_comes_out_the_same() =>
        Gen.Select(Gen.String[Gen.Char.AlphaNumeric, 1, 120], Gen.Byte.Array[0, 2000]).List[1, 6].Sample(
            files =>
            {
                var guide = files.Aggregate(AGuide.Of(), (g, f) => g.With($"plates/é/{f.Item1}.png", f.Item2));
                var (tree, problem) = Bundles.TakeOut(Repository.Wrenfield, FileTree.Of(Fold(guide)));
                Assert.Null(problem);
                Assert.Equal(
                    FileTree.Of(guide.Tree.Files).Files.Select(f => (f.Path, Convert.ToHexString(f.ReadAll()))),
                    tree.Files.Select(f => (f.Path, Convert.ToHexString(f.ReadAll()))));
            },
            iter: 100);

    [Fact]
    public void Sixty_four_go_into_one_archive_in_the_order_of_the_contents()
    {
        var folded = Fold(Plates(130).WithContents(("asbra", "adult", "plates/p099.png"), ("asmor", "adult", "plates/p001.png")));
        Assert.Equal(3, folded.Count(f => f.Path.Value.StartsWith("folios/", StringComparison.Ordinal)));
        var manifest = Encoding.UTF8.GetString(folded.Single(f => f.Path.Value == "guide.toml").ReadAll());
        var first = manifest.Split("file = \"")[1].Split('"')[0];
        using var tar = new System.Formats.Tar.TarReader(new MemoryStream(folded.Single(f => f.Path.Value == first).ReadAll()));
        Assert.Equal("plates/p099.png", tar.GetNextEntry()!.Name);
        Assert.Equal("plates/p001.png", tar.GetNextEntry()!.Name);
        Assert.Equal("plates/p000.png", tar.GetNextEntry()!.Name);
    }

    [Fact]
    public void Archives_are_named_by_their_content_and_built_the_same_each_time()
    {
        var (one, other) = (Fold(Plates(3)), Fold(Plates(3).With("plates/p001.png", "another")));
        Assert.Equal(one.Select(f => f.Path), Fold(Plates(3)).Select(f => f.Path));
        Assert.NotEqual(
            one.Single(f => f.Path.Value.EndsWith(".tar", StringComparison.Ordinal)).Path,
            other.Single(f => f.Path.Value.EndsWith(".tar", StringComparison.Ordinal)).Path);
    }

    [Fact]
    public void A_guide_without_plates_has_no_archive() => Assert.Equal(["guide.toml"], Fold(AGuide.Of()).Select(f => f.Path.Value));

    [Fact]
    public void A_manifest_that_lists_archives_already_lists_the_new_ones_only()
    {
        var guide = Plates(2).With("guide.toml", AGuide.Manifest + "\n[[folio]]\nfile = \"folios/old.tar\"\nsha256 = \"00\"\n");
        var manifest = Encoding.UTF8.GetString(Fold(guide).Single(f => f.Path.Value == "guide.toml").ReadAll());
        Assert.DoesNotContain("old.tar", manifest, StringComparison.Ordinal);
        Assert.Single(manifest.Split("[[folio]]").Skip(1));
    }

    [Fact]
    public void A_hostile_archive_is_refused_whole()
    {
        var tar = new MemoryStream();
        using (var writer = new System.Formats.Tar.TarWriter(tar, leaveOpen: true))
            writer.WriteEntry(
                new System.Formats.Tar.PaxTarEntry(
                    System.Formats.Tar.TarEntryType.RegularFile,
                    "../../evil")
                { DataStream = new MemoryStream([1]) });
        var bytes = tar.ToArray();
        var guide = AGuide.Of()
            .With("folios/x.tar", bytes)
            .With("guide.toml", $"{AGuide.Manifest}\n[[folio]]\nfile = \"folios/x.tar\"\nsha256 = \"{ContentHash.Of(bytes).Hex}\"\n");
        var (tree, problem) = Bundles.TakeOut(Repository.Wrenfield, guide.Tree);
        Assert.Empty(tree.Files);
        Assert.Contains("may not stand there", problem!.Says, StringComparison.Ordinal);
    }
}
