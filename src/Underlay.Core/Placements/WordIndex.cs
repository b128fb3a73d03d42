using System.Collections.Immutable;

namespace Underlay.Core.Placements;

/// <summary>Things by words, each thing under its number.</summary>
internal sealed class WordIndex
{
    /// <summary>A word that more things have, as an author's prefix in a large pack, tells none of them from the others.</summary>
    public const int MostAlike = 500;

    private readonly Dictionary<string, List<int>> byWord = new(StringComparer.Ordinal);

    /// <summary>The words that more than <see cref="MostAlike"/> have.</summary>
    public ImmutableHashSet<string> Common { get; private set; } = ImmutableHashSet.Create<string>(StringComparer.Ordinal);

    /// <summary>Notes that a thing has a word; true where it is the first.</summary>
    public bool Note(string word, int thing)
    {
        if (!byWord.TryGetValue(word, out var its)) byWord[word] = its = [];
        its.Add(thing);
        if (its.Count == MostAlike + 1) Common = Common.Add(word);
        return its.Count == 1;
    }

    /// <summary>All that have a word.</summary>
    public IReadOnlyList<int> With(string word) => byWord.TryGetValue(word, out var its) ? its : [];

    /// <summary>Those that a word tells from others: all that have it, or none where it is common.</summary>
    public IReadOnlyList<int> ToldBy(string word) => With(word) is { Count: <= MostAlike } its ? its : [];
}
