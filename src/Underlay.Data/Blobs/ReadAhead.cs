using Underlay.Core.Packs;

namespace Underlay.Data.Blobs;

/// <summary>
/// While it is held, files that are read in this order are fetched many at a time. It changes what a read costs, never what it gives.
/// </summary>
public sealed class ReadAhead : IDisposable
{
    private readonly List<(BlobContent Content, BlobBatch Batch)> expected = [];

    private ReadAhead()
    {
    }

    /// <summary>Files of packs that will be read next, whole; others are left alone.</summary>
    public static ReadAhead Of(IEnumerable<TreeFile> files)
    {
        var ahead = new ReadAhead();
        BlobBatch? batch = null;
        foreach (var file in files)
        {
            if (file.Content is not BlobContent content || file.Length > BlobChunk.Size) continue;
            batch = (batch ?? new BlobBatch(content.Source)).Hold(content.Hash, file.Length);
            content.Expect(batch);
            ahead.expected.Add((content, batch));
        }

        return ahead;
    }

    /// <summary>Lets go of what was fetched and not read.</summary>
    public void Dispose()
    {
        foreach (var (content, batch) in expected) content.Forget(batch);
    }
}
