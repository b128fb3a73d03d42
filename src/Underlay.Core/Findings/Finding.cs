using Underlay.Core.Decisions;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;

namespace Underlay.Core.Findings;

/// <summary>How bad a finding is.</summary>
public enum Severity
{
    /// <summary>Advice.</summary>
    Note,

    /// <summary>The host does not mind, the author would regret it.</summary>
    Warning,

    /// <summary>The host would show something else, leave a file out or not list the package.</summary>
    Blocker,
}

/// <summary>What kind of word a prediction uses.</summary>
public enum PredictionKind
{
    /// <summary>The host shows something else at the path.</summary>
    Outcome,

    /// <summary>The host leaves the file at the path out.</summary>
    Drop,

    /// <summary>The host does not list the package; no path.</summary>
    Unlisted,
}

/// <summary>One line that the host would report because of a finding.</summary>
/// <param name="Kind">Which list of the report.</param>
/// <param name="Path">The path, empty for the package as a whole.</param>
/// <param name="Code">The host's word.</param>
public sealed record Prediction(PredictionKind Kind, string Path, string Code);

/// <summary>A problem found in a pack.</summary>
public sealed record Finding
{
    /// <summary>The check that found it.</summary>
    public required CheckCode Code { get; init; }

    /// <summary>How bad it is.</summary>
    public required Severity Severity { get; init; }

    /// <summary>Where: a path of the pack or the base, or a name that is no path. Empty for the pack as a whole.</summary>
    public required string Path { get; init; }

    /// <summary>RFC 6901 pointer into a JSON file; empty for the file as a whole.</summary>
    public string Pointer { get; init; } = "";

    /// <summary>Tells findings of one check at one place apart; empty where there is one.</summary>
    public string Discriminator { get; init; } = "";

    /// <summary>What is wrong and what the host would do, in sentences.</summary>
    public required string Message { get; init; }

    /// <summary>What the host would do, as the last sentence of the message; empty where it does not mind.</summary>
    public string HostSays { get; init; } = "";

    /// <summary>A repair, or null.</summary>
    public Fix? Fix { get; init; }

    /// <summary>Line and column in a text file, or null.</summary>
    public TextPosition? At { get; init; }

    /// <summary>What the host would report. Blockers predict something; others nothing.</summary>
    public IReadOnlyList<Prediction> Predicts { get; init; } = [];

    /// <summary>Hashes of the files that the check looked at; a waiver is bound to them.</summary>
    public IReadOnlyDictionary<PackPath, ContentHash> Saw { get; init; } = new Dictionary<PackPath, ContentHash>();

    /// <summary>Paths whose absence this finding explains.</summary>
    public IReadOnlyList<PackPath> Explains { get; init; } = [];

    /// <summary>Paths whose absence or fall-back led to this finding: where another explains it, that one is told instead.</summary>
    public IReadOnlyList<PackPath> RestsOn { get; init; } = [];

    /// <summary>Codes of other findings at the same path that this one says better: they are told as part of it.</summary>
    public IReadOnlyList<string> Covers { get; init; } = [];

    /// <summary>
    /// True for a fault of ours: what rests on it is told as part of it, and nothing is predicted, since nobody knows.
    /// </summary>
    public bool IsOurFault { get; init; }

    /// <summary>True for what follows from any other blocker: told where there is none.</summary>
    public bool IsOnlyAlone { get; init; }

    /// <summary>What it has in common with others of its code, or null.</summary>
    public SharedCause? Shared { get; init; }

    /// <summary>The files that it stands for, ordered by path; empty where it is about one.</summary>
    public IReadOnlyList<FindingPart> Parts { get; init; } = [];

    /// <summary>The rule of the place that is broken; null where it is no rule's.</summary>
    public Rule? Rule { get; init; }

    /// <summary>The author's waiver, or null.</summary>
    public Waiver? Waiver { get; init; }

    /// <summary>What names the finding across runs.</summary>
    public FindingKey Key => new(Code, Path, Pointer, Discriminator);

    /// <summary>True when it stands at a path, or for it among others.</summary>
    public bool IsAbout(string path) => Path == path || Parts.Any(p => p.Path == path);

    /// <summary>True when a waiver is of this finding, seen in the same bytes.</summary>
    public bool IsWaivedBy(Waiver waiver) =>
        Key == waiver.Key
        && Saw.Count == waiver.Hashes.Count
        && Saw.All(s => waiver.Hashes.GetValueOrDefault(s.Key.Value) == s.Value.Hex);

    /// <summary>A waiver of the finding as it is now.</summary>
    public Waiver Waive(string reason) =>
        new(Key, reason, Saw.ToDictionary(s => s.Key.Value, s => s.Value.Hex, StringComparer.Ordinal));

    /// <summary>True for a blocker that the author has not waived.</summary>
    public bool Blocks => Severity == Severity.Blocker && Waiver is null;
}
