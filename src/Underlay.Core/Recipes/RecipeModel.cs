using System.Text.Json;
using Underlay.Core.Stacks;

namespace Underlay.Core.Recipes;

/// <summary>Finds the recipe that one for a new entry is best made of.</summary>
public static class RecipeModel
{
    /// <summary>
    /// The recipe that makes the base's entry most like this one and nothing else, the smallest amount of it; null where nothing of
    /// the base's is made so.
    /// </summary>
    /// <param name="economy">The economy of the stack.</param>
    /// <param name="entry">An entry that recipes may make.</param>
    public static Recipe? For(Economy economy, Placement entry)
    {
        var overlay = economy.Overlay;
        var alike = new Dictionary<Good, int>();
        int Likeness(Good good)
        {
            if (!alike.TryGetValue(good, out var known))
                alike[good] = known = economy.EntryOf(good) is { Layer.IsBase: true } other ? EqualFields(overlay, entry, other) : -1;
            return known;
        }

        return economy.Recipes
            .Where(r => r.From.Layer.IsBase && r is { Makes: [var one], Uses.Count: > 0 } && one.Good.Of == entry.Place.Key)
            .Where(r => Likeness(r.Makes[0].Good) >= 0)
            .OrderByDescending(r => Likeness(r.Makes[0].Good))
            .ThenBy(r => r.Makes[0].Amount)
            .ThenBy(r => r.From.Path)
            .FirstOrDefault();
    }

    /// <summary>The recipe that makes a good: that which makes nothing else, and the least of it; null where none does.</summary>
    public static Recipe? Of(Economy economy, Good good) =>
        economy.Recipes
            .Where(r => r.Uses.Count > 0 && r.Makes.Any(m => m.Good == good))
            .OrderBy(r => r.Makes.Count)
            .ThenBy(r => r.Makes.First(m => m.Good == good).Amount)
            .ThenBy(r => r.From.Path)
            .FirstOrDefault();

    /// <summary>How many fields two entries have in common, those counted that they take over from others.</summary>
    private static int EqualFields(Overlay overlay, Placement entry, Placement other) =>
        other.Facts.Entry!.Text.Root.EnumerateObject()
            .Select(f => $"/{f.Name}")
            .Count(
                p => overlay.Value(entry, p) is { } mine && overlay.Value(other, p) is { } theirs && JsonElement.DeepEquals(mine, theirs));
}
