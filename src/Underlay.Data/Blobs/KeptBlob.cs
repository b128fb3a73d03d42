namespace Underlay.Data.Blobs;

/// <summary>That the log of a pack refers to a blob, which is kept as long as the pack.</summary>
public sealed class KeptBlob
{
    /// <summary>The blob.</summary>
    public required string Hash { get; init; }

    /// <summary>The pack.</summary>
    public Guid PackId { get; init; }
}
