using Underlay.Core.Hosts.Rules;
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
                foreach (var set in overlay.Pack.In(place).Where(p => overlay.FindDrop(p.Path) is null).GroupBy(p => p.Bindings.With(rule.Placeholder, "")))
                    foreach (var finding in Inspect(overlay, rule, [.. set])) yield return finding;
    }

    private IEnumerable<Finding> Inspect(Overlay overlay, MemberOfSetRule rule, List<Placement> there)
    {
        foreach (var member in there[0].Place.Pattern!.ChoicesOf(rule.Placeholder))
        {
            var path = there[0].Place.Pattern!.Fill(there[0].Bindings.With(rule.Placeholder, member))!.Value;
            if (there.Exists(p => p.Path == path)) continue;
            var consequence = overlay.Base.Find(path) is null ? rule.Lacking : rule.Else;
            var names = string.Join(", ", there.Select(p => p.Path.FileName));
            yield return Report(overlay, there[0] with { Path = path }, consequence, $"The set has {names} and not this one; a set comes whole from one package.") with
            {
                Saw = there.ToDictionary(p => p.Path, p => p.Facts.Hash),
                RestsOn = [path],
            };
        }
    }
}
