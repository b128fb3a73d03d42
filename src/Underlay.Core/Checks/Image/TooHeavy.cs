using System.Globalization;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A picture's file has more bytes than its place takes.</summary>
/// <remarks>Host: blank. Bytes. See docs/checks.md#imagetoo-heavy.</remarks>
public sealed class TooHeavy : RuleCheck<WeightRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/too-heavy");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, WeightRule rule)
    {
        // An unreadable file has its own finding, which tells more.
        if (placement.Facts.Picture is { IsReadable: false } || placement.Facts.Length <= rule.MostBytes) yield break;
        yield return Report(
            overlay,
            placement,
            rule.Else,
            string.Create(
                CultureInfo.InvariantCulture,
                $"The file has {placement.Facts.Length:N0} bytes; at most {rule.MostBytes:N0} are allowed. Fewer colours or less noise "
                    + $"make it lighter.")) with
        {
            Fix = placement.Layer.IsBase ? null : Fixes.Lighten.For(overlay.Pack.Tree, placement.Path, rule.MostBytes),
        };
    }
}
