using Underlay.Core.Images;

namespace Underlay.Core.Hosts.Rules;

/// <summary>Which values the alpha of a picture may take.</summary>
/// <param name="Allows">The widest use allowed: Opaque is narrower than Mask, Mask narrower than Blend.</param>
/// <param name="Else">What comes of wider use.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record AlphaRule(AlphaUse Allows, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>Some pixel has alpha below 255.</summary>
public sealed record SomeAlphaRule(Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The outer ring of pixels has alpha 0.</summary>
public sealed record ClearBorderRule(Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>Green is 0 in every pixel: the picture is a mask in blue and red.</summary>
/// <param name="Means">What the colours say, in the host's words.</param>
/// <param name="Else">What comes of green.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record MaskColoursRule(string Means, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>Red, green and blue are the same in every pixel: the picture says how much, not in what colour.</summary>
/// <param name="Means">What light and dark say, in the host's words.</param>
/// <param name="Else">What comes of a colour.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record GreyRule(string Means, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The colour types that a PNG may be stored in.</summary>
public sealed record ColourTypesRule(
    IReadOnlyList<PngColour> Allowed,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The most bytes that a file may have.</summary>
public sealed record WeightRule(long MostBytes, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The picture is a sheet: fields side by side, and nothing crosses their edges.</summary>
/// <param name="Widths">Of the fields, from the left, in pixels.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record FieldsRule(IReadOnlyList<int> Widths, Basis Basis, EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions)
{
    /// <summary>The columns at which one field ends and the next begins.</summary>
    public IEnumerable<int> Edges => Widths.Take(Widths.Count - 1).Select((_, i) => Widths.Take(i + 1).Sum());
}

/// <summary>The picture is seen through a mask of the profile: what matters lies where the mask is white.</summary>
/// <param name="Mask">The mask's name in the profile's folder <c>masks/</c>.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record SeenThroughRule(string Mask, Basis Basis, EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);

/// <summary>The picture carries lettering that has to be read at its own size.</summary>
/// <param name="Contrast">The least contrast ratio of letters to ground (WCAG 2.2, "contrast ratio").</param>
/// <param name="Stroke">The least width of a stroke, in pixels.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record LetteringRule(
    double Contrast,
    double Stroke,
    Basis Basis,
    EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);
