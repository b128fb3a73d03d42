namespace Underlay.Data.Blobs;

/// <summary>Bytes, kept once for all files that have them.</summary>
public sealed class Blob
{
    /// <summary>SHA-256, 64 lower-case hexadecimal digits.</summary>
    public required string Hash { get; init; }

    /// <summary>Bytes.</summary>
    public long Length { get; init; }
}

/// <summary>A piece of a blob.</summary>
public sealed class BlobChunk
{
    /// <summary>Bytes in each piece but the last.</summary>
    public const int Size = 1 << 20;

    /// <summary>The blob.</summary>
    public required string Hash { get; init; }

    /// <summary>From 0.</summary>
    public int Number { get; init; }

    /// <summary>The bytes.</summary>
    public required byte[] Bytes { get; init; }
}
