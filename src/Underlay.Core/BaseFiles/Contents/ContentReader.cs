using Underlay.Core.Formats;
using Underlay.Core.Hosts;

namespace Underlay.Core.BaseFiles.Contents;

/// <summary>How files of one content are read into facts, and how those are kept in a cache.</summary>
internal abstract class ContentReader
{
    private static readonly Dictionary<PlaceContent, ContentReader> Readers = new()
    {
        [PlaceContent.Picture] = new PictureContent(),
        [PlaceContent.Sound] = new SoundContent(),
        [PlaceContent.Entry] = new EntryContent(),
        [PlaceContent.Table] = new UnkeptContent((bytes, place) => TableFacts.Of(bytes, place.Table!), TableFacts.CannotRead),
        [PlaceContent.Index] = new UnkeptContent((bytes, place) => IndexFacts.Of(bytes, place.Index!), IndexFacts.CannotRead),
    };

    /// <summary>True where the facts hold on to the bytes that were read.</summary>
    public abstract bool KeepsBytes { get; }

    /// <summary>
    /// By what name the facts are kept beside the bytes: what they were read as, and their layout. Null where taking them again is as
    /// quick as reading them back.
    /// </summary>
    public virtual string? KeyFor(Place place) => null;

    /// <summary>The reader of a content.</summary>
    public static ContentReader Of(PlaceContent content) => Readers[content];

    /// <summary>Takes the facts of a file.</summary>
    public abstract ContentFacts Read(ReadOnlyMemory<byte> bytes, Place place);

    /// <summary>The facts of a file that is too long to be read.</summary>
    public abstract ContentFacts TooLong(string problem, Place place);

    /// <summary>Writes facts into a cache.</summary>
    public abstract void Write(BinaryWriter writer, ContentFacts facts);

    /// <summary>Reads facts from a cache.</summary>
    /// <param name="reader">Where <see cref="Write"/> wrote them.</param>
    /// <param name="place">The place that the file lies in.</param>
    /// <param name="bytes">The file itself, for facts that are few and quickly taken again, and so not kept twice.</param>
    public abstract ContentFacts ReadBack(BinaryReader reader, Place place, Func<byte[]> bytes);
}
