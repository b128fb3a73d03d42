using System.Text;
using Underlay.Core.Decisions;
using Underlay.Core.Placements;
using Underlay.Core.Steps;

namespace Underlay.Core.Tests.Placements;

/// <summary>A file that is moved takes along what speaks of it.</summary>
public class RenamingTests
{
    private static FileTree Rename(FileTree tree, string from, string to, bool isGuide = false)
    {
        var profile = isGuide ? Repository.Wrenfield : Repository.Kilnmoor;
        return tree.With(Renaming.Edits(profile, profile.Newest, tree, PackPath.Parse(from), PackPath.Parse(to)));
    }

    private static string Text(FileTree tree, string path) => Encoding.UTF8.GetString(tree.Find(PackPath.Parse(path))!.ReadAll());

    [Fact]
    public void A_listed_picture_takes_its_row_along_and_the_rest_of_the_table_stays_as_it_is()
    {
        var tree = APack.Of()
            .With("art/seals/tide.png", Picture.Of(60, 44))
            .With("tables/seals.csv", "code,do,name\r\n\"tide\",add,\"Tide, low\"\r\nother,add, Other \r\n").Tree;
        var after = Rename(tree, "art/seals/tide.png", "art/seals/low_tide.png");
        Assert.Equal(
            "code,do,name\r\nlow_tide,add,\"Tide, low\"\r\nother,add, Other \r\n",
            Text(after, "tables/seals.csv").Replace("\"low_tide\"", "low_tide", StringComparison.Ordinal));
        Assert.NotNull(after.Find(PackPath.Parse("art/seals/low_tide.png")));
    }

    [Fact]
    public void A_row_that_has_the_new_name_already_is_left_alone()
    {
        const string Table = "code,do\ntide,add\nlow_tide,add\n";
        var tree = APack.Of().With("art/seals/tide.png", Picture.Of(60, 44)).With("tables/seals.csv", Table).Tree;
        Assert.Equal(Table, Text(Rename(tree, "art/seals/tide.png", "art/seals/low_tide.png"), "tables/seals.csv"));
    }

    [Fact]
    public void A_plate_takes_its_rows_of_the_contents_along()
    {
        var tree = AGuide.Of()
            .With("plates/p1.png", Picture.Of(320, 300))
            .WithContents(("asbra", "adult", "plates/p1.png"), ("asbra", "winter", "plates/p2.png")).Tree;
        var after = Text(Rename(tree, "plates/p1.png", "plates/new/p1.png", isGuide: true), "contents.xml");
        Assert.Contains("src=\"plates/new/p1.png\"", after, StringComparison.Ordinal);
        Assert.Contains("src=\"plates/p2.png\"", after, StringComparison.Ordinal);
        Assert.DoesNotContain("\"plates/p1.png\"", after, StringComparison.Ordinal);
    }

    [Fact]
    public void Source_steps_and_mark_move_with_a_picture()
    {
        var (from, to) = (PackPath.Parse("wares/milk_jug/shelf.png"), PackPath.Parse("wares/soup_bowl/shelf.png"));
        var tree = APack.Of().With(from.Value, Picture.Of(60, 60)).Tree;
        tree = tree.With(Shaping.Add(tree, from, new FitToSize(new(56, 56), FitMode.Stretch, Exact: false)).Edits);
        tree = tree.With(PlaceholderFiles.Add(tree, [new PlaceholderFile(from, ContentHash.Of(tree.Find(from)!.ReadAll()), "x")]).Edits);
        var after = tree.With(Renaming.Edits(Repository.Kilnmoor, Repository.Kilnmoor.Newest, tree, from, to));
        Assert.NotNull(Shaping.FindSteps(after, to));
        Assert.Null(Shaping.FindSteps(after, from));
        Assert.Equal(to, Assert.Single(PlaceholderFiles.Read(after)).Key);
    }

    [Fact]
    public void Nothing_happens_where_the_new_path_is_taken()
    {
        var tree = APack.Of().With("art/surfaces/fence.png", Picture.Of(64, 64)).With("art/surfaces/water.png", Picture.Of(64, 64)).Tree;
        Assert.Empty(
            Renaming.Edits(
                Repository.Kilnmoor,
                Repository.Kilnmoor.Newest,
                tree,
                PackPath.Parse("art/surfaces/fence.png"),
                PackPath.Parse("art/surfaces/water.png")));
    }
}
