using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Writes a picture anew as DDS at another path; the picture as it was is kept among the sources.</summary>
/// <param name="From">The picture.</param>
/// <param name="To">Where the DDS goes.</param>
public sealed record SaveAsDds(PackPath From, PackPath To) : Fix($"Save it as {To.FileName}", LosesNothing: false, LeavesNoChoice: true)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        tree.Find(From) is { } file && tree.Find(To) is null && SourceReader.Read(file.ReadAll()).Picture is { } picture
            ? [new TreeEdit.Write(To, DdsWriter.Write(picture)), new TreeEdit.Delete(From)]
            : [];
}
