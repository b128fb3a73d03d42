using System.Text;
using CsCheck;
using Underlay.Core.Packs;

namespace Underlay.Files.Tests;

public class FolderWriterTests
{
    private static readonly string[] Paths = ["a.txt", "b.txt", "in/a.txt", "in/deep/c.txt"];

    [Fact]
    public void Edits_are_carried_out_and_empty_folders_go_with_their_last_file()
    {
        using var folder = new TemporaryFolder().With("in/deep/a.txt", "one").With("gone/b.txt", "two");
        FolderWriter.Apply(
            folder.Path,
            [
                new TreeEdit.Write(PackPath.Parse("new/c.txt"), "three"u8.ToArray()),
                new TreeEdit.Copy(PackPath.Parse("new/c.txt"), PackPath.Parse("kept/c.txt")),
                new TreeEdit.Write(PackPath.Parse("new/c.txt"), "four"u8.ToArray()),
                new TreeEdit.Move(PackPath.Parse("in/deep/a.txt"), PackPath.Parse("out/a.txt")),
                new TreeEdit.Delete(PackPath.Parse("gone/b.txt")),
            ]);
        Assert.Equal(["kept/c.txt", "new/c.txt", "out/a.txt"], folder.Files);
        Assert.Equal(("three", "four"), (File.ReadAllText(folder.At("kept/c.txt")), File.ReadAllText(folder.At("new/c.txt"))));
        Assert.Equal(
            ["kept", "new", "out"],
            Directory.EnumerateDirectories(folder.Path).Select(d => Path.GetFileName(d)!).Order(StringComparer.Ordinal));
    }

    [Fact]
    public void A_move_overwrites_nothing()
    {
        using var folder = new TemporaryFolder().With("a.txt", "one").With("b.txt", "two");
        var move = new TreeEdit.Move(PackPath.Parse("a.txt"), PackPath.Parse("b.txt"));
        Assert.Throws<IOException>(() => FolderWriter.Apply(folder.Path, [move]));
        Assert.Equal(("one", "two"), (File.ReadAllText(folder.At("a.txt")), File.ReadAllText(folder.At("b.txt"))));
    }

    [Fact]
    public void Nothing_half_written_is_left_beside_a_file()
    {
        using var folder = new TemporaryFolder();
        FolderWriter.WriteFile(folder.At("in/a.txt"), "one"u8);
        FolderWriter.WriteFile(folder.At("in/a.txt"), "two"u8);
        Assert.Equal(["in/a.txt"], folder.Files);
        Assert.Equal("two", File.ReadAllText(folder.At("in/a.txt")));
    }

    [Fact]
    public void A_folder_after_edits_is_what_the_tree_is_after_them() =>
        Gen.Select(Gen.OneOfConst(Paths), Gen.Int[0, 9], Gen.Bool)
            .List[1, 12]
            .Sample(
                steps =>
                {
                    using var folder = new TemporaryFolder();
                    var tree = FileTree.Empty;
                    foreach (var (name, number, deletes) in steps)
                    {
                        var path = PackPath.Parse(name);
                        if (deletes && tree.Find(path) is null) continue;
                        TreeEdit edit = deletes
                            ? new TreeEdit.Delete(path)
                            : new TreeEdit.Write(path, Encoding.UTF8.GetBytes($"{number}"));
                        tree = tree.With([edit]);
                        FolderWriter.Apply(folder.Path, [edit]);
                    }

                    var read = FolderTree.Read(folder.Path);
                    Assert.Equal(tree.Files.Select(f => f.Path), read.Files.Select(f => f.Path));
                    Assert.All(tree.Files.Zip(read.Files), pair => Assert.Equal(pair.First.ReadAll(), pair.Second.ReadAll()));
                },
                iter: 60);
}
