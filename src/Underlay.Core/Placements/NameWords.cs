using System.Text;

namespace Underlay.Core.Placements;

/// <summary>The words of a file name, without what copying, exporting and versioning add to it.</summary>
/// <param name="Words">Lower case, in order.</param>
/// <param name="LeftOut">What was left out, as it stood: "copy 2".</param>
public sealed record NameWords(IReadOnlyList<string> Words, string LeftOut)
{
    private static readonly HashSet<string> Noise = new(StringComparer.Ordinal)
    {
        "copy", "final", "finished", "new", "old", "edit", "edited", "export", "exported", "fixed", "draft", "version", "ver", "v", "wip", "test", "img", "image", "picture", "pic", "texture",
    };

    /// <summary>Reads a name without its extension; or several names of a path, joined by "/".</summary>
    public static NameWords Of(string name)
    {
        var words = new List<string>();
        var left = new List<string>();
        foreach (var word in Split(name))
        {
            var plain = word.ToLowerInvariant();
            if (IsNoise(plain)) left.Add(word);
            else words.Add(plain);
        }

        return new NameWords(words, string.Join(' ', left));
    }

    private static bool IsNoise(string word)
    {
        // "2", "v3", "2x", "0231": numbers tell versions and scales, not things.
        var letters = word.Trim("0123456789".ToCharArray());
        return letters.Length == 0 || Noise.Contains(letters) || (letters == "x" && word.Length > 1);
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
