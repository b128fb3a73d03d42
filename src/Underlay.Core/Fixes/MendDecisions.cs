using Underlay.Core.Decisions;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Writes a damaged file of decisions anew with what can be read of it; the damaged one is set aside.</summary>
/// <param name="Path">The file.</param>
/// <param name="Rows">How many of its rows can be read.</param>
/// <param name="IsWhole">True where the rows are all that it says.</param>
public sealed record MendDecisions(PackPath Path, int Rows, bool IsWhole) : Fix(
    Rows == 0 ? "Set the damaged file aside"
        : IsWhole ? "Put it right, and set the damaged file aside"
        : $"Keep the {(Rows == 1 ? "row" : $"{Rows} rows")} that can be read, and set the damaged file aside",
    LosesNothing: true,
    LeavesNoChoice: IsWhole && Rows > 0)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Path) is not { } file || DecisionFiles.All.FirstOrDefault(f => f.Path == Path) is not { } decisions) return [];
        var (rows, damage) = decisions.Judge(tree);
        if (damage.Count == 0) return [];
        TreeEdit aside = new TreeEdit.Move(Path, ReservedFolder.FreeAside(tree, file));
        return rows == 0 ? [aside] : [aside, decisions.WriteReadable(tree)];
    }
}
