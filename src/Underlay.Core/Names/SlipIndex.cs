namespace Underlay.Core.Names;

/// <summary>Words, found by what they become where the hand slips once (<see cref="Slips.AreOneApart"/>).</summary>
/// <remarks>
/// Words a slip apart have a form in common: themselves, or themselves with one letter taken out. Only hashes of forms are kept. Short
/// words and words with digits are left out: one letter more, or another digit, says something there.
/// </remarks>
internal sealed class SlipIndex
{
    private const int Shortest = 4;

    private readonly Dictionary<uint, int> last = [];
    private readonly List<(string Word, int Before)> chains = [];

    /// <summary>Adds a word, which is not yet in it.</summary>
    public void Add(string word)
    {
        if (!IsIndexed(word)) return;
        foreach (var form in FormsOf(word))
        {
            chains.Add((word, last.TryGetValue(form, out var before) ? before : -1));
            last[form] = chains.Count - 1;
        }
    }

    /// <summary>The words that are one slip from another, each once.</summary>
    public IReadOnlyCollection<string> Near(string word)
    {
        if (!IsIndexed(word)) return [];
        var near = new HashSet<string>(StringComparer.Ordinal);
        foreach (var form in FormsOf(word))
            for (var i = last.TryGetValue(form, out var first) ? first : -1; i >= 0; i = chains[i].Before)
                if (Slips.AreOneApart(chains[i].Word, word)) near.Add(chains[i].Word);
        return near;
    }

    private static bool IsIndexed(string word) => word.Length >= Shortest && !word.AsSpan().ContainsAnyInRange('0', '9');

    /// <summary>Hashes of a word and of it with each of its letters taken out.</summary>
    private static uint[] FormsOf(string word)
    {
        var forms = new uint[word.Length + 1];
        for (var left = 0; left <= word.Length; left++) forms[left] = HashOf(word, left);
        return forms;
    }

    /// <remarks>FNV-1a, a letter at a time.</remarks>
    private static uint HashOf(string word, int left)
    {
        var hash = 2166136261;
        for (var i = 0; i < word.Length; i++)
            if (i != left) hash = (hash ^ word[i]) * 16777619;
        return hash;
    }
}
