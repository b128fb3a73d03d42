using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>Something that the pack names and only another edition has.</summary>
/// <param name="Edition">The edition, the newest of several.</param>
/// <param name="Now">What it is called in the pack's edition; null where it is gone, or not yet there.</param>
public sealed record InOtherEdition(Edition Edition, string? Now)
{
    /// <summary>In words, as a sentence behind another: " The first edition has it; here it is “deal_limed”."</summary>
    public string Says => Now is null ? $" {Edition.Title} has it." : $" {Edition.Title} has it; here it is “{Now}”.";
}

/// <summary>Looks up in the bases of other editions what the pack's own edition does not have.</summary>
public static class OtherEditions
{
    /// <summary>A code of a codebook. What has the same name in both editions is the same thing.</summary>
    public static InOtherEdition? FindCode(Overlay overlay, string codebook, string code)
    {
        foreach (var other in overlay.OtherBases.Reverse())
            if (other.Codebooks[codebook].Codes.FirstOrDefault(c => c.Value == code) is { } found)
                return new InOtherEdition(
                    other.Edition,
                    found.Name.Length == 0
                        ? null
                        : overlay.Codebook(codebook).Codes.FirstOrDefault(c => c.Name == found.Name)?.Value);
        return null;
    }

    /// <summary>The id of an entry of a place.</summary>
    public static InOtherEdition? FindId(Overlay overlay, Place place, string id) =>
        overlay.OtherBases.LastOrDefault(b => b.LinksOf(place).ById[id].Any()) is { } other
            ? new InOtherEdition(other.Edition, null)
            : null;

    /// <summary>A name at a placeholder of a place.</summary>
    public static InOtherEdition? FindName(Overlay overlay, Place place, string placeholder, string name) =>
        overlay.OtherBases.LastOrDefault(b => b.In(place).Any(f => f.Bindings.Spell(placeholder) == name)) is { } other
            ? new InOtherEdition(other.Edition, NameOf(overlay, place, placeholder, name))
            : null;

    /// <summary>The edition whose base has a file at a path, and the path that it has in the pack's edition where that is known.</summary>
    public static (BaseCatalogue Base, PackPath? Now)? FindPath(Overlay overlay, Placement placement)
    {
        if (overlay.OtherBases.LastOrDefault(b => b.Find(placement.Path) is not null) is not { } other) return null;
        var pattern = placement.Place.Pattern!;
        foreach (var placeholder in pattern.Placeholders)
            if (NameOf(overlay, placement.Place, placeholder, placement.Bindings.Find(placeholder)!) is { } now)
                return (other, pattern.Fill(placement.Bindings.With(placeholder, now)));
        return (other, null);
    }

    /// <summary>What the profile says that a name of another edition is in the pack's, or null.</summary>
    private static string? NameOf(Overlay overlay, Place place, string placeholder, string name)
    {
        foreach (var rule in overlay.Profile.Renamed.Where(r => r.Placeholder == placeholder && r.Places.Contains(place.Key)))
        {
            var (from, to) = overlay.Edition.Order >= rule.Since.Order ? (rule.Old, rule.New) : (rule.New, rule.Old);
            if (name == from) return to;
        }

        return null;
    }
}
