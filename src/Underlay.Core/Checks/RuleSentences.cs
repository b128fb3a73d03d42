using System.Globalization;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A rule of a place in words, with what a file measures.</summary>
/// <param name="Wanted">"56 x 56".</param>
/// <param name="Measured">"58 x 56"; empty where there is nothing to measure.</param>
/// <param name="Holds">Whether the file keeps the rule; null when it cannot be told.</param>
public sealed record RuleSentence(string Wanted, string Measured, bool? Holds);

/// <summary>Says what a place asks of a file and what the file has.</summary>
public static class RuleSentences
{
    /// <summary>The sentences of a file, in the order of its place's rules; what needs no words is left out.</summary>
    public static IReadOnlyList<RuleSentence> Of(Overlay overlay, Placement placement) =>
        [.. overlay.RulesFor(placement).Select(r => Of(overlay, placement, r.Rule)).OfType<RuleSentence>()];

    private static RuleSentence? Of(Overlay overlay, Placement placement, Rule rule) => rule switch
    {
        SizeRule size => OfSize(placement, size),
        AlphaRule alpha => OfAlpha(placement, alpha),
        ClearBorderRule => OfBorder(placement),
        MaskColoursRule => OfMask(placement),
        ColourTypesRule types => OfTypes(placement, types),
        WeightRule weight => new RuleSentence($"At most {Bytes(weight.MostBytes)}", Bytes(placement.Facts.Length), placement.Facts.Length <= weight.MostBytes),
        SameSizeRule same => OfSameSize(overlay, placement, same),
        RequiresRule requires => OfRequires(overlay, placement, requires),
        RefersToRule refers => placement.Field(refers.Field) is { } value
            ? new RuleSentence($"“{refers.Field.TrimStart('/')}” names something that exists", value, overlay.Resolves(refers, placement))
            : null,
        NamesAgreeRule names => placement.Field(names.Field) is { } id
            ? new RuleSentence($"Its id ends in “{placement.Bindings.Find(names.Placeholder)}”", id, id[(id.LastIndexOf('.') + 1)..] == placement.Bindings.Find(names.Placeholder))
            : null,
        _ => null,
    };

    private static RuleSentence OfSize(Placement placement, SizeRule rule)
    {
        var size = placement.Facts.Picture?.Header?.Size;
        return new RuleSentence(rule.ToString().Capitalised(), size?.ToString() ?? "", size is { } known ? rule.Judge(known) is null : null);
    }

    private static RuleSentence OfAlpha(Placement placement, AlphaRule rule)
    {
        var alpha = placement.Facts.Picture?.Pixels?.Alpha;
        var wanted = rule.Allows == AlphaUse.Opaque ? "Solid everywhere, no alpha" : "Each pixel fully solid or fully clear";
        var measured = alpha switch
        {
            AlphaUse.Opaque => "solid",
            AlphaUse.Mask => "solid or clear",
            AlphaUse.Blend => "soft alpha",
            _ => "",
        };
        return new RuleSentence(wanted, measured, alpha is { } use ? use <= rule.Allows : null);
    }

    private static RuleSentence OfBorder(Placement placement)
    {
        var pixels = placement.Facts.Picture?.Pixels;
        var first = pixels?.FirstUnclearBorder;
        return new RuleSentence("The outer ring of pixels is clear", pixels is null ? "" : first is { } at ? $"a pixel at {at} is not" : "clear", pixels is null ? null : first is null);
    }

    private static RuleSentence OfMask(Placement placement)
    {
        var pixels = placement.Facts.Picture?.Pixels;
        var first = pixels?.FirstGreen;
        return new RuleSentence("No green anywhere: a mask is blue and red", pixels is null ? "" : first is { } at ? $"green at {at}" : "none", pixels is null ? null : first is null);
    }

    private static RuleSentence OfTypes(Placement placement, ColourTypesRule rule)
    {
        var colour = placement.Facts.Picture?.Header?.Colour;
        return new RuleSentence(
            $"PNG stored as {string.Join(" or ", rule.Allowed.Select(Word))}",
            colour is { } known ? Word(known) : "",
            colour is { } type ? rule.Allowed.Contains(type) : null);
    }

    private static RuleSentence? OfSameSize(Overlay overlay, Placement placement, SameSizeRule rule)
    {
        var other = overlay.Targets(rule.Places, placement.Bindings).Select(overlay.Shown).FirstOrDefault(p => p?.Facts.Picture?.Header is not null);
        if (other?.Facts.Picture?.Header?.Size is not { } wanted) return null;
        var size = placement.Facts.Picture?.Header?.Size;
        return new RuleSentence($"The size of {other.Path.FileName}: {wanted}", size?.ToString() ?? "", size is { } known ? known == wanted : null);
    }

    private static RuleSentence? OfRequires(Overlay overlay, Placement placement, RequiresRule rule)
    {
        if (overlay.Targets(rule.Places, placement.Bindings) is not [var first, ..] targets) return null;
        var there = targets.Select(overlay.Shown).FirstOrDefault(p => p is not null);
        var measured = there is null ? (overlay.PackHas(first) ? "left out by the host" : "missing") : there.FromBase ? "in the base" : "in your pack";
        return new RuleSentence($"{(there?.Path ?? first).FileName} beside it", measured, there is not null);
    }

    private static string Word(PngColour colour) => colour switch
    {
        PngColour.Rgb => "RGB",
        PngColour.Rgba => "RGB with alpha",
        PngColour.Palette => "a palette",
        PngColour.GreyAlpha => "grey with alpha",
        _ => "grey",
    };

    private static string Bytes(long bytes) => bytes < 1024
        ? string.Create(CultureInfo.InvariantCulture, $"{bytes} bytes")
        : string.Create(CultureInfo.InvariantCulture, $"{bytes / 1024.0:0} KB");
}
