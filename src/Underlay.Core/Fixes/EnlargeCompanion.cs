using Underlay.Core.Packs;
using Underlay.Core.Steps;

namespace Underlay.Core.Fixes;

/// <summary>Brings a mask to the size of what it belongs to, by a whole factor; one of the base's is brought into the pack first.</summary>
/// <param name="Path">The mask.</param>
/// <param name="Noun">What it is called.</param>
/// <param name="Factor">2 or more.</param>
public sealed record EnlargeCompanion(
    PackPath Path,
    string Noun,
    int Factor) : Fix($"Enlarge the {Noun} by {Factor}", LosesNothing: false, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Path) is not null) return Shaping.Add(tree, Path, new Enlarge(Factor)).Edits;
        if (context.Overlay?.Base.Read(Path) is not { } bytes) return [];
        TreeEdit brought = new TreeEdit.Write(Path, bytes);
        // The base's file is no work of the author's, but it is what the steps start from.
        return [brought, .. Shaping.Add(tree.With([brought]), Path, new Enlarge(Factor)).Edits];
    }
}
