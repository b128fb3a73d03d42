using Npgsql;
using Underlay.Core.Packs;

namespace Underlay.Data.Blobs;

/// <summary>
/// Blobs that will be read one after the other, fetched with one query. What was read is let go, so that memory is bounded by
/// the batches that are being read, not by the pack.
/// </summary>
internal sealed class BlobBatch(NpgsqlDataSource source)
{
    private const int MostFiles = 64;
    private const long MostBytes = 4 << 20;

    private readonly Dictionary<ContentHash, byte[]?> held = [];
    private bool isFetched;
    private long bytes;

    /// <summary>Makes the files of a tree, in order, those that checks read in batches.</summary>
    public static IEnumerable<TreeFile> Files(NpgsqlDataSource source, IEnumerable<(PackPath Path, ContentHash Hash, long Length)> files)
    {
        var batch = new BlobBatch(source);
        foreach (var (path, hash, length) in files)
        {
            if (ReservedFolder.Holds(path) || length > BlobChunk.Size)
            {
                yield return BlobContent.File(source, path, hash, length);
                continue;
            }

            if (batch.held.Count >= MostFiles || batch.bytes + length > MostBytes) batch = new BlobBatch(source);
            batch.bytes += batch.held.TryAdd(hash, null) ? length : 0;
            yield return new TreeFile(path, length, new BlobContent(source, hash, batch));
        }
    }

    /// <summary>Fills a buffer with the start of a blob, if the batch still has it. A blob that is read whole is let go.</summary>
    public bool TryRead(ContentHash hash, Span<byte> to)
    {
        lock (held)
        {
            if (!isFetched) Fetch();
            if (held.GetValueOrDefault(hash) is not { } found || found.Length < to.Length) return false;
            found.AsSpan(0, to.Length).CopyTo(to);
            if (found.Length == to.Length) held.Remove(hash);
            return true;
        }
    }

    private void Fetch()
    {
        isFetched = true;
        using var command = source.CreateCommand("SELECT hash, bytes FROM blob_chunks WHERE hash = ANY($1)");
        command.Parameters.Add(new NpgsqlParameter<string[]> { TypedValue = [.. held.Keys.Select(h => h.Hex)] });
        using var reader = command.ExecuteReader();
        // Blobs of a batch are no longer than one piece.
        while (reader.Read()) held[ContentHash.Parse(reader.GetString(0))] = reader.GetFieldValue<byte[]>(1);
    }
}
