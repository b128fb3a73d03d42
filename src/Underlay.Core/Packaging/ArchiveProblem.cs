namespace Underlay.Core.Packaging;

/// <summary>What kind of thing keeps an archive from being read.</summary>
public enum ArchiveProblemKind
{
    /// <summary>A name that could leave the pack, is repeated or collides with another, or belongs to a link.</summary>
    Unsafe,

    /// <summary>Truncated, encrypted, of another method, contradicting itself, or with a wrong CRC.</summary>
    Damaged,

    /// <summary>Too many entries, too many bytes, or bytes that unpack to suspiciously many.</summary>
    TooBig,
}

/// <summary>Why an archive is refused whole.</summary>
/// <param name="Kind">The kind of problem.</param>
/// <param name="Entry">The entry's name as it stands in the archive; empty for the archive as a whole.</param>
/// <param name="Says">A sentence for the author.</param>
public sealed record ArchiveProblem(ArchiveProblemKind Kind, string Entry, string Says);
