using Microsoft.EntityFrameworkCore;
using Npgsql;
using NpgsqlTypes;
using Underlay.Core.Packs;

namespace Underlay.Data.Blobs;

/// <summary>Bytes that are to be kept.</summary>
/// <param name="Hash">Their SHA-256.</param>
/// <param name="Length">How many.</param>
/// <param name="Read">Gives the bytes, when they are sent.</param>
public sealed record NewBlob(ContentHash Hash, long Length, Func<ReadOnlyMemory<byte>> Read);

/// <summary>Reads and writes blobs.</summary>
public static class BlobStore
{
    private const int MostAtOnce = 1000;

    /// <summary>Keeps blobs within the connection's transaction; those that are there already cost nothing.</summary>
    public static async Task WriteAsync(NpgsqlConnection connection, IEnumerable<NewBlob> blobs, CancellationToken cancel)
    {
        // In one order, so that two writers of the same blobs wait for each other instead of locking each other out.
        var wanted = blobs.DistinctBy(b => b.Hash).OrderBy(b => b.Hash.Hex, StringComparer.Ordinal).ToList();
        if (wanted.Count == 0) return;
        // Those that are there are held, so that they are not let go of before something refers to them.
        await using (var hold = new NpgsqlCommand("SELECT FROM blobs WHERE hash = ANY(@hashes) ORDER BY hash FOR KEY SHARE", connection))
        {
            hold.Parameters.AddWithValue("hashes", wanted.Select(b => b.Hash.Hex).ToArray());
            await hold.ExecuteNonQueryAsync(cancel).ConfigureAwait(false);
        }

        var added = new HashSet<string>(StringComparer.Ordinal);
        await using (
            var insert = new NpgsqlCommand(
                "INSERT INTO blobs (hash, length) SELECT * FROM unnest(@hashes, @lengths) ON CONFLICT DO NOTHING RETURNING hash",
                connection))
        {
            insert.Parameters.AddWithValue("hashes", wanted.Select(b => b.Hash.Hex).ToArray());
            insert.Parameters.AddWithValue("lengths", wanted.Select(b => b.Length).ToArray());
            await using var reader = await insert.ExecuteReaderAsync(cancel).ConfigureAwait(false);
            while (await reader.ReadAsync(cancel).ConfigureAwait(false)) added.Add(reader.GetString(0));
        }

        if (added.Count == 0) return;
        await using var copy = await connection.BeginBinaryImportAsync(
            "COPY blob_chunks (hash, number, bytes) FROM STDIN (FORMAT BINARY)",
            cancel).ConfigureAwait(false);
        foreach (var blob in wanted.Where(b => added.Contains(b.Hash.Hex)))
        {
            var bytes = blob.Read();
            for (int at = 0, number = 0; at < bytes.Length; at += BlobChunk.Size, number++)
            {
                await copy.StartRowAsync(cancel).ConfigureAwait(false);
                await copy.WriteAsync(blob.Hash.Hex, NpgsqlDbType.Text, cancel).ConfigureAwait(false);
                await copy.WriteAsync(number, NpgsqlDbType.Integer, cancel).ConfigureAwait(false);
                await copy.WriteAsync(
                    bytes.Slice(at, Math.Min(BlobChunk.Size, bytes.Length - at)),
                    NpgsqlDbType.Bytea,
                    cancel).ConfigureAwait(false);
            }
        }

        await copy.CompleteAsync(cancel).ConfigureAwait(false);
    }

    /// <summary>Lets go of the blobs that no pack's log and no release refers to; those that are being written stay.</summary>
    /// <returns>How many went.</returns>
    public static async Task<int> LetGoAsync(UnderlayDatabase database, CancellationToken cancel)
    {
        var gone = 0;
        while (true)
        {
            var some = await database.Database.ExecuteSqlAsync(
                $"""
                DELETE FROM blobs WHERE hash IN (
                    SELECT hash FROM blobs b
                    WHERE NOT EXISTS (SELECT FROM kept_blobs WHERE hash = b.hash)
                        AND NOT EXISTS (SELECT FROM releases WHERE package_hash = b.hash)
                    LIMIT {MostAtOnce} FOR UPDATE SKIP LOCKED)
                """,
                cancel).ConfigureAwait(false);
            gone += some;
            if (some < MostAtOnce) return gone;
        }
    }

    /// <summary>Fills a buffer with a blob's bytes from its start.</summary>
    /// <exception cref="EndOfStreamException">The blob is shorter, or is not there.</exception>
    public static void Read(NpgsqlDataSource source, ContentHash hash, Span<byte> to)
    {
        if (to.IsEmpty) return;
        using var command = Chunks(source, hash, (to.Length + BlobChunk.Size - 1) / BlobChunk.Size);
        using var reader = command.ExecuteReader();
        var at = 0;
        while (reader.Read())
        {
            var bytes = reader.GetFieldValue<byte[]>(0).AsSpan();
            var part = bytes[..Math.Min(bytes.Length, to.Length - at)];
            part.CopyTo(to[at..]);
            at += part.Length;
        }

        if (at < to.Length) throw new EndOfStreamException($"The blob {hash} has {at} bytes, {to.Length} were wanted.");
    }

    /// <summary>Writes a blob's bytes, a piece at a time.</summary>
    public static async Task CopyAsync(NpgsqlDataSource source, ContentHash hash, Stream to, CancellationToken cancel)
    {
        await using var command = Chunks(source, hash, int.MaxValue);
        await using var reader = await command.ExecuteReaderAsync(cancel).ConfigureAwait(false);
        while (await reader.ReadAsync(cancel).ConfigureAwait(false))
            await to.WriteAsync(reader.GetFieldValue<byte[]>(0), cancel).ConfigureAwait(false);
    }

    private static NpgsqlCommand Chunks(NpgsqlDataSource source, ContentHash hash, int most)
    {
        var command = source.CreateCommand("SELECT bytes FROM blob_chunks WHERE hash = $1 AND number < $2 ORDER BY number");
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = hash.Hex });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = most });
        return command;
    }
}
