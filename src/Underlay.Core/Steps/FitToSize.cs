using System.Text.Json.Nodes;
using Underlay.Core.Formats;
using Underlay.Core.Images;

namespace Underlay.Core.Steps;

/// <summary>How a picture of another shape is fitted.</summary>
public enum FitMode
{
    /// <summary>Stretched to both sides: for pictures of the same shape.</summary>
    Stretch,

    /// <summary>All of it is seen, with clear margins.</summary>
    Inside,

    /// <summary>All of it is seen; margins carry the colours of its edges on.</summary>
    Extend,

    /// <summary>It fills the size; what hangs over is cut, on both sides alike.</summary>
    Fill,
}

/// <summary>Brings a picture to a size.</summary>
/// <param name="Size">The size.</param>
/// <param name="Mode">What happens to another shape.</param>
/// <param name="Exact">True where no new colours may come up, as in masks; else colours are averaged by area.</param>
public sealed record FitToSize(PixelSize Size, FitMode Mode, bool Exact) : PictureStep
{
    private static readonly (FitMode Mode, StepChoice Choice)[] Modes =
    [
        (FitMode.Stretch, new("stretch", "stretched")),
        (FitMode.Inside, new("inside", "clear margins")),
        (FitMode.Extend, new("extend", "margins in the colours of its edges")),
        (FitMode.Fill, new("fill", "cut what hangs over")),
    ];

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "fit",
        [
            new("width", "Width", StepInput.Whole, 1, PackPictureFormat.MaxSide, "pixels"),
            new("height", "Height", StepInput.Whole, 1, PackPictureFormat.MaxSide, "pixels"),
            new("mode", "Another shape", StepInput.Choice, Choices: [.. Modes.Select(m => m.Choice)]),
            new("exact", "No new colours", StepInput.Flag),
        ],
        step => step.Whole("width", 1, PackPictureFormat.MaxSide) is { } width
            && step.Whole("height", 1, PackPictureFormat.MaxSide) is { } height
            && Array.FindIndex(Modes, m => m.Choice.Word == (step.Text("mode") ?? "stretch")) is >= 0 and var mode
                ? new FitToSize(new PixelSize(width, height), Modes[mode].Mode, step.Flag("exact"))
                : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => $"Fit to {Size}";

    /// <inheritdoc/>
    public override string TitleFor(PixelSize before) => $"{Title}{Says(before)}";

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture) => Mode switch
    {
        FitMode.Stretch => Resample(picture, Size),
        // What hangs over is cut before scaling: scaled first, a narrow picture would become a huge one.
        FitMode.Fill => Resample(Centre(picture, Shown(picture.Size)), Size),
        _ => Centre(Resample(picture, Whole(picture.Size)), Size),
    };

    /// <inheritdoc/>
    public override PixelSize SizeAfter(PixelSize before) => Size;

    /// <inheritdoc/>
    protected override void Write(JsonObject json)
    {
        json["width"] = Size.Width;
        json["height"] = Size.Height;
        json["mode"] = Modes.First(m => m.Mode == Mode).Choice.Word;
        json["exact"] = Exact;
    }

    /// <summary>What becomes of another shape, as the end of the title; empty for the same shape.</summary>
    private string Says(PixelSize before)
    {
        if ((long)before.Width * Size.Height == (long)before.Height * Size.Width) return "";
        if (Mode == FitMode.Stretch) return $", stretched from {before}";
        var (left, kind) = Mode == FitMode.Fill ? (Less(before, Shown(before)), "cutting") : (Less(Size, Whole(before)), "adding");
        var (across, one, other) = left.Width > 0 ? (left.Width, "left", "right") : (left.Height, "top", "bottom");
        if (across == 0) return "";
        var (first, second) = (across / 2, across - (across / 2));
        var margin = Mode == FitMode.Inside ? " clear" : "";
        string Pixels(int count) => $"{count}{margin} pixel{(count == 1 ? "" : "s")}";
        var where = first == second ? $"{Pixels(first)} each at {one} and {other}"
            : first == 0 ? $"{Pixels(second)} at the {other}"
            : $"{Pixels(first)} at {one} and {second} at {other}";
        return $", {kind} {where}{(Mode == FitMode.Fill ? $" of {before}" : "")}";
    }

    private static PixelSize Less(PixelSize whole, PixelSize part) => new(whole.Width - part.Width, whole.Height - part.Height);

    /// <summary>The size of a picture of which all is seen.</summary>
    private PixelSize Whole(PixelSize picture)
    {
        var scale = Math.Min((double)Size.Width / picture.Width, (double)Size.Height / picture.Height);
        return new PixelSize(Math.Min(Size.Width, Side(picture.Width, scale)), Math.Min(Size.Height, Side(picture.Height, scale)));
    }

    /// <summary>The largest part of a picture that has the shape of the result.</summary>
    private PixelSize Shown(PixelSize whole)
    {
        var scale = Math.Min((double)whole.Width / Size.Width, (double)whole.Height / Size.Height);
        return new PixelSize(Math.Min(whole.Width, Side(Size.Width, scale)), Math.Min(whole.Height, Side(Size.Height, scale)));
    }

    private static int Side(int side, double scale) => Math.Max(1, (int)Math.Round(side * scale));

    /// <summary>
    /// The picture in the middle of a size. Margins have the colours of the edges beside them, which so cannot bleed where they are
    /// clear.
    /// </summary>
    private RgbaPicture Centre(RgbaPicture picture, PixelSize size)
    {
        if (picture.Size == size) return picture;
        var result = RgbaPicture.Clear(size);
        int left = (size.Width - picture.Size.Width) / 2, top = (size.Height - picture.Size.Height) / 2;
        for (var y = 0; y < size.Height; y++)
            for (var x = 0; x < size.Width; x++)
            {
                int fromX = Math.Clamp(x - left, 0, picture.Size.Width - 1), fromY = Math.Clamp(y - top, 0, picture.Size.Height - 1);
                var isMargin = fromX != x - left || fromY != y - top;
                if (isMargin && Exact && Mode == FitMode.Inside) continue;
                picture.At(fromX, fromY).CopyTo(result.At(x, y));
                if (isMargin && Mode == FitMode.Inside) result.At(x, y)[3] = 0;
            }

        return result;
    }

    private RgbaPicture Resample(RgbaPicture picture, PixelSize size) =>
        Exact ? Resampler.Nearest(picture, size) : Resampler.ByArea(picture, size);
}
