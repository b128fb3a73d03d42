using System.Globalization;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Takes all files out of the pack whose bytes the base has too.</summary>
/// <param name="Paths">The files.</param>
/// <param name="Bytes">What they weigh together.</param>
public sealed record SlimPack(IReadOnlyList<PackPath> Paths, long Bytes)
    : Fix(string.Create(CultureInfo.InvariantCulture, $"Slim the pack: take {Paths.Count} files out, {Math.Max(1, Bytes / 1024):N0} KB"), LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) => [.. Paths.SelectMany(p => new TakeOut(p).Edit(tree, context))];
}
