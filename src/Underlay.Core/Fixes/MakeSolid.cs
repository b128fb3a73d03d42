using Underlay.Core.Formats;
using Underlay.Core.Images;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Fixes;

/// <summary>
/// Lays a picture that has to be solid on a ground: black where colours are measures and not seen, else the base's picture,
/// else a colour. Colours that are hidden under clear pixels stay hidden.
/// </summary>
/// <param name="Path">The picture.</param>
/// <param name="Ground">The colour; null for the base's picture.</param>
/// <param name="IsAsked">Whether the author is asked for the colour.</param>
public sealed record MakeSolid(PackPath Path, Rgb? Ground, bool IsAsked = false)
    : Fix(
        Ground is { } colour ? new LayOnColour(colour).Title : "Lay it over the base’s picture",
        LosesNothing: false,
        LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override FixQuestion? Question =>
        IsAsked && Ground is { } colour ? new FixQuestion("Ground", StepInput.Colour, colour.ToString()) : null;

    /// <summary>The fix for a picture of the pack.</summary>
    public static MakeSolid For(Overlay overlay, Placement placement)
    {
        if (placement.Place.IsExact) return new MakeSolid(placement.Path, default(Rgb));
        if (overlay.OfBase(placement.Path) is { Facts.Picture.IsReadable: true }) return new MakeSolid(placement.Path, null);
        return new MakeSolid(placement.Path, overlay.Decode(placement) is { } picture ? MeanOf(picture) : default, IsAsked: true);
    }

    /// <inheritdoc/>
    public override Fix? Answered(string answer) =>
        Rgb.TryParse(answer, out var colour) ? this with { Ground = colour, Title = new LayOnColour(colour).Title } : null;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (Ground is { } colour) return Shaping.Add(tree, Path, new LayOnColour(colour)).Edits;
        return context.Overlay?.Base.Read(Path) is { } bytes && SourceReader.Read(bytes).Picture is { } under
            ? Shaping.Add(tree, Path, new LayOnPicture(under)).Edits
            : [];
    }

    /// <summary>The mean colour of what is seen.</summary>
    private static Rgb MeanOf(RgbaPicture picture)
    {
        var pixel = Resampler.ByArea(picture, new PixelSize(1, 1)).At(0, 0);
        return new Rgb(pixel[0], pixel[1], pixel[2]);
    }
}
