using CsCheck;
using Underlay.Core.Packaging;

namespace Underlay.Core.Tests.Packaging;

public class PackageBuilderTests
{
    private static readonly APack Pack = APack.Of()
        .WithSurface("saltbrook_foam", Picture.Of(64, 64))
        .WithWare("tide_cup")
        .With("notes.txt", "x")
        .With(".underlay/waivers.json", """{ "waivers": [] }""");

    private static (byte[] Bytes, BuiltPackage Built) Build(FileTree tree)
    {
        using var stream = new MemoryStream();
        var built = PackageBuilder.Write(Repository.Kilnmoor, PackageBuilder.Plan(Repository.Kilnmoor, tree).Files, stream);
        return (stream.ToArray(), built);
    }

    [Fact]
    public void What_the_host_does_not_read_is_left_out_and_named()
    {
        var plan = PackageBuilder.Plan(Repository.Kilnmoor, Pack.Tree);
        Assert.Equal(
            [
                "art/surfaces/saltbrook_foam.png",
                "art/surfaces/saltbrook_foam.surface.json",
                "firing.json",
                "texts/pack.csv",
                "wares/tide_cup/shelf.png",
                "wares/tide_cup/skin.png",
                "wares/tide_cup/ware.json",
            ],
            plan.Files.Select(f => f.Path.Value));
        Assert.Equal(["notes.txt"], plan.Omitted.Select(p => p.Value));
    }

    [Fact]
    public void The_hash_and_length_told_are_those_of_the_bytes()
    {
        var (bytes, built) = Build(Pack.Tree);
        Assert.Equal((ContentHash.Of(bytes).Hex, bytes.Length), (built.Sha256, built.Length));
    }

    [Fact]
    public void The_order_in_which_files_are_found_does_not_matter() =>
        Gen.Shuffle(Pack.Files.ToArray()).Sample(
            files =>
                Assert.Equal(
                    Build(Pack.Tree).Built,
                    Build(FileTree.OfBytes(files.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value)))).Built),
            iter: 20);

    [Fact]
    public void Pictures_are_stored_and_texts_deflated_where_that_helps()
    {
        var (bytes, _) = Build(
            APack.Of()
                .With("firing.json", APack.Manifest + new string(' ', 3000))
                .With("art/surfaces/flagstone.png", Picture.Filled(64, 64, default)).Tree);
        using var zip = new System.IO.Compression.ZipArchive(new MemoryStream(bytes));
        Assert.All(
            zip.Entries.Where(e => e.FullName.EndsWith(".png", StringComparison.Ordinal)),
            e => Assert.Equal(e.Length, e.CompressedLength));
        Assert.True(zip.GetEntry("firing.json")!.CompressedLength < 400);
    }

    [Fact]
    public void Building_stops_when_it_is_cancelled()
    {
        using var cancelled = new CancellationTokenSource();
        cancelled.Cancel();
        Assert.ThrowsAny<OperationCanceledException>(
            () => PackageBuilder.Write(Repository.Kilnmoor, Pack.Tree.Files, Stream.Null, cancel: cancelled.Token));
    }
}
