namespace Underlay.Core.Packaging;

/// <summary>How much an archive may hold before it is refused.</summary>
/// <param name="Entries">The most entries.</param>
/// <param name="EntryBytes">The most bytes that one entry may unpack to.</param>
/// <param name="TotalBytes">The most bytes that all may unpack to.</param>
/// <param name="Ratio">The most bytes that one packed byte may become, in entries that unpack to more than a mebibyte.</param>
/// <param name="ArchiveBytes">The most bytes that the archive itself may have.</param>
public sealed record ArchiveLimits(int Entries, long EntryBytes, long TotalBytes, int Ratio, long ArchiveBytes)
{
    /// <summary>What Underlay takes in.</summary>
    public static ArchiveLimits Standard { get; } = new(200_000, 256L << 20, 2L << 30, 250, 1L << 30);
}
