using System.Xml;
using Underlay.Core.Formats.Xml;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Gives the rows of an index that name a file another code of their own; all else stays as the author wrote it.</summary>
/// <param name="Path">The index.</param>
/// <param name="Shape">Its form.</param>
/// <param name="File">The file that the rows name.</param>
/// <param name="New">The code.</param>
/// <param name="Name">What the code stands for.</param>
public sealed record SetRowCode(
    PackPath Path,
    IndexShape Shape,
    string File,
    string New,
    string Name) : Fix($"Make it {Name}", LosesNothing: false, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Path) is not { } file) return [];
        var (bytes, row) = (file.ReadAll(), Shape.Levels[^1]);
        try
        {
            var changed = XmlEdit.SetAttributes(
                bytes,
                a => a.Element == row.Element && a.Name == row.Code && a.Beside.GetValueOrDefault(Shape.File) == File ? New : null);
            return ReferenceEquals(changed, bytes) ? [] : [new TreeEdit.Write(Path, changed)];
        }
        catch (XmlException)
        {
            // It was read before; what cannot be read now was changed meanwhile.
            return [];
        }
    }
}
