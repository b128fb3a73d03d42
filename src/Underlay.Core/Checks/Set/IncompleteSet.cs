using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Some members of a set are in the pack and others are not; the host takes the whole set from one package.</summary>
/// <remarks>Host: unchanged, or blank where the base has none. See docs/checks.md#setincomplete.</remarks>
public sealed class IncompleteSet : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("set/incomplete");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<MemberOfSetRule>(overlay.Edition))
                foreach (
                    var set in overlay.Pack
                        .In(place)
                        .Where(p => overlay.FindDrop(p.Path) is null)
                        .GroupBy(p => p.Bindings.With(rule.Placeholder, "")))
                    foreach (var finding in Inspect(overlay, rule, [.. set])) yield return finding;
    }

    private IEnumerable<Finding> Inspect(Overlay overlay, MemberOfSetRule rule, List<Placement> there)
    {
        var (first, pattern) = (there[0], there[0].Place.Pattern!);
        var missing = pattern.ChoicesOf(rule.Placeholder)
            .Select(member => pattern.Fill(first.Bindings.With(rule.Placeholder, member))!.Value)
            .Where(path => !there.Exists(p => p.Path == path))
            .ToList();
        var names = string.Join(", ", there.Select(p => p.Path.FileName));
        var cause = missing.Count > 0 ? new OneSet(missing[0].Value, names) : null;
        foreach (var path in missing)
        {
            var isOfBase = overlay.Base.Find(path) is not null;
            yield return Report(
                overlay,
                first with { Path = path },
                isOfBase ? rule.Else : rule.Lacking,
                $"The set has {names} and not this one; a set comes whole from one package.") with
            {
                Rule = rule,
                Saw = there.ToDictionary(p => p.Path, p => p.Facts.Hash),
                RestsOn = [path],
                Fix = isOfBase && !overlay.PackHas(path) ? new BringFiles([path], $"Bring {path.FileName}") : null,
                Shared = cause,
            };
        }
    }

    private sealed record OneSet(string First, string There) : SharedCause(First, "set")
    {
        public override string Says(IReadOnlyList<Finding> parts) =>
            $"The set has {There} and not {string.Join(", ", parts.Select(p => PackPath.Parse(p.Path).FileName))}; a set comes whole "
                + $"from one package. {parts[0].HostSays}";

        public override Fix? FindFix(IReadOnlyList<Finding> parts) =>
            parts.All(p => p.Fix is not null)
                ? new BringFiles([.. parts.Select(p => PackPath.Parse(p.Path))], $"Bring the other {parts.Count}")
                : null;
    }
}
