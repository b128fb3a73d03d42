using Underlay.Core.Formats;
using Underlay.Core.Hosts;

namespace Underlay.Core.BaseFiles.Contents;

/// <summary>Tables and indexes: they are few and quickly read, and so not kept in a cache.</summary>
/// <param name="read">Reads one.</param>
/// <param name="cannotRead">What is known of one that cannot be read.</param>
internal sealed class UnkeptContent(Func<byte[], Place, ContentFacts> read, Func<TextProblem, ContentFacts> cannotRead) : ContentReader
{
    /// <inheritdoc/>
    public override bool KeepsBytes => false;

    /// <inheritdoc/>
    public override ContentFacts Read(ReadOnlyMemory<byte> bytes, Place place) => read(bytes.ToArray(), place);

    /// <inheritdoc/>
    public override ContentFacts TooLong(string problem, Place place) => cannotRead(new TextProblem(null, problem));

    /// <inheritdoc/>
    public override void Write(BinaryWriter writer, ContentFacts facts)
    {
    }

    /// <inheritdoc/>
    public override ContentFacts ReadBack(BinaryReader reader, Place place, Func<byte[]> bytes) => Read(bytes(), place);
}
