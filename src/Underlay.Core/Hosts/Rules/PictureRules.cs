using Underlay.Core.Images;

namespace Underlay.Core.Hosts.Rules;

/// <summary>Which values the alpha of a picture may take.</summary>
/// <param name="Allows">The widest use allowed: Opaque is narrower than Mask, Mask narrower than Blend.</param>
/// <param name="Else">What comes of wider use.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record AlphaRule(AlphaUse Allows, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The outer ring of pixels has alpha 0.</summary>
public sealed record ClearBorderRule(Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>Green is 0 in every pixel: the picture is a mask in blue and red.</summary>
public sealed record MaskColoursRule(Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The colour types that a PNG may be stored in.</summary>
public sealed record ColourTypesRule(IReadOnlyList<PngColour> Allowed, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The most bytes that a file may have.</summary>
public sealed record WeightRule(long MostBytes, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);
