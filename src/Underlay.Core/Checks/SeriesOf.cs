using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The numbered pictures of one series, as they are shown.</summary>
/// <param name="Rule">What holds for it.</param>
/// <param name="Frames">By number, lowest first.</param>
internal sealed record SeriesOf(SeriesRule Rule, IReadOnlyList<(int Number, Placement Picture)> Frames)
{
    /// <summary>Every series to which the pack supplies a picture that is shown.</summary>
    public static IEnumerable<SeriesOf> All(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<SeriesRule>(overlay.Edition))
                foreach (var mine in overlay.Pack.In(place).Where(p => overlay.FindDrop(p.Path) is null).GroupBy(p => KeyOf(p, rule)))
                    yield return new SeriesOf(rule, Read(overlay, place, rule, mine.Key));
    }

    /// <summary>The first number from 1 on that is missing.</summary>
    public int FirstMissing
    {
        get
        {
            var next = 1;
            foreach (var (number, _) in Frames)
                if (number == next) next++;
            return next;
        }
    }

    private static Bindings KeyOf(Placement placement, SeriesRule rule) => placement.Bindings.With(rule.Placeholder, "");

    private static List<(int, Placement)> Read(Overlay overlay, Place place, SeriesRule rule, Bindings key) =>
    [
        .. overlay.ShownIn(place)
            .Where(p => KeyOf(p, rule).Equals(key))
            .Select(
                p => (Number: int.Parse(p.Bindings.Find(rule.Placeholder)!, System.Globalization.CultureInfo.InvariantCulture), Picture: p))
            .OrderBy(f => f.Number),
    ];
}
