namespace Underlay.Core.Tests.Packs;

public class FileTreeTests
{
    private static FileTree Tree(params string[] paths) =>
        FileTree.OfBytes(paths.Select(p => KeyValuePair.Create(PackPath.Parse(p), new byte[] { 1 })));

    [Fact]
    public void Files_are_in_ordinal_order() =>
        Assert.Equal(["B", "a", "c/d"], Tree("c/d", "a", "B").Files.Select(f => f.Path.Value));

    [Fact]
    public void Of_two_names_that_differ_in_case_only_the_later_is_refused()
    {
        var tree = Tree("art/Jug.png", "art/jug.png");
        Assert.Equal("art/Jug.png", Assert.Single(tree.Files).Path.Value);
        Assert.Equal(new RefusedName("art/jug.png", PathProblem.Collides), Assert.Single(tree.Refused));
    }

    [Fact]
    public void Edits_are_applied_in_order()
    {
        var tree = Tree("a", "b").With(
        [
            new TreeEdit.Delete(PackPath.Parse("b")),
            new TreeEdit.Move(PackPath.Parse("a"), PackPath.Parse("b")),
            new TreeEdit.Write(PackPath.Parse("c"), new byte[] { 7 }),
        ]);
        Assert.Equal(["b", "c"], tree.Files.Select(f => f.Path.Value));
        Assert.Equal([7], tree.Find(PackPath.Parse("c"))!.ReadAll());
    }

    [Fact]
    public void A_move_never_replaces_a_file() =>
        Assert.Throws<InvalidOperationException>(() => Tree("a", "b").With([new TreeEdit.Move(PackPath.Parse("a"), PackPath.Parse("b"))]));
}
