using Npgsql;
using Underlay.Core.Packs;
using Underlay.Data.Facts;

namespace Underlay.Data.Blobs;

/// <summary>
/// Blobs that will be read one after the other, fetched with one query, and the batch after it while this one is read. What every
/// file that has it has read is let go, so that memory is bounded by the batches that are being read, not by the pack.
/// </summary>
internal sealed class BlobBatch(NpgsqlDataSource source)
{
    private const int MostFiles = 64;
    private const long MostBytes = 4 << 20;

    private readonly Dictionary<ContentHash, Slot> held = [];
    private readonly Lock fetching = new();
    private Task? fetch;
    private BlobBatch? next;
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

            batch = batch.Hold(hash, length);
            yield return new TreeFile(path, length, new BlobContent(source, hash, facts, batch));
        }
    }

    /// <summary>One more file that has the blob will be read: with this batch, or with the one after it where this is full.</summary>
    /// <returns>The batch that holds it.</returns>
    public BlobBatch Hold(ContentHash hash, long length)
    {
        if (held.Count > 0 && (held.Count >= MostFiles || bytes + length > MostBytes))
        {
            next = new BlobBatch(source);
            return next.Hold(hash, length);
        }

        if (!held.TryGetValue(hash, out var known))
        {
            held[hash] = known = new Slot();
            bytes += length;
        }

        known.Readers++;
        return this;
    }

    /// <summary>Fills a buffer with the start of a blob, if the batch still has it. A blob that is read whole is let go.</summary>
    public bool TryRead(ContentHash hash, Span<byte> to)
    {
        var own = Fetching();
        next?.Fetching();
        try
        {
            // One that has not begun is carried out here, whatever other threads wait for.
            own.GetAwaiter().GetResult();
        }
        catch (Exception problem) when (problem is NpgsqlException or TimeoutException or InvalidOperationException)
        {
            // The blob is read by itself, and that tells what is wrong.
            return false;
        }

        lock (held)
        {
            if (!held.TryGetValue(hash, out var found) || found.Bytes is not { } all || all.Length < to.Length) return false;
            all.AsSpan(0, to.Length).CopyTo(to);
            if (all.Length == to.Length && --found.Readers == 0) held.Remove(hash);
            return true;
        }
    }

    /// <summary>Sources and what waits in the tray; steps are asked for at each check.</summary>
    private static bool IsRarelyRead(PackPath path) => ReservedFolder.Holds(path) && !path.IsBelow(ReservedFolder.Steps);

    private Task Fetching()
    {
        lock (fetching) return fetch ??= Task.Run(Fetch);
    }

    private void Fetch()
    {
        using var command = source.CreateCommand("SELECT hash, bytes FROM blob_chunks WHERE hash = ANY($1)");
        lock (held) command.Parameters.Add(new NpgsqlParameter<string[]> { TypedValue = [.. held.Keys.Select(h => h.Hex)] });
        using var reader = command.ExecuteReader();
        while (reader.Read())
        {
            // Blobs of a batch are no longer than one piece.
            var (hash, piece) = (ContentHash.Parse(reader.GetString(0)), reader.GetFieldValue<byte[]>(1));
            lock (held) held[hash].Bytes = piece;
        }
    }

    private sealed class Slot
    {
        public byte[]? Bytes { get; set; }

        public int Readers { get; set; }
    }
}
