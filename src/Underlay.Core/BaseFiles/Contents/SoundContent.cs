using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Sounds;

namespace Underlay.Core.BaseFiles.Contents;

/// <summary>Sounds: what their header says, and what was measured of them.</summary>
internal sealed class SoundContent : ContentReader
{
    /// <summary>Raised whenever sounds are measured in another way, or what is found is written in another.</summary>
    private const int Layout = 4;

    /// <inheritdoc/>
    public override bool KeepsBytes => false;

    /// <inheritdoc/>
    public override string KeyFor(Place place) =>
        FormattableString.Invariant($"sound/{place.Format.Name}/{Layout}");

    /// <inheritdoc/>
    public override ContentFacts Read(ReadOnlyMemory<byte> bytes, Place place) =>
        ((PackSoundFormat)place.Format).Inspect(bytes.Span);

    /// <inheritdoc/>
    public override ContentFacts TooLong(string problem, Place place) => new SoundFacts(problem, null, null);

    /// <inheritdoc/>
    public override void Write(BinaryWriter writer, ContentFacts facts)
    {
        var sound = (SoundFacts)facts;
        writer.Write(sound.Problem ?? "");
        if (sound.Header is not { } header) return;
        writer.Write(header.Rate);
        writer.Write(header.Channels);
        writer.Write(header.Frames);
        writer.Write(sound.Measure is not null);
        if (sound.Measure is not { } measure) return;
        writer.Write(measure.TruePeak);
        writer.Write(measure.Loudness ?? double.NaN);
        writer.Write(measure.LeadFrames);
        writer.Write(measure.TailFrames);
        writer.Write(measure.NoiseFloor ?? double.NaN);
        writer.Write(measure.ClippedRuns);
    }

    /// <inheritdoc/>
    public override ContentFacts ReadBack(BinaryReader reader, Place place, Func<byte[]> bytes)
    {
        if (reader.ReadString() is { Length: > 0 } problem) return new SoundFacts(problem, null, null);
        var header = new SoundHeader(reader.ReadInt32(), reader.ReadInt32(), reader.ReadInt32());
        if (!reader.ReadBoolean()) return new SoundFacts(null, header, null);
        return new SoundFacts(null, header, ReadMeasure(reader));
    }

    private static SoundMeasure ReadMeasure(BinaryReader reader)
    {
        double? NumberIfAny() => reader.ReadDouble() is var number && double.IsNaN(number) ? null : number;
        var (peak, loudness) = (reader.ReadDouble(), NumberIfAny());
        return new SoundMeasure(peak, loudness, reader.ReadInt32(), reader.ReadInt32(), NumberIfAny(), reader.ReadInt32());
    }
}
