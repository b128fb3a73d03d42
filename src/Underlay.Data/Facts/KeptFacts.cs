using System.Collections.Concurrent;
using Underlay.Core.Packs;

namespace Underlay.Data.Facts;

/// <summary>What is kept of the files of one tree.</summary>
/// <param name="shelf">Where new facts go.</param>
/// <param name="waits">Whether new facts stay here until their blobs are in the database.</param>
public sealed class KeptFacts(FactsShelf shelf, bool waits = false)
{
    private readonly ConcurrentQueue<(ContentHash Hash, string Key, byte[] Bytes)> waiting = new();
    private readonly ConcurrentDictionary<(ContentHash Hash, string Key), byte[]> kept = new();
    private readonly HashSet<ContentHash> known = [];

    /// <summary>True when something is kept of a blob, so that its bytes will hardly be read.</summary>
    public bool Knows(ContentHash hash) => known.Contains(hash);

    internal void Add(ContentHash hash, string key, byte[] bytes)
    {
        kept[(hash, key)] = bytes;
        known.Add(hash);
    }

    internal byte[]? Find(ContentHash hash, string key) => kept.TryGetValue((hash, key), out var bytes) ? bytes : null;

    internal void Learn(ContentHash hash, string key, Func<byte[]> learned)
    {
        if (waits) waiting.Enqueue((hash, key, learned()));
        else shelf.Learn(hash, key, learned);
    }

    /// <summary>The blobs are in the database, and nothing is being learned.</summary>
    internal void WaitNoMore()
    {
        waits = false;
        while (waiting.TryDequeue(out var one)) shelf.Learn(one.Hash, one.Key, () => one.Bytes);
    }
}
