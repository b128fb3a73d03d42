using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Two entries have a value that only one may have: an id, a number.</summary>
/// <remarks>Host: one of them dropped, twice. See docs/checks.md#entrytwice.</remarks>
public sealed class Twice : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/twice");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is not UniqueRule rule) yield break;
        var value = drop.Placement.Field(rule.Field)!;
        var kept = overlay.Links.WithValue(drop.Placement.Place, rule.Field, value).FirstOrDefault();
        var other = kept is null ? "another" : $"{(kept.FromBase ? "the base’s " : "")}{kept.Path}";
        var at = drop.Placement.Facts.Entry!.Text.Locate(rule.Field);
        yield return Report(overlay, drop, $"“{rule.Field[1..]}” is “{value}”, as in {other}: two cannot have the same ({at}).{Free(overlay, drop, rule)}") with
        {
            Pointer = rule.Field,
            At = at,
        };
    }

    /// <summary>The next number that nothing has, where the value is a number.</summary>
    private static string Free(Overlay overlay, Drop drop, UniqueRule rule)
    {
        var value = drop.Placement.Field(rule.Field)!;
        if (!value.All(char.IsAsciiDigit)) return "";
        var taken = overlay.ShownIn(drop.Placement.Place).Select(p => p.Field(rule.Field)).ToHashSet();
        var free = Enumerable.Range(1, (int)Math.Pow(10, value.Length) - 1)
            .Select(n => n.ToString($"D{value.Length}", System.Globalization.CultureInfo.InvariantCulture))
            .FirstOrDefault(n => string.CompareOrdinal(n, value) > 0 && !taken.Contains(n));
        return free is null ? "" : $" {free} is free.";
    }
}
