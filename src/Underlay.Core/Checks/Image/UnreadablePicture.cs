using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A picture that hosts cannot read: damaged, of another format, or of a form they do not take.</summary>
/// <remarks>Host: dropped, unreadable; a front picture is blank. See docs/checks.md#imageunreadable.</remarks>
public sealed class UnreadablePicture : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/unreadable");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Placement.Facts.Picture is { IsReadable: false, Problem: var problem })
            yield return Report(overlay, drop, Because(overlay, drop.Placement, problem!)) with { Fix = FindFix(overlay, drop.Placement) };
    }

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.Facts.Picture is { IsReadable: false, Problem: var problem }
            && placement.Place.Unreadable.Kind == ConsequenceKind.Outcome)
            yield return Report(
                overlay,
                placement,
                placement.Place.Unreadable,
                Because(overlay, placement, problem!)) with
            { Explains = [placement.Path], Fix = FindFix(overlay, placement) };
    }

    private static string Because(Overlay overlay, Placement placement, string problem)
    {
        var wanted = placement.Place.PictureFormat!;
        // What it is tells more than what it is not.
        var format = placement.Layer.IsBase
            ? null
            : overlay.Pack.Tree.Find(placement.Path) is { } file
            ? SourceReader.FormatOf(file.ReadStart(FileFormat.HeadBytes))
            : null;
        return format is not null && format != wanted
            ? $"This is a {format} under the name of a {wanted}. Save it anew as {wanted.Wanted}{AndSize(overlay, placement)}."
            : $"This is no picture that can be read: {problem}. Save it anew as {wanted.Wanted}.";
    }

    /// <summary>What else it would break once it can be read: its size is known before.</summary>
    private static string AndSize(Overlay overlay, Placement placement)
    {
        if (overlay.Pack.Tree.Find(placement.Path) is not { } file) return "";
        if (SourceReader.Describe(file.ReadAll()) is not { Size: var size }) return "";
        var broken = placement.Place.RulesOf<SizeRule>(overlay.Edition).FirstOrDefault(r => r.Judge(size) is not null);
        return broken is null ? "" : $"; it is {size}, too, where {broken.Nearest(size)} would do";
    }

    private static SaveAs? FindFix(Overlay overlay, Placement placement) =>
        placement.Layer.IsBase ? null : SaveAs.For(overlay.Pack.Tree, placement.Path, placement.Path, placement.Place.PictureFormat!);
}
