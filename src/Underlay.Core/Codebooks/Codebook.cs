namespace Underlay.Core.Codebooks;

/// <summary>One code of a codebook.</summary>
/// <param name="Value">The code.</param>
/// <param name="Name">What it stands for; empty where the code is its own name.</param>
public sealed record Code(string Value, string Name);

/// <summary>A table of codes with their names.</summary>
public sealed class Codebook
{
    private readonly HashSet<string> values;

    /// <summary>Makes a codebook.</summary>
    public Codebook(string key, string title, IReadOnlyList<Code> codes)
    {
        Key = key;
        Title = title;
        Codes = codes;
        values = codes.Select(c => c.Value).ToHashSet(StringComparer.Ordinal);
    }

    /// <summary>Its name in the profile.</summary>
    public string Key { get; }

    /// <summary>Its name for people.</summary>
    public string Title { get; }

    /// <summary>The codes in the order of the table.</summary>
    public IReadOnlyList<Code> Codes { get; }

    /// <summary>True when the table has the code, compared ordinally.</summary>
    public bool Has(string code) => values.Contains(code);
}
