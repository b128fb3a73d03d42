using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>A picture was made from a source that has changed since.</summary>
/// <remarks>Host: shows the old one. See docs/checks.md#packstale-result.</remarks>
public sealed class StaleResult : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("pack/stale-result");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Pack;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        var tree = overlay.Pack.Tree;
        foreach (var file in tree.Files.Where(f => f.Path.IsBelow(ReservedFolder.Steps)))
        {
            if (StepsFile.HeadOf(tree, file) is not var (path, kept, source, result)
                || !overlay.Pack.Facts.TryGetValue(path, out var facts)
                || result != facts.Hash
                || tree.Find(kept) is not { } own
                || own.Hash == source)
                continue;
            yield return new Finding
            {
                Code = Code,
                Severity = Severity.Warning,
                Path = path.Value,
                Message = $"Its source {kept} was changed after this was made from it.",
                Saw = new Dictionary<PackPath, ContentHash> { [path] = facts.Hash },
                Fix = new RenewResult(path),
            };
        }
    }
}
