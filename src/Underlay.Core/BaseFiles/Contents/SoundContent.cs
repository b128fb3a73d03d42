using Underlay.Core.Formats;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Hosts;
using Underlay.Core.Sounds;

namespace Underlay.Core.BaseFiles.Contents;

/// <summary>Sounds: what their header says, and what was measured of them.</summary>
internal sealed class SoundContent : ContentReader
{
    /// <summary>Raised whenever sounds are measured in another way, or what is found is written in another.</summary>
    private const int Layout = 1;

    /// <inheritdoc/>
    public override bool KeepsBytes => false;

    /// <inheritdoc/>
    public override string KeyFor(Place place) => FormattableString.Invariant($"sound/{Layout}");

    /// <inheritdoc/>
    public override ContentFacts Read(ReadOnlyMemory<byte> bytes, Place place) => WavReader.Inspect(bytes.Span);

    /// <inheritdoc/>
    public override ContentFacts TooLong(string problem, Place place) => new SoundFacts(problem, null, null);

    /// <inheritdoc/>
    public override void Write(BinaryWriter writer, ContentFacts facts)
    {
        var sound = (SoundFacts)facts;
        writer.Write(sound.Problem ?? "");
        if (sound is not { Header: { } header, Measure: { } measure }) return;
        writer.Write(header.Rate);
        writer.Write(header.Channels);
        writer.Write(header.Frames);
        writer.Write(measure.TruePeak);
        writer.Write(measure.Loudness ?? double.NaN);
        writer.Write(measure.LeadFrames);
        writer.Write(measure.TailFrames);
    }

    /// <inheritdoc/>
    public override ContentFacts ReadBack(BinaryReader reader, Place place, Func<byte[]> bytes)
    {
        if (reader.ReadString() is { Length: > 0 } problem) return new SoundFacts(problem, null, null);
        var header = new SoundHeader(reader.ReadInt32(), reader.ReadInt32(), reader.ReadInt32());
        var (peak, loudness) = (reader.ReadDouble(), reader.ReadDouble());
        return new SoundFacts(
            null,
            header,
            new SoundMeasure(peak, double.IsNaN(loudness) ? null : loudness, reader.ReadInt32(), reader.ReadInt32()));
    }
}
