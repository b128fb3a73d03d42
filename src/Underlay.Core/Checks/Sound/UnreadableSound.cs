using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
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
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop) =>
        drop.Placement.Facts.Sound is { Problem: { } problem }
            ? [Report(overlay, drop, Because(overlay, drop.Placement, problem)) with { Fix = FindFix(overlay, drop.Placement) }]
            : [];

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement) =>
        placement.Facts.Sound is { Problem: { } problem } && placement.Place.Unreadable.Kind == ConsequenceKind.Outcome
            ? [
                Report(overlay, placement, placement.Place.Unreadable, Because(overlay, placement, problem)) with
                {
                    Fix = FindFix(overlay, placement),
                },
            ]
            : [];

    private static string Because(Overlay overlay, Placement placement, string problem)
    {
        var format = placement.Layer.IsBase
            ? null
            : FileFormats.OfHead(overlay.Pack.Tree.Find(placement.Path)!.ReadStart(FileFormat.HeadBytes));
        var wanted = placement.Place.Format;
        var found = format is null || format == wanted ? problem : $"this is {format.One} under the name of {wanted.One}";
        return $"{overlay.Profile.Title} plays {((PackSoundFormat)wanted).Wanted} here, mono or stereo; {found}.";
    }

    private static SaveSound? FindFix(Overlay overlay, Placement placement) =>
        placement.Layer.IsBase ? null : SaveSound.For(overlay, placement);
}
