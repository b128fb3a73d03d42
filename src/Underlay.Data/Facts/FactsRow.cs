namespace Underlay.Data.Facts;

/// <summary>What was learned from bytes, so that they need not be looked at again. A cache: all of it may be dropped at any time.</summary>
public sealed class FactsRow
{
    /// <summary>The blob.</summary>
    public required string Hash { get; init; }

    /// <summary>What the bytes were read as, and the layout in which that was written.</summary>
    public required string Key { get; init; }

    /// <summary>What was learned.</summary>
    public required byte[] Bytes { get; init; }
}
