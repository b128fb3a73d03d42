using System.Text;

namespace Underlay.Core.Names;

/// <summary>One piece of a name: a word in lower case, or a run of digits as it stands.</summary>
/// <param name="Text">The piece.</param>
/// <param name="IsNumber">True for digits.</param>
public readonly record struct NameToken(string Text, bool IsNumber);

/// <summary>The words of a file name, without what copying, exporting and versioning add to it.</summary>
/// <param name="Words">Lower case, in order; numbers left aside.</param>
/// <param name="LeftOut">What was left out, as it stood: "copy 2".</param>
/// <param name="Tokens">Words and numbers, in order.</param>
/// <param name="AllTokens">These with what was left out of the words: "old" may belong to a thing's name.</param>
public sealed record NameWords(
    IReadOnlyList<string> Words,
    string LeftOut,
    IReadOnlyList<NameToken> Tokens,
    IReadOnlyList<NameToken> AllTokens)
{
    private const string Copy = "copy";

    private static readonly HashSet<string> Noise = new(StringComparer.Ordinal)
    {
        Copy, "kopie", "copie", "copia", "final", "finished", "last", "latest", "take", "new", "neu", "old", "edit", "edited",
        "export", "exported", "fixed", "draft", "version", "ver", "v", "wip", "test", "img", "image", "picture", "pic", "texture",
        "photo", "scan", "screenshot", "dsc", "untitled", "unnamed", "backup", "bak", "orig", "original", "resized", "repaint",
        "repainted",
    };

    /// <summary>Reads a name without its extension; or several names of a path, joined by "/".</summary>
    public static NameWords Of(string name)
    {
        var words = new List<string>();
        var left = new List<string>();
        var tokens = new List<NameToken>();
        var last = "";
        foreach (var word in Split(name))
        {
            var plain = word.ToLowerInvariant();
            if (IsNoise(plain)) left.Add(word);
            else words.Add(plain);
            // The number of a copy is none of the thing's.
            if (last != Copy || !plain.All(char.IsAsciiDigit)) tokens.AddRange(Tokenise(plain));
            last = plain;
        }

        return new NameWords(words, string.Join(' ', left), tokens, TokensOf(name));
    }

    /// <summary>The pieces of a name as the host has it: "saltbrook_s01" is saltbrook, s, 01.</summary>
    public static IReadOnlyList<NameToken> TokensOf(string name) =>
        [.. Split(name).SelectMany(w => Tokenise(w.ToLowerInvariant(), keepNoise: true))];

    private static bool IsNoise(string word)
    {
        // "2", "v3", "2x", "0231": numbers tell versions and scales, not things.
        var letters = word.Trim("0123456789".ToCharArray());
        return letters.Length == 0 || Noise.Contains(letters) || (letters == "x" && word.Length > 1);
    }

    /// <summary>A word taken apart where digits begin and end; of noise, only a number is kept.</summary>
    private static IEnumerable<NameToken> Tokenise(string word, bool keepNoise = false)
    {
        if (!keepNoise && IsNoise(word) && !word.All(char.IsAsciiDigit)) yield break;
        var start = 0;
        for (var i = 1; i <= word.Length; i++)
        {
            if (i < word.Length && char.IsAsciiDigit(word[i]) == char.IsAsciiDigit(word[start])) continue;
            yield return new NameToken(word[start..i], char.IsAsciiDigit(word[start]));
            start = i;
        }
    }

    private static List<string> Split(string name)
    {
        var words = new List<string>();
        var word = new StringBuilder();
        for (var i = 0; i < name.Length; i++)
        {
            var c = name[i];
            var camel = i > 0 && char.IsUpper(c) && char.IsLower(name[i - 1]);
            if (!char.IsLetterOrDigit(c) || camel)
            {
                if (word.Length > 0) words.Add(word.ToString());
                word.Clear();
            }

            if (char.IsLetterOrDigit(c)) word.Append(c);
        }

        if (word.Length > 0) words.Add(word.ToString());
        return words;
    }
}
