using Underlay.Core.Packs;
using Underlay.Core.Renames;

namespace Underlay.Core.Fixes;

/// <summary>Puts the author's prefix before many names at once, so that what names what else is renamed stays right.</summary>
/// <param name="Names">The names.</param>
public sealed record PutPrefixes(IReadOnlyList<PutPrefix> Names)
    : Fix($"Put the prefix before all {Names.Count}", LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (context.Overlay is not { } overlay) return [];
        var moves = Names.Select(n => (From: n.Path, To: n.Target(overlay))).Where(m => m.To is not null).ToList();
        return moves.Count == 0 ? [] : FileRename.Plan(overlay, tree, [.. moves.Select(m => (m.From, m.To!.Value))]).Edits;
    }
}
