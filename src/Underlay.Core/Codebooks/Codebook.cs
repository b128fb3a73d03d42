namespace Underlay.Core.Codebooks;

/// <summary>One code of a codebook.</summary>
/// <param name="Value">The code.</param>
/// <param name="Name">What it stands for; empty where the code is its own name.</param>
/// <param name="More">What else its table says of it, by column; empty where there is no table.</param>
public sealed record Code(string Value, string Name, IReadOnlyDictionary<string, string> More)
{
    private static readonly Dictionary<string, string> Nothing = [];

    /// <summary>A code of which no more is known.</summary>
    public Code(string value, string name)
        : this(value, name, Nothing)
    {
    }

    /// <summary>What its table says in a column; empty where it says nothing.</summary>
    public string In(string column) => More.GetValueOrDefault(column, "");
}

/// <summary>A table of codes with their names.</summary>
public sealed class Codebook
{
    private readonly HashSet<string> values;
    private readonly Lazy<SpokenCodes> spoken;

    /// <summary>Makes a codebook.</summary>
    public Codebook(string key, string title, IReadOnlyList<Code> codes, IReadOnlyDictionary<string, string>? also = null)
    {
        Also = also ?? new Dictionary<string, string>();
        spoken = new Lazy<SpokenCodes>(() => new SpokenCodes(this));
        Key = key;
        Title = title;
        Codes = codes;
        values = codes.Select(c => c.Value).ToHashSet(StringComparer.Ordinal);
    }

    /// <summary>Its name in the profile.</summary>
    public string Key { get; }

    /// <summary>Its name for people.</summary>
    public string Title { get; }

    /// <summary>Other spellings that authors use in names, with the codes that they mean.</summary>
    public IReadOnlyDictionary<string, string> Also { get; }

    /// <summary>Finds its codes in names.</summary>
    public SpokenCodes Spoken => spoken.Value;

    /// <summary>The codes in the order of the table.</summary>
    public IReadOnlyList<Code> Codes { get; }

    /// <summary>What a code stands for; the code itself where it has no name.</summary>
    public string NameOf(string code) => Codes.FirstOrDefault(c => c.Value == code) is { Name.Length: > 0 } found ? found.Name : code;

    /// <summary>True when the table has the code, compared ordinally.</summary>
    public bool Has(string code) => values.Contains(code);
}
