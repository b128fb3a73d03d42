using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;

namespace Underlay.Core.BaseFiles.Contents;

/// <summary>Entries of a kind.</summary>
internal sealed class EntryContent : ContentReader
{
    /// <inheritdoc/>
    public override bool KeepsBytes => true;

    /// <inheritdoc/>
    public override ContentFacts Read(ReadOnlyMemory<byte> bytes, Place place) => EntryFacts.Of(bytes.ToArray(), place.Kind!);

    /// <inheritdoc/>
    public override ContentFacts TooLong(string problem, Place place) =>
        new EntryFacts(JsonText.Unreadable([], problem, new TextPosition(1, 1)), []);

    /// <inheritdoc/>
    public override void Write(BinaryWriter writer, ContentFacts facts)
    {
        var text = ((EntryFacts)facts).Text.Utf8;
        writer.Write(text.Length);
        writer.Write(text.Span);
    }

    /// <summary>The base's own entries are sound or not as they were judged when read; only their text is needed again.</summary>
    public override ContentFacts ReadBack(BinaryReader reader, Place place, Func<byte[]> bytes) =>
        new EntryFacts(JsonText.Parse(reader.ReadBytes(reader.ReadInt32())), []);
}
