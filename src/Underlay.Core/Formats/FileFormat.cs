namespace Underlay.Core.Formats;

/// <summary>
/// A file format: how its files are told, named and served. One folder each under <c>Formats/</c>, and one line in
/// <see cref="FileFormats"/>; nothing else in the code asks for the ending of a file.
/// </summary>
public abstract class FileFormat
{
    /// <summary>How many bytes from a file's start are enough to tell its format.</summary>
    public const int HeadBytes = 64;

    /// <summary>Its name for people: "PNG".</summary>
    public abstract string Name { get; }

    /// <summary>What one file of it is, with its article: "a PNG picture".</summary>
    public abstract string One { get; }

    /// <summary>The endings of its files, with the dot, the usual one first.</summary>
    public abstract IReadOnlyList<string> Endings { get; }

    /// <summary>The type by which a browser is told of it.</summary>
    /// <remarks>RFC 6838; texts of packs are never given as anything that a browser would run.</remarks>
    public abstract string MediaType { get; }

    /// <summary>True where the bytes begin as files of the format do.</summary>
    /// <param name="head">The first <see cref="HeadBytes"/> bytes, or all where there are fewer.</param>
    public abstract bool Begins(ReadOnlySpan<byte> head);

    /// <inheritdoc/>
    public override string ToString() => Name;
}
