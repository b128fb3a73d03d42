using Npgsql;
using Underlay.Core.Packs;

namespace Underlay.Data.Blobs;

/// <summary>A file's bytes, read from the database when they are asked for.</summary>
/// <param name="source">The database.</param>
/// <param name="hash">The blob.</param>
public sealed class BlobContent(NpgsqlDataSource source, ContentHash hash) : FileContent
{
    private readonly BlobBatch? batch;

    internal BlobContent(NpgsqlDataSource source, ContentHash hash, BlobBatch batch)
        : this(source, hash) => this.batch = batch;

    /// <summary>The blob.</summary>
    public ContentHash Hash => hash;

    /// <inheritdoc/>
    protected override ContentHash? KnownHash => hash;

    /// <inheritdoc/>
    public override void Read(Span<byte> to)
    {
        if (batch is null || !batch.TryRead(hash, to)) BlobStore.Read(source, hash, to);
    }

    /// <summary>A file of a tree.</summary>
    public static TreeFile File(NpgsqlDataSource source, PackPath path, ContentHash hash, long length) =>
        new(path, length, new BlobContent(source, hash));
}
