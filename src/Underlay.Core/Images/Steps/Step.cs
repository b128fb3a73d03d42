namespace Underlay.Core.Images.Steps;

/// <summary>One shaping operation. Steps are values; a list of them runs on any source.</summary>
public abstract record Step
{
    /// <summary>What it does, as words to press: "Fit to 56 x 56".</summary>
    public abstract string Title { get; }

    /// <summary>The picture after the step. The picture before it is not changed.</summary>
    public abstract RgbaPicture Run(RgbaPicture picture);

    /// <summary>The size of a picture after the step, known before a pixel is made.</summary>
    public abstract PixelSize SizeAfter(PixelSize before);
}

/// <summary>How a picture of another shape is fitted.</summary>
public enum FitMode
{
    /// <summary>Stretched to both sides: for pictures of the same shape.</summary>
    Stretch,

    /// <summary>All of it is seen, with clear margins.</summary>
    Inside,

    /// <summary>It fills the size; what hangs over is cut, on both sides alike.</summary>
    Fill,
}

/// <summary>Brings a picture to a size.</summary>
/// <param name="Size">The size.</param>
/// <param name="Mode">What happens to another shape.</param>
/// <param name="Exact">True where no new colours may come up, as in masks; else colours are averaged by area.</param>
public sealed record FitToSize(PixelSize Size, FitMode Mode, bool Exact) : Step
{
    /// <inheritdoc/>
    public override string Title => $"Fit to {Size}";

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture)
    {
        if (Mode == FitMode.Stretch) return Resample(picture, Size);
        // What hangs over is cut before scaling: scaled first, a narrow picture would become a huge one.
        if (Mode == FitMode.Fill) return Resample(Centre(picture, Shown(picture.Size)), Size);
        var scale = Math.Min((double)Size.Width / picture.Size.Width, (double)Size.Height / picture.Size.Height);
        return Centre(Resample(picture, new PixelSize(Side(picture.Size.Width, scale), Side(picture.Size.Height, scale))), Size);
    }

    /// <inheritdoc/>
    public override PixelSize SizeAfter(PixelSize before) => Size;

    /// <summary>The largest part of a picture that has the shape of the result.</summary>
    private PixelSize Shown(PixelSize whole)
    {
        var scale = Math.Min((double)whole.Width / Size.Width, (double)whole.Height / Size.Height);
        return new PixelSize(Math.Min(whole.Width, Side(Size.Width, scale)), Math.Min(whole.Height, Side(Size.Height, scale)));
    }

    private static int Side(int side, double scale) => Math.Max(1, (int)Math.Round(side * scale));

    /// <summary>The picture in the middle of a size. Margins are clear, with the colours of the edges beside them, which so cannot bleed.</summary>
    private RgbaPicture Centre(RgbaPicture picture, PixelSize size)
    {
        var result = RgbaPicture.Clear(size);
        int left = (size.Width - picture.Size.Width) / 2, top = (size.Height - picture.Size.Height) / 2;
        for (var y = 0; y < size.Height; y++)
            for (var x = 0; x < size.Width; x++)
            {
                int fromX = Math.Clamp(x - left, 0, picture.Size.Width - 1), fromY = Math.Clamp(y - top, 0, picture.Size.Height - 1);
                var isMargin = fromX != x - left || fromY != y - top;
                if (isMargin && Exact) continue;
                picture.At(fromX, fromY).CopyTo(result.At(x, y));
                if (isMargin) result.At(x, y)[3] = 0;
            }

        return result;
    }

    private RgbaPicture Resample(RgbaPicture picture, PixelSize size) => Exact ? Resampler.Nearest(picture, size) : Resampler.ByArea(picture, size);
}

/// <summary>Makes the outer ring of pixels clear; their colours stay.</summary>
public sealed record ClearBorder : Step
{
    /// <inheritdoc/>
    public override string Title => "Clear the outer ring";

    /// <inheritdoc/>
    public override PixelSize SizeAfter(PixelSize before) => before;

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture)
    {
        var result = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        var (width, height) = (picture.Size.Width, picture.Size.Height);
        for (var y = 0; y < height; y++)
            for (var x = 0; x < width; x++)
                if (x == 0 || y == 0 || x == width - 1 || y == height - 1) result.At(x, y)[3] = 0;
        return result;
    }
}

/// <summary>Makes every pixel a square of that many.</summary>
/// <param name="Factor">2 or more.</param>
public sealed record Enlarge(int Factor) : Step
{
    /// <inheritdoc/>
    public override string Title => $"Enlarge by {Factor}";

    /// <inheritdoc/>
    public override PixelSize SizeAfter(PixelSize before) => new(before.Width * Factor, before.Height * Factor);

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture) =>
        Resampler.Nearest(picture, new PixelSize(picture.Size.Width * Factor, picture.Size.Height * Factor));
}

/// <summary>Makes every pixel a shade of grey by its lightness; alpha stays.</summary>
/// <remarks>Luma of ITU-R BT.709.</remarks>
public sealed record ToGrey : Step
{
    /// <inheritdoc/>
    public override string Title => "Make it grey";

    /// <inheritdoc/>
    public override PixelSize SizeAfter(PixelSize before) => before;

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture)
    {
        var result = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        for (var i = 0; i < result.Rgba.Length; i += 4)
        {
            var luma = (0.2126 * result.Rgba[i]) + (0.7152 * result.Rgba[i + 1]) + (0.0722 * result.Rgba[i + 2]);
            result.Rgba[i] = result.Rgba[i + 1] = result.Rgba[i + 2] = (byte)Math.Round(luma);
        }

        return result;
    }
}
