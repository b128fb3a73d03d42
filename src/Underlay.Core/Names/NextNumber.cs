using System.Globalization;

namespace Underlay.Core.Names;

/// <summary>Names that go on counting: knock_1, knock_2.</summary>
public static class NextNumber
{
    /// <summary>The name with the first free number behind its own; one without a number counts as the first of its kind.</summary>
    /// <param name="name">A name, with or without folders, without ending.</param>
    /// <param name="isTaken">Whether something is called so already.</param>
    public static string After(string name, Predicate<string> isTaken)
    {
        var (stem, number) = Split(name);
        while (true)
        {
            number++;
            var next = string.Create(CultureInfo.InvariantCulture, $"{stem}_{number}");
            if (!isTaken(next)) return next;
        }
    }

    private static (string Stem, int Number) Split(string name) =>
        name.LastIndexOf('_') is > 0 and var at
            && int.TryParse(name[(at + 1)..], NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            ? (name[..at], number)
            : (name, 1);
}
