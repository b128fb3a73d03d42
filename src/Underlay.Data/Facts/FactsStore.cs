using System.Collections.Concurrent;
using Npgsql;
using Underlay.Core.Packs;

namespace Underlay.Data.Facts;

/// <summary>Facts on their way to the database: files put in what they learn, and it is kept in the background.</summary>
/// <param name="source">The database.</param>
public sealed class FactsStore(NpgsqlDataSource source)
{
    private const int MostAtOnce = 2000;

    // What comes faster than it is kept is learned another time.
    private const int MostWaiting = 200_000;

    private readonly ConcurrentQueue<(ContentHash Hash, string Key, byte[] Bytes)> waiting = new();

    /// <summary>True when something waits to be kept.</summary>
    public bool HasMore => !waiting.IsEmpty;

    /// <summary>What is kept of a pack's files, by blob.</summary>
    public Task<KeptFacts> OfPackAsync(Guid packId, CancellationToken cancel) =>
        FindAsync("hash IN (SELECT hash FROM pack_files WHERE pack_id = $1)", packId, cancel);

    /// <summary>What is kept of blobs.</summary>
    public Task<KeptFacts> OfBlobsAsync(IEnumerable<ContentHash> blobs, CancellationToken cancel) =>
        FindAsync("hash = ANY($1)", blobs.Select(b => b.Hex).Distinct().ToArray(), cancel);

    /// <summary>Keeps what waits, and what is put in meanwhile. Of blobs that are gone nothing is kept.</summary>
    public async Task KeepAsync(CancellationToken cancel)
    {
        while (!waiting.IsEmpty)
        {
            var some = new List<(ContentHash Hash, string Key, byte[] Bytes)>();
            while (some.Count < MostAtOnce && waiting.TryDequeue(out var one)) some.Add(one);
            await using var command = source.CreateCommand(
                """
                INSERT INTO facts (hash, key, bytes)
                SELECT n.hash, n.key, n.bytes FROM unnest($1, $2, $3) AS n (hash, key, bytes) JOIN blobs b ON b.hash = n.hash
                ORDER BY 1, 2 ON CONFLICT DO NOTHING
                """);
            command.Parameters.Add(new NpgsqlParameter<string[]> { TypedValue = [.. some.Select(s => s.Hash.Hex)] });
            command.Parameters.Add(new NpgsqlParameter<string[]> { TypedValue = [.. some.Select(s => s.Key)] });
            command.Parameters.Add(new NpgsqlParameter<byte[][]> { TypedValue = [.. some.Select(s => s.Bytes)] });
            await command.ExecuteNonQueryAsync(cancel).ConfigureAwait(false);
        }
    }

    internal void Learn(ContentHash hash, string key, byte[] learned)
    {
        if (waiting.Count < MostWaiting) waiting.Enqueue((hash, key, learned));
    }

    private async Task<KeptFacts> FindAsync<T>(string which, T value, CancellationToken cancel)
    {
        await using var command = source.CreateCommand($"SELECT hash, key, bytes FROM facts WHERE {which}");
        command.Parameters.Add(new NpgsqlParameter<T> { TypedValue = value });
        await using var reader = await command.ExecuteReaderAsync(cancel).ConfigureAwait(false);
        var kept = new KeptFacts(this);
        while (await reader.ReadAsync(cancel).ConfigureAwait(false))
            kept.Add(ContentHash.Parse(reader.GetString(0)), reader.GetString(1), reader.GetFieldValue<byte[]>(2));
        return kept;
    }
}
