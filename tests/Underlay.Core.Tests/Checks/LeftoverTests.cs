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
    [InlineData("New Text Document.txt", "this is an example that a template came with")]
    [InlineData("Neues Textdokument (2).txt", "this is an example that a template came with")]
    [InlineData("template/art.lock", "an operating system or an editor left this behind")]
    [InlineData("untitled 3.png", "this is an example that a template came with")]
    [InlineData("art/flagstone.svg", "this is a master that an editor works on; keep it beside the pack")]
    [InlineData("art/flagstone.TIF", "this is a master that an editor works on; keep it beside the pack")]
    public void A_name_says_what_was_left_behind(string path, string what) =>
        Assert.Equal(what, LeftoverNames.Recognise(PackPath.Parse(path)));

    [Theory]
    [InlineData("art/flagstone.png")]
    [InlineData("art/golden.png")]
    [InlineData("art/copybook.png")]
    [InlineData("art/samples_of_clay.png")]
    [InlineData("readme.txt")]
    [InlineData("art/folder/marigold.png")]
    public void A_name_that_only_resembles_one_says_nothing(string path) =>
        Assert.Null(LeftoverNames.Recognise(PackPath.Parse(path)));

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

    [Theory]
    [InlineData("Your name here", true)]
    [InlineData("[author]", true)]
    [InlineData("your title here", true)]
    [InlineData("Pack title", true)]
    [InlineData("Todo", true)]
    [InlineData("Tove Salter", false)]
    [InlineData("Name of the Tide", false)]
    [InlineData("Here be pots", false)]
    public void Words_that_a_template_has_are_told_from_an_authors(string text, bool isTemplate) =>
        Assert.Equal(isTemplate, LeftoverNames.IsTemplateText(text));

    [Fact]
    public void A_manifest_with_a_templates_words_and_an_example_in_a_place_are_told()
    {
        var manifest = APack.Manifest.Replace("\"by\": \"", "\"by\": \"your name here\", \"was\": \"", StringComparison.Ordinal);
        var pack = APack.Of()
            .With("firing.json", manifest.Replace("\"title\": \"", "\"title\": \"Your title here\", \"old\": \"", StringComparison.Ordinal))
            .WithSurface("example", Picture.Of(64, 64));
        var told = pack.Findings().Select(f => $"{f.Code} {f.Path}{f.Pointer}").ToList();
        Assert.Contains("manifest/unnamed-author firing.json/by", told);
        Assert.Contains("pack/leftover firing.json/title", told);
        Assert.Contains("pack/leftover art/surfaces/example.png", told);
    }
}
