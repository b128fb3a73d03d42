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
    private readonly BlobBatch? batch;

    internal BlobContent(NpgsqlDataSource source, ContentHash hash, KeptFacts? facts, BlobBatch batch)
        : this(source, hash, facts) => this.batch = batch;

    /// <summary>The blob.</summary>
    public ContentHash Hash => hash;

    /// <inheritdoc/>
    protected override ContentHash? KnownHash => hash;

    /// <inheritdoc/>
    public override void Read(Span<byte> to)
    {
        if (batch is null || !batch.TryRead(hash, to)) BlobStore.Read(source, hash, to);
    }

    /// <inheritdoc/>
    public override byte[]? FindLearned(string key) => facts?.Find(hash, key);

    /// <inheritdoc/>
    public override void Learn(string key, Func<byte[]> learned) => facts?.Learn(hash, key, learned);

    /// <summary>A file of a tree.</summary>
    public static TreeFile File(NpgsqlDataSource source, PackPath path, ContentHash hash, long length) =>
        new(path, length, new BlobContent(source, hash));
}
