using Underlay.Core.Mending;

namespace Underlay.Core.Tests.Checks;

/// <summary>What programs, editors and habits leave behind in a folder.</summary>
public class LeftoverTests
{
    [Theory]
    [InlineData("art/Thumbs.db", "an operating system or an editor left this behind")]
    [InlineData("desktop.ini", "an operating system or an editor left this behind")]
    [InlineData("art/._flagstone.png", "an operating system or an editor left this behind")]
    [InlineData("__X_OSX/art/x.png", "an operating system or an editor left this behind")]
    [InlineData("art/~$notes.odt", "an operating system or an editor left this behind")]
    [InlineData("art/flagstone.png.part", "an operating system or an editor left this behind")]
    [InlineData(".directory", "this is a hidden file")]
    [InlineData("art/flagstone.png.bak", "this is a backup copy")]
    [InlineData("art/flagstone.png~", "this is a backup copy")]
    [InlineData("art/flagstone copy (2).png", "this is a backup copy")]
    [InlineData("art/flagstone - Kopie.png", "this is a backup copy")]
    [InlineData("art/flagstone_old.png", "this is a backup copy")]
    [InlineData("example.json", "this is an example that a template came with")]
    [InlineData("untitled 3.png", "this is an example that a template came with")]
    [InlineData("art/flagstone.svg", "this is a master that an editor works on; keep it beside the pack")]
    [InlineData("art/flagstone.TIF", "this is a master that an editor works on; keep it beside the pack")]
    public void A_name_says_what_was_left_behind(string path, string what) =>
        Assert.Equal(what, Core.Checks.Leftover.Recognise(PackPath.Parse(path)));

    [Theory]
    [InlineData("art/flagstone.png")]
    [InlineData("art/golden.png")]
    [InlineData("art/copybook.png")]
    [InlineData("art/samples_of_clay.png")]
    [InlineData("readme.txt")]
    [InlineData("art/folder/marigold.png")]
    public void A_name_that_only_resembles_one_says_nothing(string path) =>
        Assert.Null(Core.Checks.Leftover.Recognise(PackPath.Parse(path)));

    [Fact]
    public void A_copy_is_only_one_where_its_original_is_shown()
    {
        Assert.Equal("pack/leftover", APack.Of().With("art/surfaces/flagstone_old.png", Picture.Of(64, 64)).Finding().Code.Value);
        Assert.DoesNotContain(APack.Of().WithSurface("saltbrook_old", Picture.Of(64, 64)).Findings(), f => f.Code.Value == "pack/leftover");
    }

    [Fact]
    public void What_is_set_aside_leaves_the_package_and_stays_in_the_pack()
    {
        var pack = APack.Of().With("art/surfaces/Thumbs.db", "x").With("art/flagstone.svg", "<svg/>");
        var (tree, applied, _, report) = FixRunner.Run(
            "p",
            pack.Tree,
            t => CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, t),
            Repository.Kilnmoor,
            ["pack/leftover"]);
        Assert.Equal(2, applied.Count);
        Assert.Equal(["pack/empty"], report.Findings.Select(f => f.Code.Value));
        Assert.Equal(
            [".underlay/aside/art/flagstone.svg", ".underlay/aside/art/surfaces/Thumbs.db", "firing.json"],
            tree.Files.Select(f => f.Path.Value));
    }

    [Fact]
    public void What_leaves_a_choice_is_not_done_unasked()
    {
        var pack = APack.Of().With("art/flagstone.svg", "<svg/>");
        Assert.Empty(
            FixRunner.Run(
                "p",
                pack.Tree,
                t => CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, t),
                Repository.Kilnmoor,
                []).Applied);
    }
}
