using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>How well a picture fits a path, by what can be measured.</summary>
/// <param name="IsAllowed">Its size is one that the place takes.</param>
/// <param name="IsExact">The place takes one size only.</param>
/// <param name="IsOfBase">Its size is that of the base's picture there.</param>
/// <param name="IsSameShape">Fitted to what the place takes, it would not be cut or get margins.</param>
/// <param name="Says">The size in words, beginning with a comma; empty where it says nothing.</param>
/// <param name="Doubt">What it breaks and could not break by accident, as a clause; null for nothing.</param>
/// <param name="IsOutranked">The host would use another file in place of the one there.</param>
internal sealed record PlaceFit(
    bool IsAllowed,
    bool IsExact,
    bool IsOfBase,
    bool IsSameShape,
    string Says,
    string? Doubt,
    bool IsOutranked = false)
{
    // Editors enlarge and reduce; so much is another picture.
    private const double MostShrunk = 2.6;
    private const double MostSlim = 1.6;

    // A few pixels are clear by accident; more were meant to be.
    private const double FewClear = 0.02;

    /// <summary>Of what is no picture: nothing speaks for or against it.</summary>
    public static readonly PlaceFit Unknown = new(false, false, false, false, "", null);

    public static PlaceFit Of(Overlay overlay, Place place, Bindings bindings, BaseFile? own, TrayContent content)
    {
        if (content.Size is not { } size) return Unknown;
        var facts = new FileFacts(default, 0, null);
        var placement = new Placement(place.Pattern?.Fill(bindings) ?? default, place, bindings, Layer.Pack, facts);
        var rules = overlay.RulesFor(placement).Select(r => r.Rule).ToList();
        var sizes = rules.OfType<SizeRule>().ToList();
        var ofBase = own?.Facts.Picture?.Header?.Size;
        var isAllowed = sizes.TrueForAll(r => r.Judge(size) is null);
        var isExact = sizes.Exists(r => r.IsExact);
        var wanted = sizes.Count > 0 ? sizes[0].Nearest(size) : size;
        var isSameShape = (long)wanted.Width * size.Height == (long)wanted.Height * size.Width;
        var says = ofBase == size && isAllowed ? $", {size} as the base’s"
            : isAllowed && isExact ? $", {size} as wanted"
            : isAllowed ? ""
            : $", {size} would be fitted to {wanted}";
        var outranking = FindOutranking(overlay, rules, bindings);
        var doubt = outranking ?? FindDoubt(rules, size, isExact ? wanted : ofBase, content);
        return new PlaceFit(isAllowed, isExact, ofBase == size, isSameShape, says, doubt, outranking is not null);
    }

    /// <summary>Another file that the host would use in place of the one there.</summary>
    private static string? FindOutranking(Overlay overlay, List<Rule> rules, Bindings bindings) =>
        rules.OfType<OutrankedByRule>().Select(r => overlay.FirstShown(r.Places, bindings)).FirstOrDefault(p => p is not null) is { } first
            ? $"{overlay.Profile.Title} would not show it: {(first.Layer.IsBase ? "the base’s" : "your")} {first.Path} goes before it"
            : null;

    private static string? FindDoubt(List<Rule> rules, PixelSize size, PixelSize? beside, TrayContent content)
    {
        if (beside is { } other)
        {
            var shrunk = Math.Min((double)size.Width / other.Width, (double)size.Height / other.Height);
            if (shrunk * MostShrunk < 1) return $"it is much smaller than {other}";
            var slim = (double)size.Width * other.Height / ((double)size.Height * other.Width);
            if (slim > MostSlim || slim < 1 / MostSlim) return $"it is of another shape than {other}";
        }

        if (rules.Exists(r => r is AlphaRule { Allows: AlphaUse.Solid }) && content.Picture is { } picture
            && ClearShare(picture) is > FewClear and var clear)
            return FormattableString.Invariant($"{clear * 100:0} % of it is clear, where all has to be solid");
        if (rules.Exists(r => r is GreyRule) && content.Picture is { } coloured && !LookGrid.Of(coloured).IsGrey)
            return "it has colours, where all has to be grey";
        return null;
    }

    private static double ClearShare(RgbaPicture picture)
    {
        var clear = 0;
        for (var i = 3; i < picture.Rgba.Length; i += 4)
            if (picture.Rgba[i] < 128) clear++;
        return clear / (picture.Rgba.Length / 4.0);
    }
}
