using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Steps;

namespace Underlay.Core.Fixes;

/// <summary>Runs the steps of a picture again on the source as it is now.</summary>
/// <param name="Path">The picture.</param>
public sealed record RenewResult(PackPath Path) : Fix("Make it anew from its source", LosesNothing: false, LeavesNoChoice: true)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(ReservedFolder.SourceOf(Path)) is not { } source) return [];
        var seat = context.Overlay is { } overlay && overlay.OfPack(Path) is { } placement ? SoundSeat.Of(overlay, placement) : null;
        return seat is null ? Shaping.Renew(tree, Path, source.ReadAll()).Edits : SoundShaping.Renew(tree, seat, source.ReadAll()).Edits;
    }
}
