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
        foreach (var file in tree.Files.Where(f => f.Path.IsBelow($"{ReservedFolder.Name}/sources")))
        {
            if (!PackPath.TryParse(file.Path.Value[$"{ReservedFolder.Name}/sources/".Length..], out var path, out _)
                || !overlay.Pack.Facts.TryGetValue(path, out var facts))
                continue;
            if (StepsFile.HashesOf(tree, path) is not { } steps || steps.Result != facts.Hash || steps.Source == file.Hash) continue;
            yield return new Finding
            {
                Code = Code,
                Severity = Severity.Warning,
                Path = path.Value,
                Message = $"Its source {file.Path} was changed after this was made from it.",
                Saw = new Dictionary<PackPath, ContentHash> { [path] = facts.Hash },
                Fix = new RenewResult(path),
            };
        }
    }
}
