using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The host reads the file, and Underlay does not judge such files yet.</summary>
/// <remarks>Host: as the file is. See docs/checks.md#pathnot-judged.</remarks>
public sealed class NotJudged : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("path/not-judged");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var file in overlay.Pack.Unplaced)
        {
            if (overlay.Profile.FindUnjudged(file.Path) is not { } rule) continue;
            yield return new Finding
            {
                Code = Code,
                Severity = Severity.Note,
                Path = file.Path.Value,
                Message = $"{overlay.Profile.Title} reads this among its {rule.Title}; Underlay does not judge those yet, and packages "
                    + $"it as it is.",
                Saw = new Dictionary<PackPath, ContentHash> { [file.Path] = overlay.Pack.Facts[file.Path].Hash },
                Shared = new Kindred(rule.Title, overlay.Profile.Title),
            };
        }
    }

    private sealed record Kindred(string Title, string Host) : SharedCause("", Title)
    {
        public override string Says(IReadOnlyList<Finding> parts) =>
            $"{Host} reads {parts.Count} {Title} of the pack; Underlay does not judge {Title} yet, and packages them as they are.";

        public override Fix? FindFix(IReadOnlyList<Finding> parts) => null;
    }
}
