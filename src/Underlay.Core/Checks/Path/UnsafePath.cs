using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A file in the pack's folder has a name that no package may hold.</summary>
/// <remarks>Host: not listed, unsafe. See docs/checks.md#pathunsafe.</remarks>
public sealed class UnsafePath : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("path/unsafe");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var refused in overlay.Pack.Tree.Refused.DistinctBy(r => (r.Name, r.Problem)))
        {
            yield return new Finding
            {
                Code = Code,
                Severity = Severity.Blocker,
                Path = Printable(refused.Name),
                Message = $"This name {refused.Problem.Says()}: rename it, or take it out of the pack. {overlay.Profile.Title} would not "
                    + $"list a package that holds it.",
                Predicts = [new Prediction(PredictionKind.Unlisted, "", OwnCodes.Unsafe)],
            };
        }
    }

    /// <summary>The name with control characters shown as "\u0007", so that a report can be read.</summary>
    internal static string Printable(string name) =>
        string.Concat(name.Select(c => char.IsControl(c) || char.IsSurrogate(c) ? $"\\u{(int)c:x4}" : c.ToString()));
}
