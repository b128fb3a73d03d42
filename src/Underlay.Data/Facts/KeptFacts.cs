using System.Collections.Concurrent;
using Underlay.Core.Packs;

namespace Underlay.Data.Facts;

/// <summary>What is known of the files of one tree: what was kept of them, and what is learned.</summary>
/// <param name="store">Where new facts go.</param>
/// <param name="waits">Whether new facts stay here until their blobs are in the database.</param>
public sealed class KeptFacts(FactsStore store, bool waits = false)
{
    private readonly ConcurrentQueue<(ContentHash Hash, string Key, byte[] Bytes)> waiting = new();
    private readonly ConcurrentDictionary<(ContentHash Hash, string Key), byte[]> kept = new();
    private readonly ConcurrentDictionary<ContentHash, byte> known = new();

    /// <summary>True when something is known of a blob, so that its bytes will hardly be read.</summary>
    public bool Knows(ContentHash hash) => known.ContainsKey(hash);

    internal void Add(ContentHash hash, string key, byte[] bytes)
    {
        kept[(hash, key)] = bytes;
        known[hash] = 0;
    }

    internal byte[]? Find(ContentHash hash, string key) => kept.TryGetValue((hash, key), out var bytes) ? bytes : null;

    internal void Learn(ContentHash hash, string key, Func<byte[]> learned)
    {
        var bytes = learned();
        Add(hash, key, bytes);
        if (waits) waiting.Enqueue((hash, key, bytes));
        else store.Learn(hash, key, bytes);
    }

    /// <summary>The blobs are in the database, and nothing is being learned.</summary>
    internal void WaitNoMore()
    {
        waits = false;
        while (waiting.TryDequeue(out var one)) store.Learn(one.Hash, one.Key, one.Bytes);
    }
}
