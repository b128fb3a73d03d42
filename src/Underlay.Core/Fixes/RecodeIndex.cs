using System.Xml;
using Underlay.Core.Formats.Xml;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>
/// Gives a code of an index the value that it has in this edition, wherever it stands; all else stays as the author wrote it.
/// </summary>
/// <param name="Path">The index.</param>
/// <param name="Element">The element that has the code.</param>
/// <param name="Attribute">Its attribute.</param>
/// <param name="Old">The code as it is.</param>
/// <param name="New">The code that it is to be.</param>
/// <param name="LeavesNoChoice">False when another code would be as likely.</param>
public sealed record RecodeIndex(PackPath Path, string Element, string Attribute, string Old, string New, bool LeavesNoChoice = true)
    : Fix($"Change {Old} to {New}", LosesNothing: false, LeavesNoChoice)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Path) is not { } file) return [];
        var bytes = file.ReadAll();
        try
        {
            var changed = XmlEdit.SetAttributes(bytes, a => a.Element == Element && a.Name == Attribute && a.Value == Old ? New : null);
            return ReferenceEquals(changed, bytes) ? [] : [new TreeEdit.Write(Path, changed)];
        }
        catch (XmlException)
        {
            // It was read before; what cannot be read now was changed meanwhile.
            return [];
        }
    }
}
