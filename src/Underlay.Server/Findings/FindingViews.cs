using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Server.Packs;

namespace Underlay.Server.Findings;

/// <summary>What names a finding across checks.</summary>
internal sealed record FindingName(string Code, string Path, string Pointer, string Discriminator)
{
    /// <summary>The key that it stands for.</summary>
    public FindingKey AsFindingKey() => new(new CheckCode(Code), Path, Pointer, Discriminator);

    public static FindingName Of(Finding finding) => new(finding.Code.Value, finding.Path, finding.Pointer, finding.Discriminator);

    /// <summary>The parts in a line each.</summary>
    public string ToKey() => $"{Code}\n{Path}\n{Pointer}\n{Discriminator}";
}

/// <summary>What a fix asks before it is applied.</summary>
/// <param name="Title">The field's name for people.</param>
/// <param name="Input">whole, flag, choice or colour.</param>
/// <param name="Usual">The answer that is proposed.</param>
internal sealed record QuestionView(string Title, string Input, string Usual);

/// <summary>A repair that can be applied.</summary>
/// <param name="Title">Words to press.</param>
/// <param name="LosesNothing">No byte of the author's is changed or taken away, and there is one sensible way to do it.</param>
/// <param name="IsOffer">It adds what the pack is right without.</param>
/// <param name="Question">What is asked first, or null.</param>
internal sealed record FixView(string Title, bool LosesNothing, bool IsOffer, QuestionView? Question)
{
    public static FixView? Of(Fix? fix) => fix is null
        ? null
        : new FixView(
            fix.Title,
            fix is { LosesNothing: true, LeavesNoChoice: true, IsOffer: false },
            fix.IsOffer,
            fix.Question is { } asked ? new QuestionView(asked.Title, asked.Input.ToString().ToLowerInvariant(), asked.Usual) : null);
}

/// <summary>What becomes of a path in the host because of a finding: one of the three is a word of the host's.</summary>
/// <param name="Path">The path; empty for the package as a whole.</param>
/// <param name="As">What is shown instead.</param>
/// <param name="Dropped">Why the file is left out.</param>
/// <param name="Unlisted">Why the package is not listed.</param>
internal sealed record OutcomeView(string Path, string? As, string? Dropped, string? Unlisted)
{
    public static OutcomeView Of(Prediction prediction) => new(
        prediction.Path,
        prediction.Kind == PredictionKind.Outcome ? prediction.Code : null,
        prediction.Kind == PredictionKind.Drop ? prediction.Code : null,
        prediction.Kind == PredictionKind.Unlisted ? prediction.Code : null);
}

/// <summary>One of the files that a finding stands for.</summary>
internal sealed record PartView(string Path, string Message, FixView? Fix);

/// <summary>A problem found.</summary>
/// <param name="Place">The section's column to which it belongs.</param>
/// <param name="Parts">The files that it stands for; empty where it is about one.</param>
/// <param name="Outcomes">All that the host does because of it.</param>
internal sealed record FindingView(
    FindingName Name,
    string Severity,
    string Place,
    string Message,
    int? Line,
    int? Column,
    FixView? Fix,
    string? Waived,
    IReadOnlyList<PartView> Parts,
    IReadOnlyList<OutcomeView> Outcomes)
{
    public static FindingView Of(PackSnapshot snapshot, Finding finding) => new(
        FindingName.Of(finding),
        finding.Severity switch { Core.Findings.Severity.Blocker => "blocker", Core.Findings.Severity.Warning => "warning", _ => "note" },
        PackSummary.ColumnOf(snapshot, finding),
        finding.Message,
        finding.At?.Line,
        finding.At?.Column,
        FixView.Of(finding.Fix),
        finding.Waiver?.Reason,
        [.. finding.Parts.Select(p => new PartView(p.Path, p.Message, FixView.Of(p.Fix)))],
        [.. finding.Predicts.Select(OutcomeView.Of)]);
}

/// <summary>
/// All that was found; the whole list, or what is another since a revision (<see cref="Lists.ListAnswer{T}"/>). A finding's key is its
/// name, a part a line.
/// </summary>
/// <param name="LoseNothing">How many findings have a fix that loses nothing and leaves no choice.</param>
/// <param name="LoseNothingFiles">How many files those findings are about.</param>
internal sealed record FindingsView(
    long Revision,
    FindingCounts Counts,
    int LoseNothing,
    int LoseNothingFiles,
    bool IsWrapped,
    long? Since,
    IReadOnlyList<FindingView> Rows,
    IReadOnlyList<int> At,
    IReadOnlyList<string> Gone,
    int Total);
