using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Offers;

/// <summary>
/// Shapes several pictures alike: the same step for each, in the way that suits each. One that has the size already that the others
/// are fitted to stays as it is.
/// </summary>
public static class ShapingAlike
{
    /// <summary>The titles of the steps that all of them can be given, in the order in which they are proposed.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="pictures">Pictures of the pack.</param>
    public static IReadOnlyList<string> Offers(Overlay overlay, IReadOnlyList<Placement> pictures)
    {
        var offered = new Dictionary<string, int>(StringComparer.Ordinal);
        foreach (var picture in pictures)
            foreach (var title in StepOffers.For(overlay, picture).Select(o => o.Step.Title).Distinct(StringComparer.Ordinal))
                offered[title] = offered.GetValueOrDefault(title) + 1;
        return [.. offered.Where(o => o.Value + pictures.Count(p => HasAlready(p, o.Key)) == pictures.Count).Select(o => o.Key)];
    }

    /// <summary>The edits that give each picture the step of a title. A problem names the picture and leaves all as they are.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="pictures">Pictures of the pack.</param>
    /// <param name="title">The step's title.</param>
    public static ShapingResult Add(Overlay overlay, IReadOnlyList<Placement> pictures, string title)
    {
        var edits = new List<TreeEdit>();
        foreach (var picture in pictures.Where(p => !HasAlready(p, title)))
        {
            if (StepOffers.For(overlay, picture).FirstOrDefault(o => o.Step.Title == title) is not { } offer)
                return new ShapingResult([], $"{picture.Path}: “{title}” does not fit it");
            var result = Shaping.Add(overlay.Pack.Tree, picture.Path, offer.Step);
            if (result.Problem is { } problem) return new ShapingResult([], $"{picture.Path}: {problem}");
            edits.AddRange(result.Edits);
        }

        return new ShapingResult(edits, null);
    }

    private static bool HasAlready(Placement picture, string title) =>
        picture.Facts.Picture?.Header?.Size is { } size && new FitToSize(size, FitMode.Stretch, false).Title == title;
}
