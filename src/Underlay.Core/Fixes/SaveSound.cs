using Underlay.Core.Formats;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Writes a sound anew as 16-bit PCM; the file as it was is kept among the sources.</summary>
/// <param name="Path">The sound.</param>
public sealed record SaveSound(PackPath Path) : Fix("Save it anew as 16-bit WAV", LosesNothing: false, LeavesNoChoice: true)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        tree.Find(Path) is { } file && SoundReader.Read(file.ReadAll()) is { } sound
            ? [new TreeEdit.Write(Path, WavWriter.Write(sound.Channels.Count > 2 ? sound.ToMono() : sound))]
            : [];
}
