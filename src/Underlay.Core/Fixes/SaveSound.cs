using Underlay.Core.Formats;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>
/// Writes a sound anew as its place reads it, with the rate and channels that it takes: what could not be read did no harm, and is not
/// to do any once it can be. The file as it was is kept among the sources.
/// </summary>
/// <param name="Path">The sound.</param>
/// <param name="Fit">What becomes of it.</param>
public sealed record SaveSound(PackPath Path, SoundFit Fit) : Fix($"Save it anew as {Fit.Says}", LosesNothing: false, LeavesNoChoice: true)
{
    /// <summary>The fix for a file; null where its samples cannot be read.</summary>
    internal static SaveSound? For(Overlay overlay, Placement placement) =>
        overlay.Pack.Tree.Find(placement.Path) is { } file
            && SoundReader.Read(file.ReadAll()) is { } sound
            && SoundFit.For(placement.Place, placement.Bindings, overlay.Edition, sound) is { } fit
            ? new SaveSound(placement.Path, fit)
            : null;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        tree.Find(Path) is { } file && SoundReader.Read(file.ReadAll()) is { } sound ? [new TreeEdit.Write(Path, Fit.Save(sound))] : [];
}
