using Npgsql;
using Underlay.Core.Packs;
using Underlay.Data.Facts;

namespace Underlay.Data.Blobs;

/// <summary>
/// Blobs that will be read one after the other, fetched with one query. What every file that has it has read is let go, so that
/// memory is bounded by the batches that are being read, not by the pack.
/// </summary>
internal sealed class BlobBatch(NpgsqlDataSource source)
{
    private const int MostFiles = 64;
    private const long MostBytes = 4 << 20;

    private readonly Dictionary<ContentHash, Held> held = [];
    private bool isFetched;
    private long bytes;

    /// <summary>Makes the files of a tree, in order, those that checks read in batches.</summary>
    public static IEnumerable<TreeFile> Files(
        NpgsqlDataSource source,
        IEnumerable<(PackPath Path, ContentHash Hash, long Length)> files,
        KeptFacts? facts = null)
    {
        var batch = new BlobBatch(source);
        foreach (var (path, hash, length) in files)
        {
            if (IsRarelyRead(path) || length > BlobChunk.Size || facts?.Knows(hash) == true)
            {
                yield return new TreeFile(path, length, new BlobContent(source, hash, facts));
                continue;
            }

            if (batch.held.Count >= MostFiles || batch.bytes + length > MostBytes) batch = new BlobBatch(source);
            batch.Hold(hash, length);
            yield return new TreeFile(path, length, new BlobContent(source, hash, facts, batch));
        }
    }

    /// <summary>Fills a buffer with the start of a blob, if the batch still has it. A blob that is read whole is let go.</summary>
    public bool TryRead(ContentHash hash, Span<byte> to)
    {
        lock (held)
        {
            if (!isFetched) Fetch();
            if (!held.TryGetValue(hash, out var found) || found.Bytes is not { } all || all.Length < to.Length) return false;
            all.AsSpan(0, to.Length).CopyTo(to);
            if (all.Length == to.Length && --found.Readers == 0) held.Remove(hash);
            return true;
        }
    }

    /// <summary>Sources and what waits in the tray; steps are asked for at each check.</summary>
    private static bool IsRarelyRead(PackPath path) => ReservedFolder.Holds(path) && !path.IsBelow(ReservedFolder.Steps);

    private void Fetch()
    {
        isFetched = true;
        using var command = source.CreateCommand("SELECT hash, bytes FROM blob_chunks WHERE hash = ANY($1)");
        command.Parameters.Add(new NpgsqlParameter<string[]> { TypedValue = [.. held.Keys.Select(h => h.Hex)] });
        using var reader = command.ExecuteReader();
        // Blobs of a batch are no longer than one piece.
        while (reader.Read()) held[ContentHash.Parse(reader.GetString(0))].Bytes = reader.GetFieldValue<byte[]>(1);
    }

    private void Hold(ContentHash hash, long length)
    {
        if (!held.TryGetValue(hash, out var known))
        {
            held[hash] = known = new Held();
            bytes += length;
        }

        known.Readers++;
    }

    private sealed class Held
    {
        public byte[]? Bytes { get; set; }

        public int Readers { get; set; }
    }
}
