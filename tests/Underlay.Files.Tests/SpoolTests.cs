using Underlay.Core.Packs;

namespace Underlay.Files.Tests;

public sealed class SpoolTests
{
    [Fact]
    public void What_is_written_is_read_as_one()
    {
        using var spool = new Spool();
        var bytes = new byte[300_000];
        new Random(4).NextBytes(bytes);
        foreach (var part in bytes.Chunk(70_001)) spool.Output.Write(part);

        var read = spool.Read();

        Assert.Equal(bytes.Length, spool.Length);
        Assert.Equal(ContentHash.Of(bytes), ContentHash.Of(read.Span));
        Assert.Equal(bytes[70_001], read.Slice(70_001, 1).Span[0]);
    }

    [Fact]
    public void Nothing_written_is_nothing_read()
    {
        using var spool = new Spool();

        Assert.Equal(0, spool.Read().Length);
    }

    [Fact]
    public void What_was_let_go_of_is_refused_and_leaves_no_file()
    {
        var before = Files();
        var spool = new Spool();
        spool.Output.Write([1, 2, 3]);
        var read = spool.Read();
        var made = Files().Except(before).ToList();
        spool.Dispose();

        Assert.Throws<ObjectDisposedException>(() => read.Span[0]);
        Assert.DoesNotContain(made, File.Exists);
    }

    [Fact]
    public void What_is_being_read_is_not_written_to()
    {
        using var spool = new Spool();
        spool.Output.Write([1]);
        spool.Read();

        Assert.Throws<InvalidOperationException>(() => spool.Output);
    }

    private static string[] Files() => Directory.GetFiles(Path.GetTempPath(), "underlay-*");
}
