namespace Underlay.Data.BaseFiles;

/// <summary>One of a host's own files, to be found by words.</summary>
public sealed class BaseFileRow
{
    /// <summary>The host's key.</summary>
    public required string Host { get; init; }

    /// <summary>The edition's key.</summary>
    public required string Edition { get; init; }

    /// <summary>Where it lies.</summary>
    public required string Path { get; init; }

    /// <summary>Its place's key; null for what packs cannot replace.</summary>
    public string? Place { get; init; }

    /// <summary>What can be searched, in lower case: path, title and texts in its entry.</summary>
    public required string Words { get; init; }

    /// <summary>SHA-256 of its bytes.</summary>
    public required string Hash { get; init; }

    /// <summary>Bytes.</summary>
    public long Length { get; init; }

    /// <summary>What else is known of it, as JSON: width and height of pictures.</summary>
    public required string Facts { get; init; }
}
