using Underlay.Core.Packs;
using Underlay.Core.Renames;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>Puts the author's prefix before a name, in all files that have it and wherever the pack speaks of it.</summary>
/// <param name="Path">One of the files.</param>
/// <param name="Placeholder">The placeholder of its path that holds the name.</param>
/// <param name="Name">The name with the prefix.</param>
public sealed record PutPrefix(PackPath Path, string Placeholder, string Name)
    : Fix($"Name it {Name}", LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        context.Overlay is { } overlay && Target(overlay) is { } to ? FileRename.Plan(overlay, tree, Path, to).Edits : [];

    /// <summary>Where the file then is; null where that is no path of its place.</summary>
    internal PackPath? Target(Overlay overlay) =>
        overlay.Profile.Locate(Path, overlay.Edition) is { Place.Pattern: { } pattern } found
            ? pattern.Fill(found.Bindings.With(Placeholder, Name))
            : null;
}
