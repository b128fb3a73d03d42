using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Several repairs of one kind as one, each made on the files that those before it leave.</summary>
/// <param name="Title">What all of them do together.</param>
/// <param name="Fixes">The repairs.</param>
public sealed record FixAll(string Title, IReadOnlyList<Fix> Fixes)
    : Fix(Title, Fixes.All(f => f.LosesNothing), Fixes.All(f => f.LeavesNoChoice))
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => Fixes.Any(f => f.KeepsOriginals);

    /// <inheritdoc/>
    public override bool IsOffer => Fixes.All(f => f.IsOffer);

    /// <inheritdoc/>
    public override IEnumerable<PackPath> Fills => Fixes.SelectMany(f => f.Fills);

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        var after = new ChangedTree(tree);
        var edits = new List<TreeEdit>();
        foreach (var fix in Fixes)
        {
            var more = fix.Edit(after.Now, context);
            after.Add(more);
            edits.AddRange(more);
        }

        return edits;
    }
}
