using CsCheck;
using Npgsql;
using Underlay.Core.Packs;
using Underlay.Data.Blobs;
using Underlay.Data.Facts;
using Underlay.Data.Operations;

namespace Underlay.Server.Tests;

/// <summary>What a plan says of files before it is carried out is what its edits make of them.</summary>
public sealed class PlannedFilesTests : IDisposable
{
    private static readonly string[] Names = ["a", "b", "art/x", "art/y", ".underlay/sources/a"];

    private static readonly Gen<PackPath> AnyPath = Gen.OneOfConst(Names).Select(PackPath.Parse);

    private static readonly Gen<TreeEdit> AnyEdit = Gen.OneOf(
        Gen.Select(AnyPath, Gen.Byte[0, 4]).Select((p, b) => (TreeEdit)new TreeEdit.Write(p, new[] { b })),
        Gen.Select(AnyPath, AnyPath).Select((from, to) => (TreeEdit)new TreeEdit.Copy(from, to)),
        Gen.Select(AnyPath, AnyPath).Select((from, to) => (TreeEdit)new TreeEdit.Move(from, to)),
        AnyPath.Select(p => (TreeEdit)new TreeEdit.Delete(p)));

    // Never opened: nothing is read from it.
    private readonly NpgsqlDataSource source = NpgsqlDataSource.Create("Host=nowhere.invalid");

    public void Dispose() => source.Dispose();

    [Fact]
    public void They_lead_to_the_tree_that_the_edits_lead_to()
    {
        var begun = FileTree.Of(Names.Take(3).Select((n, i) => Kept(PackPath.Parse(n), [(byte)i])));
        AnyEdit.List[1, 8].Sample(edits =>
        {
            if (After(begun, edits) is not { } wanted) return;
            var planned = new PlannedFiles(EditPlan.Of(begun, edits), begun, source, new FactsStore(source));
            var after = begun.With(planned.Edits);
            Assert.Equal(Lines(wanted), Lines(after));
            // What is new can be read before it is kept.
            foreach (var file in after.Files.Where(f => begun.Files.All(b => b.Hash != f.Hash)))
                Assert.Equal(wanted.Find(file.Path)!.ReadAll(), file.ReadAll());
        });
    }

    private TreeFile Kept(PackPath path, byte[] bytes) => BlobContent.File(source, path, ContentHash.Of(bytes), bytes.Length);

    /// <summary>The tree after edits; null where one of them does not apply.</summary>
    private static FileTree? After(FileTree tree, IReadOnlyList<TreeEdit> edits)
    {
        try
        {
            return tree.With(edits);
        }
        catch (InvalidOperationException)
        {
            return null;
        }
    }

    private static IEnumerable<(string Path, string Hash)> Lines(FileTree tree) => tree.Files.Select(f => (f.Path.Value, f.Hash.Hex));
}
