namespace Underlay.Data.Packs;

/// <summary>One file of a pack as it is now.</summary>
public sealed class PackFile
{
    /// <summary>The pack.</summary>
    public Guid PackId { get; init; }

    /// <summary>Where it lies: a sound pack path.</summary>
    public required string Path { get; init; }

    /// <summary>SHA-256 of its bytes.</summary>
    public required string Hash { get; set; }

    /// <summary>Bytes.</summary>
    public long Length { get; set; }
}
