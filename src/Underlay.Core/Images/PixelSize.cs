using System.Globalization;

namespace Underlay.Core.Images;

/// <summary>Width and height of a picture, in pixels.</summary>
public readonly record struct PixelSize(int Width, int Height)
{
    /// <inheritdoc/>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Width} x {Height}");
}
