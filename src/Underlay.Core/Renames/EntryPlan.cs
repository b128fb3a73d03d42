using Underlay.Core.Packs;

namespace Underlay.Core.Renames;

/// <summary>One thing that a plan does, for people to read before it is done.</summary>
/// <param name="Path">The file that it changes.</param>
/// <param name="Says">What becomes of it: "moved to wares/tide_mug/ware.json".</param>
public sealed record PlanLine(PackPath Path, string Says);

/// <summary>What is to be done to a pack as one, or why it cannot be.</summary>
/// <param name="Path">Where the entry then is.</param>
/// <param name="Lines">What is done, in order.</param>
/// <param name="Edits">The edits that do it.</param>
/// <param name="Problem">Why nothing can be done, as a sentence; null where it can.</param>
public sealed record EntryPlan(PackPath Path, IReadOnlyList<PlanLine> Lines, IReadOnlyList<TreeEdit> Edits, string? Problem)
{
    /// <summary>Nothing can be done.</summary>
    internal static EntryPlan Refused(PackPath path, string problem) => new(path, [], [], problem);
}
