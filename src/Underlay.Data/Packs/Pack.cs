namespace Underlay.Data.Packs;

/// <summary>What an author makes: a tree of files for one host.</summary>
public sealed class Pack
{
    /// <summary>Names the pack in addresses.</summary>
    public Guid Id { get; init; }

    /// <summary>The host's key.</summary>
    public required string Host { get; init; }

    /// <summary>What it is called while its manifest has no title.</summary>
    public required string Name { get; init; }

    /// <summary>A line on what to try; for demo packs.</summary>
    public string? About { get; init; }

    /// <summary>Counts operations: 0 for an empty pack.</summary>
    public long Revision { get; set; }

    /// <summary>When it was made.</summary>
    public DateTimeOffset CreatedAt { get; init; }

    /// <summary>When it was put into the bin; null for a pack that is worked on.</summary>
    public DateTimeOffset? BinnedAt { get; set; }

    /// <summary>What lists show of the pack, as JSON, so that they need not open it; null when it was not yet opened.</summary>
    public string? Summary { get; set; }

    /// <summary>The revision and program version that the summary tells of.</summary>
    public string? SummaryTag { get; set; }
}
