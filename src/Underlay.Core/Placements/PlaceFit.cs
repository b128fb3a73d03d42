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
internal sealed record PlaceFit(bool IsAllowed, bool IsExact, bool IsOfBase, bool IsSameShape, string Says, string? Doubt)
{
    // Editors enlarge and reduce; so much is another picture.
    private const double MostShrunk = 2.6;
    private const double MostSlim = 1.6;

    // A few pixels are clear by accident; more were meant to be.
    private const double FewClear = 0.02;

    private static readonly PlaceFit Unknown = new(false, false, false, false, "", null);

    public static PlaceFit Of(Overlay overlay, Place place, Bindings bindings, BaseFile? own, TrayContent content)
    {
        if (content.Size is not { } size) return Unknown;
        var placement = new Placement(place.Pattern?.Fill(bindings) ?? default, place, bindings, FromBase: false, new FileFacts(default, 0, null, null));
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
        return new PlaceFit(isAllowed, isExact, ofBase == size, isSameShape, says, FindDoubt(rules, size, isExact ? wanted : ofBase, content));
    }

    private static string? FindDoubt(List<Rule> rules, PixelSize size, PixelSize? beside, TrayContent content)
    {
        if (beside is { } other)
        {
            if (Math.Min((double)size.Width / other.Width, (double)size.Height / other.Height) * MostShrunk < 1) return $"it is much smaller than {other}";
            var slim = (double)size.Width * other.Height / ((double)size.Height * other.Width);
            if (slim > MostSlim || slim < 1 / MostSlim) return $"it is of another shape than {other}";
        }

        if (rules.Exists(r => r is AlphaRule { Allows: AlphaUse.Opaque }) && content.Picture is { } picture && ClearShare(picture) is > FewClear and var clear)
            return FormattableString.Invariant($"{clear * 100:0} % of it is clear, where all has to be solid");
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
