using Underlay.Core.Entries;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;
using Underlay.Core.Steps;

namespace Underlay.Core.Fixes;

/// <summary>
/// Puts the author's own name in place of the word that held its place. It is asked for: nothing is written without an answer, unless
/// the author has said it before.
/// </summary>
/// <param name="Path">The manifest.</param>
/// <param name="Field">Pointer to the field.</param>
/// <param name="Asks">What is asked for: "Your name".</param>
/// <param name="Rest">What follows the name in the field, such as ".tide_wares" in an id.</param>
/// <param name="Name">The answer; empty until there is one.</param>
public sealed record NameAuthor(
    PackPath Path,
    string Field,
    string Asks,
    string Rest,
    string Name = "") : Fix($"Set {FieldName.Quote(Field)}", LosesNothing: false, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override FixQuestion? Question => new(Asks, StepInput.Text, Name);

    /// <inheritdoc/>
    public override Fix? Answered(string answer) => answer.Trim() is { Length: > 0 and <= 80 } name ? this with { Name = name } : null;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        NameIn(context) is { } name && tree.Find(Path) is { } file
            ? [new TreeEdit.Write(Path, ManifestFacts.WithValue(context.Profile, file.ReadAll(), Field, name + Rest))]
            : [];

    private string? NameIn(FixContext context) =>
        Name.Length > 0 ? Name
        : Field == context.Profile.Manifest.IdField ? context.Author.Prefix
        : context.Author.Name;
}
