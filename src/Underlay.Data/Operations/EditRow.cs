using Underlay.Core.Packs;
using Underlay.Data.Blobs;

namespace Underlay.Data.Operations;

/// <summary>What an edit does to one file: the row that will stand in the log.</summary>
/// <param name="Path">The path.</param>
/// <param name="Before">The blob that has to be there; null for none.</param>
/// <param name="After">The blob that will be there; null for none.</param>
/// <param name="Length">Bytes of <paramref name="After"/>.</param>
public sealed record EditRow(PackPath Path, ContentHash? Before, ContentHash? After, long Length);

/// <summary>Edits of a pack, made ready to be carried out: rows and the bytes that are new.</summary>
/// <param name="Rows">One for each file that changes.</param>
/// <param name="Blobs">Bytes to keep.</param>
public sealed record EditPlan(IReadOnlyList<EditRow> Rows, IReadOnlyList<NewBlob> Blobs)
{
    /// <summary>Turns edits of a tree that was read from the database into rows.</summary>
    /// <exception cref="InvalidOperationException">An edit does not apply to the tree.</exception>
    public static EditPlan Of(FileTree tree, IEnumerable<TreeEdit> edits)
    {
        var now = new Dictionary<PackPath, (ContentHash Hash, long Length)?>();
        var blobs = new List<NewBlob>();
        (ContentHash Hash, long Length)? At(PackPath path) =>
            now.TryGetValue(path, out var known) ? known : tree.Find(path) is { } file ? (HashOf(file), file.Length) : null;
        foreach (var edit in edits)
        {
            switch (edit)
            {
                case TreeEdit.Write write:
                    var hash = write.Hash ?? ContentHash.Of(write.Bytes.Span);
                    blobs.Add(new NewBlob(hash, write.Bytes.Length, () => write.Bytes));
                    now[write.Path] = (hash, write.Bytes.Length);
                    break;
                case TreeEdit.Put put:
                    if (put.File.Content is not BlobContent)
                        blobs.Add(new NewBlob(put.File.Hash, put.File.Length, put.File.AsMemory));
                    now[put.File.Path] = (put.File.Hash, put.File.Length);
                    break;
                case TreeEdit.Copy copy:
                    now[copy.To] = At(copy.From) ?? throw new InvalidOperationException($"There is no file {copy.From} to copy.");
                    break;
                case TreeEdit.Move move:
                    var moved = At(move.From) ?? throw new InvalidOperationException($"There is no file {move.From} to move.");
                    now[move.From] = null;
                    if (At(move.To) is not null) throw new InvalidOperationException($"A file {move.To} is already there.");
                    now[move.To] = moved;
                    break;
                case TreeEdit.Delete delete:
                    if (At(delete.Path) is null) throw new InvalidOperationException($"There is no file {delete.Path} to delete.");
                    now[delete.Path] = null;
                    break;
            }
        }

        var rows = now
            .Select(n => new EditRow(n.Key, tree.Find(n.Key) is { } file ? HashOf(file) : null, n.Value?.Hash, n.Value?.Length ?? 0))
            .Where(r => r.Before != r.After)
            .OrderBy(r => r.Path)
            .ToList();
        return new EditPlan(rows, blobs);
    }

    private static ContentHash HashOf(TreeFile file) =>
        file.Content is BlobContent blob ? blob.Hash : throw new InvalidOperationException($"{file.Path} does not come from the database.");
}
