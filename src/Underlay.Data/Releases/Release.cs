namespace Underlay.Data.Releases;

/// <summary>A frozen version of a pack. It keeps its package's bytes and is not undone.</summary>
public sealed class Release
{
    /// <summary>Names it in addresses.</summary>
    public Guid Id { get; init; }

    /// <summary>The pack.</summary>
    public Guid PackId { get; init; }

    /// <summary>The version in the manifest.</summary>
    public required string Version { get; init; }

    /// <summary>What changed, in the author's words.</summary>
    public required string Notes { get; init; }

    /// <summary>The package's file name.</summary>
    public required string FileName { get; init; }

    /// <summary>SHA-256 of the package's bytes.</summary>
    public required string PackageHash { get; init; }

    /// <summary>Bytes of the package.</summary>
    public long PackageLength { get; init; }

    /// <summary>Files in the package.</summary>
    public int Files { get; init; }

    /// <summary>Blockers that were left when it was built.</summary>
    public int Blockers { get; init; }

    /// <summary>The pack's revision that it was built of.</summary>
    public long Revision { get; init; }

    /// <summary>When it was built.</summary>
    public DateTimeOffset At { get; init; }
}
