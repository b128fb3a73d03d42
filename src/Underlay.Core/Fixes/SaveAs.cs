using Underlay.Core.Formats;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Writes a picture anew in the format that its place wants; the file as it was is kept among the sources.</summary>
/// <param name="From">The picture, in any format that is read.</param>
/// <param name="To">Where it goes; the same path where only its bytes are of another format.</param>
/// <param name="Format">The format.</param>
/// <param name="LeavesNoChoice">False when other paths are as likely.</param>
public sealed record SaveAs(PackPath From, PackPath To, PackPictureFormat Format, bool LeavesNoChoice = true)
    : Fix(
        From == To ? $"Save it anew as {Format.Name}" : $"Save it as {To.FileName}",
        LosesNothing: false,
        LeavesNoChoice)
{
    /// <summary>The fix, or null when by its header the file is no picture that could be saved so. Pixels are not decoded yet.</summary>
    public static SaveAs? For(FileTree tree, PackPath from, PackPath to, PackPictureFormat format) =>
        tree.Find(from) is { } file
        && SourceReader.Describe(file.ReadAll()) is { } found
        && found.Size is { Width: <= PackPictureFormat.MaxSide, Height: <= PackPictureFormat.MaxSide }
        // One that is as hosts want it, and that they do not read, is damaged.
        && !format.IsAsWanted(found)
            ? new SaveAs(from, to, format)
            : null;

    /// <inheritdoc/>
    public override IEnumerable<PackPath> Fills => From == To ? [] : [To];

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(From) is not { } file
            || (From != To && tree.Find(To) is not null)
            || SourceReader.Read(file.ReadAll()).Picture is not { } picture)
            return [];
        var write = new TreeEdit.Write(To, Format.Encode(picture));
        return From == To ? [write] : [write, new TreeEdit.Delete(From)];
    }
}
