using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Moves everything out of the folder that lies around it.</summary>
/// <param name="Folder">The folder, without a slash at its end.</param>
public sealed record Unwrap(string Folder) : Fix($"Move everything out of {Folder}", LosesNothing: true, LeavesNoChoice: true)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        var moves = tree.Files
            .Where(f => f.Path.IsBelow(Folder))
            .Select(f => new TreeEdit.Move(f.Path, PackPath.Parse(f.Path.Value[(Folder.Length + 1)..])))
            .ToList();
        return moves.Any(m => tree.Find(m.To) is not null) ? [] : moves;
    }
}
