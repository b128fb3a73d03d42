using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Underlay itself fails at a file, which is left out so that the rest is judged.</summary>
/// <remarks>Host: as the file is. See docs/checks.md#judgefailed.</remarks>
public sealed class FailedJudging : Check
{
    private static readonly FailedJudging Self = new();

    /// <inheritdoc/>
    public override CheckCode Code => new("judge/failed");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Pack;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay) => overlay.Pack.Unjudged.Select(Told);

    /// <summary>A check that fails whatever is left out.</summary>
    internal static Finding Told(JudgingFault fault) => new()
    {
        Code = Self.Code,
        Severity = Severity.Warning,
        Path = fault.Path?.Value ?? "",
        Discriminator = fault.Check?.Value ?? "",
        Message = fault.Check is { } check
            ? $"The check {check} cannot be made of this pack: {Says(fault.Fault)} All others were made."
            : $"Not all of this can be judged: {Says(fault.Fault)} The rest is.",
    };

    private static Finding Told(UnjudgedFile unjudged) => new()
    {
        Code = Self.Code,
        Severity = Severity.Warning,
        Path = unjudged.File.Path.Value,
        Message = $"This file cannot be judged: {Says(unjudged.Fault)} All else is judged without it, and it is packaged as it is. "
            + $"Its SHA-256 is {unjudged.File.Hash}.",
        Explains = [unjudged.File.Path],
        IsOurFault = true,
        Saw = new Dictionary<PackPath, ContentHash> { [unjudged.File.Path] = unjudged.File.Hash },
    };

    private static string Says(Exception fault) => $"Underlay fails at it ({fault.GetType().Name}), which is a fault of Underlay’s.";
}
