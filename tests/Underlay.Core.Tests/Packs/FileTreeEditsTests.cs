using CsCheck;

namespace Underlay.Core.Tests.Packs;

/// <summary>A tree after edits is the tree that its files would make from nothing.</summary>
public class FileTreeEditsTests
{
    private static readonly string[] Names = ["a", "A", "b", "art/x", "art/X", "art/y", "z/z"];

    private static readonly Gen<PackPath> AnyPath = Gen.Int[0, Names.Length - 1].Select(i => PackPath.Parse(Names[i]));

    private static readonly Gen<TreeEdit> AnyEdit = Gen.OneOf(
        Gen.Select(AnyPath, Gen.Byte).Select((p, b) => (TreeEdit)new TreeEdit.Write(p, new[] { b })),
        Gen.Select(AnyPath, Gen.Byte).Select((p, b) => (TreeEdit)new TreeEdit.Put(new TreeFile(p, 1, FileContent.Of(new[] { b })))),
        Gen.Select(AnyPath, AnyPath).Select((from, to) => (TreeEdit)new TreeEdit.Copy(from, to)),
        Gen.Select(AnyPath, AnyPath).Select((from, to) => (TreeEdit)new TreeEdit.Move(from, to)),
        AnyPath.Select(p => (TreeEdit)new TreeEdit.Delete(p)));

    private static List<string> Show(FileTree tree) =>
        [.. tree.Files.Select(f => $"{f.Path}={f.ReadAll()[0]}"), .. tree.Refused.Select(r => $"refused {r.Name}")];

    /// <summary>What the edits make of a plain dictionary; null where one of them does not apply.</summary>
    private static Dictionary<PackPath, byte>? Apply(IEnumerable<TreeEdit> edits)
    {
        var files = new Dictionary<PackPath, byte> { [PackPath.Parse("a")] = 1, [PackPath.Parse("art/x")] = 2, [PackPath.Parse("b")] = 3 };
        foreach (var edit in edits)
        {
            switch (edit)
            {
                case TreeEdit.Write write:
                    files[write.Path] = write.Bytes.Span[0];
                    break;
                case TreeEdit.Put put:
                    files[put.File.Path] = put.File.ReadAll()[0];
                    break;
                case TreeEdit.Copy copy:
                    if (!files.TryGetValue(copy.From, out var copied)) return null;
                    files[copy.To] = copied;
                    break;
                case TreeEdit.Move move:
                    if (!files.Remove(move.From, out var moved) || !files.TryAdd(move.To, moved)) return null;
                    break;
                case TreeEdit.Delete delete:
                    if (!files.Remove(delete.Path)) return null;
                    break;
            }
        }

        return files;
    }

    [Fact]
    public void Edits_in_any_order_come_to_the_same_as_a_dictionary() =>
        AnyEdit.List[1, 8].Sample(edits =>
        {
            var start = FileTree.OfBytes(Apply([])!.Select(f => KeyValuePair.Create(f.Key, new[] { f.Value })));
            if (Apply(edits) is { } files)
                Assert.Equal(
                    Show(FileTree.OfBytes(files.Select(f => KeyValuePair.Create(f.Key, new[] { f.Value })))),
                    Show(start.With(edits)));
            else Assert.Throws<InvalidOperationException>(() => start.With(edits));
        });

    [Fact]
    public void One_edit_after_the_other_comes_to_the_same_as_all_at_once() =>
        Gen.Select(AnyEdit, Gen.Bool).List[1, 12].Sample(edits =>
        {
            var tree = FileTree.OfBytes(Apply([])!.Select(f => KeyValuePair.Create(f.Key, new[] { f.Value })));
            var all = edits.Select(e => e.Item1).ToList();
            if (Apply(all) is null || tree.With(all) is not { Refused.Count: 0 } wanted) return;
            foreach (var (edit, isShown) in edits)
            {
                tree = tree.With([edit]);
                // Files that were asked for are put in order then, those of later trees from there on.
                if (isShown) Assert.Equal(tree.Files.OrderBy(f => f.Path), tree.Files);
                if (tree.Refused.Count > 0) return;
            }

            Assert.Equal(Show(wanted), Show(tree));
        });

    [Fact]
    public void What_was_refused_before_stays_refused()
    {
        var tree = FileTree.Of([], [new RefusedName("a\\b", PathProblem.ControlCharacter)])
            .With([new TreeEdit.Write(PackPath.Parse("a"), new byte[] { 1 })]);
        Assert.Equal(["a=1", "refused a\\b"], Show(tree));
        Assert.Single(tree.With([new TreeEdit.Delete(PackPath.Parse("a"))]).Refused);
    }

    [Fact]
    public void Files_that_no_edit_names_are_the_same_objects()
    {
        var tree = FileTree.OfBytes(
            new[] { "a", "art/x", "b", "z/z" }.Select(n => KeyValuePair.Create(PackPath.Parse(n), new byte[] { 1 })));
        var after = tree.With(
            [new TreeEdit.Write(PackPath.Parse("b"), new byte[] { 2 }), new TreeEdit.Write(PackPath.Parse("c"), new byte[] { 3 })]);
        foreach (var file in tree.Files.Where(f => f.Path.Value != "b")) Assert.Same(file, after.Find(file.Path));
    }
}
