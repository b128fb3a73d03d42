using Underlay.Core.Decisions;
using Underlay.Core.Packs;

namespace Underlay.Core.Checks;

/// <summary>A check that failed: a fault of ours, and no finding.</summary>
/// <param name="Path">The file at which it did; null where it looked at the pack as a whole.</param>
/// <param name="Check">The check that looked at the pack as a whole; null where a file is named.</param>
/// <param name="Fault">What was thrown.</param>
public sealed record JudgingFault(PackPath? Path, CheckCode? Check, Exception Fault);
