using Npgsql;
using Underlay.Core.Packs;
using Underlay.Data.Facts;

namespace Underlay.Data.Blobs;

/// <summary>A file's bytes, read from the database when they are asked for.</summary>
/// <param name="source">The database.</param>
/// <param name="hash">The blob.</param>
/// <param name="facts">What is kept of it and where what is learned goes, or null.</param>
public sealed class BlobContent(NpgsqlDataSource source, ContentHash hash, KeptFacts? facts = null) : FileContent
{
    private BlobBatch? batch;
    private Func<ReadOnlyMemory<byte>>? atHand;

    internal BlobContent(NpgsqlDataSource source, ContentHash hash, KeptFacts? facts, BlobBatch batch)
        : this(source, hash, facts) => this.batch = batch;

    /// <summary>A blob that is not in the database yet.</summary>
    internal BlobContent(NpgsqlDataSource source, ContentHash hash, KeptFacts? facts, Func<ReadOnlyMemory<byte>> atHand)
        : this(source, hash, facts) => this.atHand = atHand;

    /// <summary>The blob.</summary>
    public ContentHash Hash => hash;

    /// <summary>True when something is known of it, so that its bytes will hardly be read.</summary>
    internal bool IsKnown => facts?.Knows(hash) == true;

    /// <summary>The database that it lies in.</summary>
    internal NpgsqlDataSource Source => source;

    /// <summary>What is read of it next comes with the others of a batch.</summary>
    internal void Expect(BlobBatch ahead) => Volatile.Write(ref batch, ahead);

    /// <summary>It is read by itself again, unless another batch holds it by now.</summary>
    internal void Forget(BlobBatch ahead) => Interlocked.CompareExchange(ref batch, null, ahead);

    /// <summary>It is in the database now, and read from there.</summary>
    internal void LetGo() => Volatile.Write(ref atHand, null);

    /// <inheritdoc/>
    protected override ContentHash? KnownHash => hash;

    /// <inheritdoc/>
    public override void Read(Span<byte> to)
    {
        if (Volatile.Read(ref atHand) is { } read) read().Span[..to.Length].CopyTo(to);
        else if (Volatile.Read(ref batch)?.TryRead(hash, to) != true) BlobStore.Read(source, hash, to);
    }

    /// <inheritdoc/>
    public override byte[]? FindLearned(string key) => facts?.Find(hash, key);

    /// <inheritdoc/>
    public override void Learn(string key, Func<byte[]> learned) => facts?.Learn(hash, key, learned);

    /// <summary>A file of a tree.</summary>
    public static TreeFile File(NpgsqlDataSource source, PackPath path, ContentHash hash, long length) =>
        new(path, length, new BlobContent(source, hash));
}
