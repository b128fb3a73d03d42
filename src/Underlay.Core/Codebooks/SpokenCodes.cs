using Underlay.Core.Names;

namespace Underlay.Core.Codebooks;

/// <summary>A code that a name may stand for.</summary>
/// <param name="Code">The code.</param>
/// <param name="Hits">How many words of the name speak of it.</param>
/// <param name="Share">Which share of the code's own words they are.</param>
public sealed record SpokenCode(string Code, int Hits, double Share);

/// <summary>
/// Finds the codes of a codebook in the words of a name: codes themselves, words of their names, other spellings, and words a slip
/// away.
/// </summary>
public sealed class SpokenCodes
{
    private const int ShortestForSlips = 4;

    private readonly ILookup<string, string> byWord;
    private readonly Dictionary<string, int> lengths;

    /// <summary>Reads a codebook's names.</summary>
    public SpokenCodes(Codebook book)
    {
        var words = book.Codes.Select(c => (c.Value, Words: NameWords.Of(c.Name).Words)).ToList();
        lengths = words.ToDictionary(c => c.Value, c => Math.Max(1, c.Words.Count), StringComparer.Ordinal);
        byWord = words.SelectMany(c => c.Words.Select(w => (Word: w, Code: c.Value)))
            .Concat(book.Codes.Select(c => (Word: c.Value, Code: c.Value)))
            .Concat(book.Also.Where(a => book.Has(a.Value)).Select(a => (Word: a.Key, Code: a.Value)))
            .Distinct()
            .ToLookup(w => w.Word, w => w.Code, StringComparer.Ordinal);
        // A code or another spelling says all by itself.
        Whole = [.. book.Codes.Select(c => c.Value), .. book.Also.Keys];
    }

    private HashSet<string> Whole { get; }

    /// <summary>The codes of which the words speak most; several where they speak of them alike, none where of none.</summary>
    public IReadOnlyList<SpokenCode> Best(IReadOnlyList<string> words)
    {
        var hits = new Dictionary<string, (int Hits, bool IsWhole)>(StringComparer.Ordinal);
        foreach (var word in words)
            foreach (var code in CodesOf(word).Distinct(StringComparer.Ordinal))
            {
                var before = hits.GetValueOrDefault(code);
                hits[code] = (before.Hits + 1, before.IsWhole || Whole.Contains(word));
            }

        var found = hits
            .Select(h => new SpokenCode(h.Key, h.Value.Hits, h.Value.IsWhole ? 1 : Math.Min(1, (double)h.Value.Hits / lengths[h.Key])))
            .ToList();
        if (found.Count == 0) return [];
        var (most, share) = found.Select(f => (f.Hits, f.Share)).Max();
        return [.. found.Where(f => f.Hits == most && f.Share == share).OrderBy(f => f.Code, StringComparer.Ordinal)];
    }

    private IEnumerable<string> CodesOf(string word)
    {
        if (byWord.Contains(word)) return byWord[word];
        return word.Length < ShortestForSlips
            ? []
            : byWord.Where(w => w.Key.Length >= ShortestForSlips && Slips.AreOneApart(w.Key, word)).SelectMany(w => w);
    }
}
