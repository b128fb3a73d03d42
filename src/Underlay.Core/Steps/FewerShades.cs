using System.Text.Json.Nodes;
using Underlay.Core.Images;

namespace Underlay.Core.Steps;

/// <summary>Rounds red, green and blue to fewer shades each, which lets a file pack smaller.</summary>
/// <param name="Bits">How many bits of each channel are kept, 3 to 7.</param>
public sealed record FewerShades(int Bits) : PictureStep
{
    /// <summary>The fewest bits.</summary>
    public const int Least = 3;

    /// <summary>The most bits.</summary>
    public const int Most = 7;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "fewer-shades",
        [new("bits", "Bits a channel", StepInput.Whole, Least, Most)],
        step => step.Whole("bits", Least, Most) is { } bits ? new FewerShades(bits) : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => $"Keep {1 << Bits} shades a channel";

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture)
    {
        var result = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        var steps = (1 << Bits) - 1;
        for (var i = 0; i < result.Rgba.Length; i++)
            if (i % 4 != 3) result.Rgba[i] = (byte)Math.Round(Math.Round(result.Rgba[i] * steps / 255.0) * 255 / steps);
        return result;
    }

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => json["bits"] = Bits;
}
