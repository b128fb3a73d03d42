using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.Placements;

/// <summary>A path at which a file of the tray may belong.</summary>
/// <param name="Target">The path.</param>
/// <param name="Place">Its place; null for the manifest.</param>
/// <param name="Confidence">From 0 to 1. Candidates that nothing tells apart have the same.</param>
/// <param name="Reason">Why, in words: "the name but for “copy 2”, 56 x 56 as wanted".</param>
/// <param name="IsNew">True for a path that neither the base nor the pack has.</param>
/// <param name="Doubt">What speaks against it so much that it is never sure, as a clause; null for nothing.</param>
public sealed record PlacementCandidate(
    PackPath Target,
    Place? Place,
    double Confidence,
    string Reason,
    bool IsNew = false,
    string? Doubt = null);

/// <summary>The candidates for one file of the tray, likeliest first.</summary>
/// <param name="File">The file.</param>
/// <param name="Candidates">Some of those that are as likely as the first, and a handful more; empty when nothing is likely.</param>
/// <param name="Size">Of a picture; null where it is none, or cannot be read.</param>
/// <param name="Flaw">Why the file is of no use anywhere, as a clause that begins with "it"; null for nothing.</param>
/// <param name="Begins">The format that its bytes begin as; null where it is none that is read.</param>
/// <param name="Likely">How many are as likely as the first, itself and those that are not among the candidates counted.</param>
public sealed record PlacementAdvice(
    TreeFile File,
    IReadOnlyList<PlacementCandidate> Candidates,
    string? Flaw = null,
    PixelSize? Size = null,
    FileFormat? Begins = null,
    int Likely = 0)
{
    /// <summary>The series to which it belongs with others of the tray; null for none.</summary>
    public SeriesSeat? Series { get; init; }

    /// <summary>The new thing that it may be part of; null for none.</summary>
    public NewThingSeat? NewThing { get; init; }

    /// <summary>What we failed with; null where the file was looked at.</summary>
    public Exception? Fault { get; init; }

    private const double Sure = 0.8;
    private const double Lead = 0.05;

    // Less is a place where a file would do, and nothing that speaks for it.
    private const double Guess = 0.34;

    /// <summary>True when the first candidate stands before all others, so that it may be proposed, with what speaks against it.</summary>
    public bool HasFirst =>
        Flaw is null
        && Candidates is [{ Confidence: >= Guess }, ..]
        && (Candidates.Count == 1 || Candidates[0].Confidence - Candidates[1].Confidence >= Lead);

    /// <summary>
    /// True when the first candidate can be accepted without looking: likely, well ahead of the second, and without a doubt.
    /// </summary>
    public bool IsSure => HasFirst && Candidates[0] is { Doubt: null, Confidence: >= Sure };
}
