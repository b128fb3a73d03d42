using System.Text.Json;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A colour lies outside of what screens show.</summary>
/// <remarks>Host: clips it, and does not mind. OKLCH to sRGB as in CSS Color 4. See docs/checks.md#entryoff-screen.</remarks>
public sealed class OffScreen : RuleCheck<ScreenColoursRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/off-screen");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, ScreenColoursRule rule)
    {
        if (placement.Layer.IsBase || placement.Facts.Entry is not { } entry) yield break;
        foreach (var member in entry.Text.Root.EnumerateObject())
        {
            double? Part(string name) => member.Value is { ValueKind: JsonValueKind.Object } parts
                && parts.TryGetProperty(name, out var part)
                && part.ValueKind == JsonValueKind.Number
                    ? part.GetDouble()
                    : null;
            if ((Part("l"), Part("c"), Part("h")) is not ({ } l, { } c, { } h)) continue;
            var colour = new Oklch(l, c, h);
            if (colour.IsOnScreen) continue;
            var pointer = $"/{JsonText.Escape(member.Name)}";
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"“{member.Name}” is more colourful than a screen can show; with a chroma (c) of {colour.MostChroma():0.000} or less "
                    + $"it "
                    + $"is shown as it is.") with
            {
                Pointer = pointer,
                At = entry.Text.Locate(pointer),
            };
        }
    }
}
