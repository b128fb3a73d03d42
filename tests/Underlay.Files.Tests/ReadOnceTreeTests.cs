using System.Text;
using Underlay.Core.Packs;

namespace Underlay.Files.Tests;

public class ReadOnceTreeTests
{
    private static readonly PackPath Path = PackPath.Parse("a.txt");

    [Fact]
    public void A_small_file_that_changes_after_it_was_read_stays_what_was_read()
    {
        using var folder = new TemporaryFolder().With("a.txt", "one");
        var file = ReadOnceTree.Of(FolderTree.Read(folder.Path)).Find(Path)!;
        Assert.Equal("one", Encoding.UTF8.GetString(file.ReadAll()));
        folder.With("a.txt", "ONE");
        Assert.Equal("one", Encoding.UTF8.GetString(file.ReadAll()));
        Assert.Equal("on", Encoding.UTF8.GetString(file.ReadStart(2)));
    }

    [Fact]
    public void A_large_file_is_read_again()
    {
        var text = new string('x', 100_000);
        using var folder = new TemporaryFolder().With("a.txt", text);
        var file = ReadOnceTree.Of(FolderTree.Read(folder.Path)).Find(Path)!;
        Assert.Equal(text, Encoding.UTF8.GetString(file.ReadAll()));
        folder.With("a.txt", text.ToUpperInvariant());
        Assert.Equal(text.ToUpperInvariant(), Encoding.UTF8.GetString(file.ReadAll()));
    }

    [Fact]
    public void Names_that_were_refused_stay_refused()
    {
        using var folder = new TemporaryFolder().With("bad\\name.txt", "");
        Assert.Equal(FolderTree.Read(folder.Path).Refused, ReadOnceTree.Of(FolderTree.Read(folder.Path)).Refused);
    }
}
