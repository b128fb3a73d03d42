using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Mending;

namespace Underlay.Core.Tests.Fixes;

/// <summary>What the author said once stands in each manifest that is written, and ids that have to be unlike all others are.</summary>
public class AuthorTests
{
    private static FixOutcome Run(HostProfile profile, FileTree tree, params string[] only) => FixRunner.Run(
        "Plates",
        tree,
        t => CheckReport.Make(profile, null, profile == Repository.Kilnmoor ? SmallBase.Of : SmallLibrary.Of, t),
        profile,
        only,
        new Author("Tove Salter", "saltbrook"));

    private static string Manifest(HostProfile profile, FileTree tree) =>
        System.Text.Encoding.UTF8.GetString(Run(profile, tree).Tree.Find(profile.Manifest.Path)!.ReadAll());

    [Fact]
    public void A_manifest_that_is_written_has_the_authors_name_and_prefix()
    {
        var text = Manifest(Repository.Kilnmoor, APack.Empty.With("wares/milk_jug/shelf.png", Picture.Shelf()).Tree);
        Assert.Contains("\"id\": \"saltbrook.plates\"", text, StringComparison.Ordinal);
        Assert.Contains("Tove Salter", text, StringComparison.Ordinal);
    }

    [Fact]
    public void Two_guides_of_one_name_have_two_ids_and_keep_them()
    {
        var guide = AGuide.Of().Without("guide.toml").With("plates/a.png", Picture.Of(300, 300));
        string IdOf(string text) => text.Split('\n').Single(l => l.StartsWith("id", StringComparison.Ordinal));
        var (one, other) = (Run(Repository.Wrenfield, guide.Tree).Tree, Run(Repository.Wrenfield, guide.Tree).Tree);
        string Of(FileTree tree) => IdOf(System.Text.Encoding.UTF8.GetString(tree.Find(PackPath.Parse("guide.toml"))!.ReadAll()));
        Assert.NotEqual(Of(one), Of(other));
        Assert.Equal(Of(one), Of(Run(Repository.Wrenfield, one).Tree));
    }

    [Fact]
    public void Words_that_held_the_place_of_a_name_are_replaced_when_that_is_asked_for()
    {
        var pack = APack.Empty.With("firing.json", APack.Manifest.Replace("saltbrook.test", "author.test", StringComparison.Ordinal))
            .With("wares/milk_jug/shelf.png", Picture.Shelf());
        var outcome = Run(Repository.Kilnmoor, pack.Tree, "manifest/unnamed-author");
        Assert.Equal("saltbrook.test", outcome.Report.PackId);
    }
}
