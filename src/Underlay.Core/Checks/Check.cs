using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>How much of a pack a check looks at, and so what a change makes it look at again.</summary>
public enum CheckScope
{
    /// <summary>One file and the rules of its place.</summary>
    File,

    /// <summary>The files of one group.</summary>
    Group,

    /// <summary>
    /// The whole pack, but of pictures only that they are there and can be read: which files there are, what the host leaves
    /// out, what texts say. Another picture at the same path is no change of structure.
    /// </summary>
    Structure,

    /// <summary>The whole pack; looks at it as a whole only.</summary>
    Pack,
}

/// <summary>
/// A rule that finds problems: a pure function of facts, profile, base catalogue and pack. A check overrides the one
/// method whose subject it looks at.
/// </summary>
public abstract class Check
{
    /// <summary>The check's name; docs/checks.md has a section for it.</summary>
    public abstract CheckCode Code { get; }

    /// <summary>How much it looks at.</summary>
    public abstract CheckScope Scope { get; }

    /// <summary>Looks at a rule that holds for a file which the host shows.</summary>
    /// <param name="overlay">The pack over the base.</param>
    /// <param name="placement">The file, of the pack or the base.</param>
    /// <param name="active">The rule.</param>
    public virtual IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, ActiveRule active) => [];

    /// <summary>Looks at a file which the host shows.</summary>
    public virtual IEnumerable<Finding> Inspect(Overlay overlay, Placement placement) => [];

    /// <summary>Looks at a file that the host leaves out.</summary>
    public virtual IEnumerable<Finding> Inspect(Overlay overlay, Drop drop) => [];

    /// <summary>Looks at the pack as a whole.</summary>
    public virtual IEnumerable<Finding> Inspect(Overlay overlay) => [];

    /// <summary>A finding at a file, with what comes of the broken rule.</summary>
    protected Finding Report(Overlay overlay, Placement placement, Consequence consequence, string because) => new()
    {
        Code = Code,
        Severity = consequence.Kind == ConsequenceKind.Warning ? Severity.Warning : Severity.Blocker,
        Path = placement.Path.Value,
        Message = consequence.Kind == ConsequenceKind.Warning ? because : $"{because} {overlay.Profile.Says(consequence)}",
        HostSays = consequence.Kind == ConsequenceKind.Warning ? "" : overlay.Profile.Says(consequence),
        Predicts = Predict(placement.Path, consequence),
        Saw = new Dictionary<PackPath, ContentHash> { [placement.Path] = placement.Facts.Hash },
    };

    /// <summary>A finding at a dropped file.</summary>
    protected Finding Report(Overlay overlay, Drop drop, string because) =>
        Report(overlay, drop.Placement, Consequence.Drops(drop.Code), because) with { Explains = [drop.Placement.Path], Rule = drop.Rule };

    /// <summary>A finding for which the package is not listed.</summary>
    protected Finding ReportUnlisted(HostProfile profile, PackPath path, string reason, string because) => new()
    {
        Code = Code,
        Severity = Severity.Blocker,
        Path = path.Value,
        Message = $"{because} {profile.Title} would not list the pack.",
        Predicts = [new Prediction(PredictionKind.Unlisted, "", reason)],
    };

    /// <summary>What the host reports for a consequence at a path.</summary>
    protected static IReadOnlyList<Prediction> Predict(PackPath path, Consequence consequence) => consequence.Kind switch
    {
        ConsequenceKind.Outcome => [new Prediction(PredictionKind.Outcome, path.Value, consequence.Code)],
        ConsequenceKind.Drop => [new Prediction(PredictionKind.Drop, path.Value, consequence.Code)],
        _ => [],
    };
}

/// <summary>A check of one kind of rule.</summary>
internal interface IRuleCheck
{
    /// <summary>The rule.</summary>
    Type RuleType { get; }
}

/// <summary>A check of one file against one kind of rule.</summary>
/// <typeparam name="TRule">The rule.</typeparam>
public abstract class RuleCheck<TRule> : Check, IRuleCheck
    where TRule : Rule
{
    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    Type IRuleCheck.RuleType => typeof(TRule);

    /// <inheritdoc/>
    public sealed override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, ActiveRule active)
    {
        if (active.Rule is not TRule rule) return [];
        // Of most files nothing is found: nothing is made for them.
        List<Finding>? found = null;
        foreach (var finding in Inspect(overlay, placement, rule))
            (found ??= []).Add(
                finding with { Rule = rule, RestsOn = active.ChosenBy is { } owner ? [.. finding.RestsOn, owner] : finding.RestsOn });
        return found ?? [];
    }

    /// <summary>
    /// True where it can be told of an entry that the host leaves out, too, so that an author learns all at once. Only of what the host
    /// does not mind: it shows nothing of such a file.
    /// </summary>
    protected virtual bool ReadsLeftOut => false;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop) =>
        ReadsLeftOut && drop.Placement is { Layer.IsBase: false, Facts.Entry.Unreadable: null }
            ? overlay.RulesFor(drop.Placement)
                .SelectMany(active => Inspect(overlay, drop.Placement, active))
                .Where(f => f.Severity != Severity.Blocker)
            : [];

    /// <summary>Looks at a file which the host shows.</summary>
    protected abstract IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, TRule rule);
}
