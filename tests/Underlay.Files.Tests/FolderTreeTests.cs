using System.Diagnostics;
using System.Text;
using Underlay.Core.Packs;

namespace Underlay.Files.Tests;

public class FolderTreeTests
{
    [Fact]
    public void Files_are_listed_in_order_and_read_when_they_are_asked_for()
    {
        using var folder = new TemporaryFolder().With("b/two.txt", "two").With("a.txt", "one").With("b.txt", "three");
        var tree = FolderTree.Read(folder.Path);
        Assert.Equal(["a.txt", "b.txt", "b/two.txt"], tree.Files.Select(f => f.Path.Value).Order(StringComparer.Ordinal));
        folder.With("a.txt", "ONE");
        Assert.Equal("ONE", Encoding.UTF8.GetString(tree.Find(PackPath.Parse("a.txt"))!.ReadAll()));
    }

    [Fact]
    public void Links_are_not_followed_and_pipes_not_opened()
    {
        using var folder = new TemporaryFolder().With("a.txt", "one");
        using var elsewhere = new TemporaryFolder().With("secret.txt", "secret");
        File.CreateSymbolicLink(folder.At("link.txt"), elsewhere.At("secret.txt"));
        Directory.CreateSymbolicLink(folder.At("linked"), elsewhere.Path);
        using (var pipe = Process.Start("mkfifo", [folder.At("pipe.txt")])) pipe.WaitForExit();
        var tree = FolderTree.Read(folder.Path);
        Assert.Equal(["link.txt", "linked"], tree.Refused.Select(r => r.Name).Order(StringComparer.Ordinal));
        Assert.All(tree.Files, f => Assert.Equal(f.Length, f.ReadAll().Length));
    }

    [Fact]
    public void Names_that_cannot_be_paths_are_kept_apart_and_version_control_is_passed_over()
    {
        using var folder = new TemporaryFolder()
            .With("good.txt", "")
            .With("bad\\name.txt", "")
            .With(".git/config", "")
            .With("deep/.gitignore", "");
        var tree = FolderTree.Read(folder.Path);
        Assert.Equal("good.txt", Assert.Single(tree.Files).Path.Value);
        Assert.Equal("bad\\name.txt", Assert.Single(tree.Refused).Name);
    }

    [Fact]
    public void A_file_that_became_shorter_is_said_to_have()
    {
        using var folder = new TemporaryFolder().With("a.txt", "a long text");
        var file = Assert.Single(FolderTree.Read(folder.Path).Files);
        folder.With("a.txt", "short");
        Assert.Contains("became shorter", Assert.Throws<EndOfStreamException>(() => file.ReadAll()).Message, StringComparison.Ordinal);
    }
}
