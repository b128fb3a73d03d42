using Underlay.Core.Manifests;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>A repair that Underlay can apply. It is a value: what it would change is asked for when it is applied.</summary>
/// <param name="Title">What it does, as words to press: "Rename to wares/jug/shelf.png".</param>
/// <param name="LosesNothing">True when no byte of the author's is changed or taken away.</param>
/// <param name="LeavesNoChoice">
/// True when there is one sensible way to do it. Fixes of which both hold are applied without being asked for by name.
/// </param>
public abstract record Fix(string Title, bool LosesNothing, bool LeavesNoChoice)
{
    /// <summary>
    /// Whether the runner keeps copies of what the fix overwrites or deletes; not needed where the base has the same bytes.
    /// </summary>
    public virtual bool KeepsOriginals => true;

    /// <summary>
    /// True for what could be added to a pack that is right without it: it is pressed by itself, never with repairs.
    /// </summary>
    public virtual bool IsOffer => false;

    /// <summary>
    /// The free paths that it fills with other files of the pack; of several that would fill one path together none is applied, since
    /// which of them it is has to be chosen.
    /// </summary>
    public virtual IEnumerable<PackPath> Fills => [];

    /// <summary>
    /// True for what has to be done last of all that is done to a file: an edge that was cleared before it is scaled is clear no more.
    /// </summary>
    public virtual bool ComesLast => false;

    /// <summary>
    /// The one picture of which it is made, with what the pack keeps for it, so that it can be made beside others; null for a fix
    /// that looks at more.
    /// </summary>
    public virtual PackPath? MadeOf => null;

    /// <summary>
    /// What the author is asked before it is applied, or null; without an answer it goes by <see cref="FixQuestion.Usual"/>.
    /// </summary>
    public virtual FixQuestion? Question => null;

    /// <summary>The fix with an answer to its question; null where the answer cannot be read.</summary>
    public virtual Fix? Answered(string answer) => this;

    /// <summary>The edits that make the repair, or none when it no longer applies.</summary>
    /// <param name="tree">The pack's files as they are now.</param>
    /// <param name="context">What the fix may need to know.</param>
    public abstract IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context);
}

/// <summary>What a fix asks the author.</summary>
/// <param name="Title">The field's name for people.</param>
/// <param name="Input">What is asked for.</param>
/// <param name="Usual">The answer that is proposed.</param>
public sealed record FixQuestion(string Title, Steps.StepInput Input, string Usual);

/// <summary>What fixes may need to know beyond the pack's files.</summary>
/// <param name="PackName">The name of the pack's folder or archive, without extension.</param>
/// <param name="Profile">The host.</param>
/// <param name="Edition">The edition that the pack was checked for.</param>
/// <param name="Overlay">The pack over its base; null where the pack is wrapped.</param>
public sealed record FixContext(string PackName, Hosts.HostProfile Profile, Hosts.Edition Edition, Overlay? Overlay)
{
    /// <summary>What the author said of themselves once.</summary>
    public Author Author { get; init; } = Author.Unknown;
}
