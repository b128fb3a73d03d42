using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A file needs another beside it, and neither the pack nor the base has it.</summary>
/// <remarks>Host: hidden, or blank where the file was wanted. See docs/checks.md#companionmissing.</remarks>
public sealed class MissingCompanion : RuleCheck<RequiresRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("companion/missing");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
        {
            // A place whose one path the manifest names: a front picture that is not in the pack.
            if (place.ManifestField is null || overlay.Pack.Manifest.FindPath(place.ManifestField) is not { } path || overlay.PackHas(path))
                continue;
            yield return new Finding
            {
                Code = Code,
                Severity = Severity.Blocker,
                Path = path.Value,
                Message = $"The manifest names this as {place.Noun}, and there is no such file in the pack. "
                    + $"{overlay.Profile.Says(place.Unreadable)}",
                Predicts = Predict(path, place.Unreadable),
                RestsOn = [path],
            };
        }
    }

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, RequiresRule rule) =>
        overlay.Wants(rule, placement) && overlay.FirstShown(rule.Places, placement.Bindings) is null
            ? Find(overlay, placement, rule)
            : [];

    private IEnumerable<Finding> Find(Overlay overlay, Placement placement, RequiresRule rule)
    {
        var targets = overlay.Targets(rule.Places, placement.Bindings);
        if (targets.Count == 0 || overlay.IsLent(rule, placement)) yield break;
        var wanted = overlay.Profile.Place(rule.Places[0]);
        var at = rule.AtWanted ? targets[0] : placement.Path;
        var because = Because(placement, rule, wanted, targets[0]);
        yield return Report(overlay, placement with { Path = at }, rule.Else, because) with
        {
            Saw = new Dictionary<PackPath, ContentHash> { [placement.Path] = placement.Facts.Hash },
            RestsOn = targets,
            Explains = targets,
            Fix = FindFix(overlay, placement, rule, wanted, targets[0]),
        };
    }

    private static string Because(Placement placement, RequiresRule rule, Place wanted, PackPath target)
    {
        if (rule is { When: { } switched, Above: not null })
            return $"{FieldName.Quote(switched)} is set, and there is no {wanted.Noun} {target}: nothing is shown of it.";
        return rule.AtWanted
            ? $"{placement.Path} needs {wanted.One} here{(rule.When is { } field ? $" for its {field[1..]}" : "")}, and there is none."
            : $"It needs {wanted.One} beside it ({target.FileName}), and there is none.";
    }

    /// <summary>What can be written is written from its template; a picture is held by a kindred thing's.</summary>
    private static Fix? FindFix(Overlay overlay, Placement placement, RequiresRule rule, Place wanted, PackPath target)
    {
        if (overlay.PackHas(target)) return null;
        if (wanted.Template is { } template) return new WriteFromTemplate(target, template, placement.Path);
        return rule.AtWanted && !placement.Layer.IsBase
            ? BorrowPicture.For(overlay, placement, target, [.. rule.Places.Select(overlay.Profile.Place)])
            : null;
    }
}
