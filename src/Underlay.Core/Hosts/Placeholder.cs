using System.Buffers;

namespace Underlay.Core.Hosts;

/// <summary>A named hole of path patterns, with the characters and lengths that it takes.</summary>
public sealed class Placeholder
{
    /// <summary>The character class that takes every character.</summary>
    public const string Any = "any";

    private readonly SearchValues<char>? allowed;

    /// <summary>Makes a placeholder.</summary>
    /// <param name="name">Its name in patterns.</param>
    /// <param name="characters">A character class as in "a-z0-9_", or "any".</param>
    /// <param name="least">The fewest characters.</param>
    /// <param name="most">The most characters.</param>
    public Placeholder(string name, string characters, int least, int most)
    {
        Name = name;
        Characters = characters;
        Least = least;
        Most = most;
        allowed = characters == Any ? null : SearchValues.Create(Expand(characters));
    }

    /// <summary>Its name in patterns.</summary>
    public string Name { get; }

    /// <summary>The character class as the profile gives it.</summary>
    public string Characters { get; }

    /// <summary>The fewest characters.</summary>
    public int Least { get; }

    /// <summary>The most characters.</summary>
    public int Most { get; }

    /// <summary>True when the text may stand in the hole.</summary>
    public bool Takes(ReadOnlySpan<char> text) =>
        text.Length >= Least && text.Length <= Most && (allowed is null || text.IndexOfAnyExcept(allowed) < 0);

    private static string Expand(string characters)
    {
        var all = new List<char>();
        for (var i = 0; i < characters.Length; i++)
        {
            if (i + 2 < characters.Length && characters[i + 1] == '-')
            {
                for (var c = characters[i]; c <= characters[i + 2]; c++) all.Add(c);
                i += 2;
            }
            else all.Add(characters[i]);
        }

        return new string([.. all]);
    }
}
