using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>Writes the row of a sound into the table of its folder; a table that is not there yet is begun.</summary>
/// <param name="Table">The table's path.</param>
/// <param name="Shape">Its columns.</param>
/// <param name="Name">The sound's name.</param>
/// <param name="Values">Values by column; columns that are not named stay as they are, or empty in a new row.</param>
public sealed record WriteSoundRow(PackPath Table, TableShape Shape, string Name, IReadOnlyDictionary<string, string> Values)
    : Fix(
        Values.Count == 0 ? $"Add the row {Name} to {Table.FileName}" : $"Let the loop of {Name} end with the sound",
        LosesNothing: Values.Count == 0,
        LeavesNoChoice: Values.Count == 0)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        SoundRow.Written(tree.Find(Table)?.ReadAll(), Shape, Name, Values, context.Overlay?.Base.Read(Table)) is { } bytes
            ? [new TreeEdit.Write(Table, bytes)]
            : [];
}
