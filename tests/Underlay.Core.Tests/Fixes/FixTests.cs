using System.Text;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Manifests;
using Underlay.Core.Mending;
using Underlay.Core.Tests.Decisions;
using static Underlay.Core.Tests.Fixes.Fixing;

namespace Underlay.Core.Tests.Fixes;

public class FixTests
{
    private static string Text(FileTree tree, string path) => Encoding.UTF8.GetString(tree.Find(PackPath.Parse(path))!.ReadAll());

    [Fact]
    public void Files_are_renamed_to_their_places_with_their_bytes()
    {
        var picture = Picture.Of(64, 64).ToPng();
        var (tree, _, _, report) = Run(APack.Of().With("art/surface/flagstone.png", picture));
        Assert.Empty(report.Findings);
        Assert.Equal(picture, tree.Find(PackPath.Parse("art/surfaces/flagstone.png"))!.ReadAll());
        Assert.Equal(2, tree.Files.Count);
    }

    [Fact]
    public void A_file_that_is_already_there_is_never_overwritten()
    {
        var pack = APack.Of()
            .With("art/surfaces/flagstone.png", Picture.Of(64, 64))
            .With("art/surfaces/flagstone.png.png", Picture.Of(32, 32));
        var (tree, applied, _, _) = Run(pack, "path/near-miss");
        Assert.Empty(applied);
        Assert.Equal(3, tree.Files.Count);
    }

    [Fact]
    public void A_rename_that_leaves_a_choice_is_made_only_when_asked_for()
    {
        // Both folders of the path may be the one too many.
        var pack = APack.Of()
            .With("art/surfaces/fence/flagstone.png", Picture.Of(64, 64))
            .With("wares/wares/tide/cup/skin.png", Picture.Of(64, 64));
        Assert.DoesNotContain(Run(pack).Applied, a => a.Finding.Path == "wares/wares/tide/cup/skin.png");
        var ambiguous = APack.Of().With("wares/milk_jug/soup_bowl/skin.png", Picture.Of(64, 64));
        Assert.Empty(Run(ambiguous).Applied);
        Assert.Contains("Also near", ambiguous.Findings().Single(f => f.Code.Value == "path/near-miss").Message, StringComparison.Ordinal);
        Assert.Single(Run(ambiguous, "path/near-miss").Applied);
    }

    [Fact]
    public void A_fix_after_which_the_host_would_leave_the_file_out_is_held_back()
    {
        // There is no ware of either name.
        var outcome = Run(
            APack.Of().With("wares/jar/cup/skin.png", Picture.Of(64, 64)).With("art/surfaces/flagstone.png", Picture.Of(64, 64)),
            "path/near-miss");
        Assert.Empty(outcome.Applied);
        var held = Assert.Single(outcome.Held);
        Assert.Equal("wares/jar/cup/skin.png", held.Finding.Path);
        Assert.Equal([new Prediction(PredictionKind.Drop, "wares/cup/skin.png", "ownerless")], held.Would);
    }

