using Underlay.Core.Formats;
using Underlay.Core.Hosts;

namespace Underlay.Core.BaseFiles.Contents;

/// <summary>Indexes. They are few and quickly read, and so not kept in a cache.</summary>
internal sealed class IndexContent : ContentReader
{
    /// <inheritdoc/>
    public override bool KeepsBytes => false;

    /// <inheritdoc/>
    public override ContentFacts Read(ReadOnlyMemory<byte> bytes, Place place) => IndexFacts.Of(bytes.ToArray(), place.Index!);

    /// <inheritdoc/>
    public override ContentFacts TooLong(string problem, Place place) => IndexFacts.CannotRead(new TextProblem(null, problem));

    /// <inheritdoc/>
    public override void Write(BinaryWriter writer, ContentFacts facts)
    {
    }

    /// <inheritdoc/>
    public override ContentFacts ReadBack(BinaryReader reader, Place place, Func<byte[]> bytes) => Read(bytes(), place);
}
