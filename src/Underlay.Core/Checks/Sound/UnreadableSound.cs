using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A sound cannot be read by the host.</summary>
/// <remarks>Host: dropped, unreadable. See docs/checks.md#soundunreadable.</remarks>
public sealed class UnreadableSound : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("sound/unreadable");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Placement.Facts.Sound is not { Problem: { } problem }) yield break;
        var file = drop.Placement.Layer.IsBase ? null : overlay.Pack.Tree.Find(drop.Placement.Path);
        var format = file is null ? null : FileFormats.OfHead(file.ReadStart(FileFormat.HeadBytes));
        var because = format is null or WavFormat ? problem : $"this is {format.One} under the name of {FileFormats.Wav.One}";
        yield return Report(overlay, drop, $"{overlay.Profile.Title} plays WAV files of 16-bit PCM, mono or stereo; {because}.") with
        {
            Fix = file is null ? null : SaveSound.For(overlay, drop.Placement),
        };
    }
}