    [Fact]
    public void A_file_of_another_format_is_not_renamed_to_a_picture()
    {
        var pack = APack.Of().With("art/surfaces/flagstone.jpeg", [0xFF, 0xD8, 0xFF, 0xE0, 1, 2]);
        Assert.Empty(Run(pack).Applied);
        Assert.Contains("another format", pack.Finding().Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_manifest_is_written_from_the_name_and_the_ids_of_the_pack()
    {
        var (tree, _, _, report) = Run(
            APack.Empty.WithWare("tide_cup").With("front.png", Picture.Filled(320, 200, new Pixel(1, 2, 3, 255))));
        Assert.Empty(report.Findings);
        var manifest = ManifestFacts.Read(Repository.Kilnmoor, tree);
        Assert.Equal(("saltbrook.tide_pool", "Tide pool", "front.png"), (manifest.Id, manifest.Title, manifest.Text!.FindString("/front")));
    }

    [Fact]
    public void A_manifest_that_is_only_misnamed_is_renamed_not_written()
    {
        var (tree, applied, _, _) = Run(APack.Empty.With("Firing.json", APack.Manifest));
        Assert.Equal("path/near-miss", Assert.Single(applied).Finding.Code.Value);
        Assert.Equal(APack.Manifest, Text(tree, "firing.json"));
    }

    [Fact]
    public void A_descriptor_is_written_from_the_pictures_alpha_and_the_nearest_of_the_base()
    {
        var (tree, _, _, report) = Run(APack.Of().With("art/surfaces/saltbrook_fence.png", Picture.Of(64, 64).With(1, 1, default)));
        Assert.Empty(report.Findings);
        Assert.Contains("\"made_of\": \"reed\"", Text(tree, "art/surfaces/saltbrook_fence.surface.json"), StringComparison.Ordinal);
        Assert.Contains("\"edge\": \"cut\"", Text(tree, "art/surfaces/saltbrook_fence.surface.json"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_wrapped_pack_is_unwrapped_and_then_fixed_further()
    {
        var (tree, applied, _, report) = Run(
            APack.Empty.With("a/b/firing.json", APack.Manifest).With("a/b/art/surface/flagstone.png", Picture.Of(64, 64)));
        Assert.Equal(["package/wrapped", "path/near-miss"], applied.Select(a => a.Finding.Code.Value));
        Assert.Empty(report.Findings);
        Assert.Equal(["art/surfaces/flagstone.png", "firing.json"], tree.Files.Select(f => f.Path.Value));
    }

    [Fact]
    public void A_whole_copy_of_the_base_with_three_changed_files_comes_down_to_three()
    {
        string[] changed = ["art/surfaces/flagstone.png", "wares/milk_jug/skin.png", "wares/milk_jug/mask.png"];
        var pack = SmallBase.Files.Where(f => f.Key != "tables/materials.csv" && !f.Key.StartsWith("codes/", StringComparison.Ordinal))
            .Aggregate(APack.Of(), (p, f) => p.With(f.Key, f.Value))
            .With(changed[0], Picture.Of(128, 128)).With(changed[1], Picture.Of(128, 64)).With(changed[2], Picture.Mask(128, 64));
        var (tree, applied, _, report) = Run(pack, "pack/unchanged");
        Assert.Equal(
            [.. changed.Order(StringComparer.Ordinal).Prepend("firing.json").Order(StringComparer.Ordinal)],
            tree.Files.Select(f => f.Path.Value));
        Assert.All(applied.SelectMany(a => a.Edits), e => Assert.IsType<TreeEdit.Delete>(e));
        Assert.StartsWith("Slim the pack: take ", applied[0].Finding.Fix!.Title, StringComparison.Ordinal);
        Assert.DoesNotContain(report.Findings, f => f.Code.Value == "pack/unchanged" || f.Severity == Severity.Blocker);
    }

    [Fact]
    public void A_waived_finding_is_left_alone()
    {
        var pack = APack.Of().With("art/surface/flagstone.png", Picture.Of(64, 64));
        var waived = pack.With(".underlay/waivers.json", WaiverFile.Of(pack.Finding().Waive("kept for reference")));
        Assert.Empty(Run(waived).Applied);
    }

    [Fact]
    public void Fixes_for_other_codes_than_those_asked_for_are_not_applied()
    {
        var pack = APack.Of()
            .With("art/surface/flagstone.png", Picture.Of(64, 64))
            .With("art/surfaces/saltbrook_foam.png", Picture.Of(64, 64));
        Assert.Equal("companion/missing", Assert.Single(Run(pack, "companion/missing").Applied).Finding.Code.Value);
    }

    public static TheoryData<string, APack> Shaped => new()
    {
        { "image/wrong-size", APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf(48, 48)) },
        { "image/wrong-size", APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf(70, 40)) },
        { "image/wrong-size", APack.Of().With("art/surfaces/flagstone.png", Picture.Of(64, 128)) },
        { "image/not-power-of-two", APack.Of().With("art/surfaces/flagstone.png", Picture.Of(100, 90)) },
        { "image/not-a-multiple", APack.Of().WithWare("tide_cup").With("wares/tide_cup/skin.png", Picture.Of(70, 64)) },
        { "image/needs-clear-border", APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf().With(0, 9, new Pixel(1, 2, 3, 200))) },
        { "companion/size-differs", APack.Of().With("wares/milk_jug/skin.png", Picture.Of(128, 128)) },
        { "companion/size-differs", APack.Of().With("wares/milk_jug/mask.png", Picture.Mask(32, 32)) },
    };

    [Theory]
    [MemberData(nameof(Shaped))]
    public void A_picture_is_shaped_to_what_its_place_asks_when_asked_for(string code, APack pack)
    {
        Assert.Empty(Run(pack).Applied);
        var (tree, applied, _, report) = Run(pack, code);
        Assert.DoesNotContain(report.Findings, f => f.Severity != Severity.Note);
        var path = Assert.Single(applied).Finding.Path;
        Assert.NotNull(tree.Find(PackPath.Parse($".underlay/steps/{path}.json")));
        if (pack.Files.TryGetValue(path, out var source))
            Assert.Equal(source, tree.Find(PackPath.Parse($".underlay/sources/{path}"))!.ReadAll());
    }

    [Fact]
    public void Clearing_the_ring_is_not_offered_for_a_picture_that_is_solid_all_over()
    {
        Assert.Equal("Take the base’s alpha", APack.Of().With("wares/milk_jug/shelf.png", Picture.Of(56, 56)).Finding().Fix!.Title);
        Assert.Null(APack.Of().WithWare("tide_cup").With("wares/tide_cup/shelf.png", Picture.Of(56, 56)).Finding().Fix);
    }

    [Fact]
    public void A_fix_that_changes_bytes_is_made_only_when_asked_for_and_keeps_the_original()
    {
        var path = PackPath.Parse("art/surfaces/flagstone.png");
        var pack = APack.Of().With(path.Value, [1, 2, 3]);
        CheckReport Check(FileTree tree)
        {
            var report = CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, tree);
            return report with { Findings = [.. report.Findings.Select(f => f with { Fix = new Overwrite(path, [9]) })] };
        }

        Assert.Empty(FixRunner.Run("x", pack.Tree, Check, Repository.Kilnmoor, []).Applied);
        var (fixedTree, _, _, _) = FixRunner.Run("x", pack.Tree, Check, Repository.Kilnmoor, ["image/unreadable"]);
        Assert.Equal([9], fixedTree.Find(path)!.ReadAll());
        Assert.Equal([1, 2, 3], fixedTree.Find(PackPath.Parse(".underlay/sources/art/surfaces/flagstone.png"))!.ReadAll());
    }

    private sealed record Overwrite(PackPath Path, byte[] Bytes) : Fix("Overwrite", LosesNothing: false, LeavesNoChoice: true)
    {
        public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
            tree.Find(Path)!.ReadAll().SequenceEqual(Bytes) ? [] : [new TreeEdit.Write(Path, Bytes)];
    }
}
