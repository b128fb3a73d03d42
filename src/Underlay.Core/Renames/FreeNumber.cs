using System.Globalization;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>Finds numbers for entries whose numbers tell them apart.</summary>
public static class FreeNumber
{
    /// <summary>
    /// The next number above one that nothing has, so that siblings stay together, else any; null where the value is no number, or
    /// all are taken. Numbers under which another edition has files of its own come last: there they would be seen as those.
    /// </summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="place">The place of the entries.</param>
    /// <param name="field">Pointer to the number.</param>
    /// <param name="old">A number with as many digits as are wanted.</param>
    /// <param name="elsewhere">Numbers that other packs of the author have.</param>
    public static string? After(Overlay overlay, Place place, string field, string old, IEnumerable<TakenNumber>? elsewhere = null)
    {
        if (old.Length == 0 || !old.All(char.IsAsciiDigit)) return null;
        var taken = overlay.ShownIn(place).Select(p => p.Field(field)).ToHashSet();
        taken.UnionWith((elsewhere ?? []).Where(n => n.Place == place.Key && n.Field == field).Select(n => n.Value));
        var files = FilesBy(overlay, place, field).ToList();
        bool IsOfOther(string number) => files.Exists(
            f =>
                f.Pattern!.Fill(Bindings.Of([(f.Placeholder, number)])) is { } path
                    && overlay.OtherBases.Any(b => b.Find(path) is not null));
        return Enumerable.Range(1, (int)Math.Pow(10, old.Length) - 1)
            .Select(n => n.ToString($"D{old.Length}", CultureInfo.InvariantCulture))
            .Where(n => !taken.Contains(n))
            .OrderBy(IsOfOther)
            .ThenBy(n => string.CompareOrdinal(n, old) < 0)
            .FirstOrDefault();
    }

    /// <summary>The files that are found by a number.</summary>
    internal static IEnumerable<(PathPattern? Pattern, string Placeholder)> FilesBy(Overlay overlay, Place place, string field) =>
        from files in overlay.Profile.Places
        from rule in files.RulesOf<WantedByRule>(overlay.Edition)
        where rule.Place == place.Key && rule.Field == field
        select (files.Pattern, rule.Placeholder);
}
