using Underlay.Core.Names;

namespace Underlay.Core.Placements;

/// <summary>How far a name tells which thing a target is.</summary>
internal enum Told
{
    /// <summary>Not at all, or something else.</summary>
    No,

    /// <summary>Partly.</summary>
    Part,

    /// <summary>But for a slip of the hand.</summary>
    Slip,

    /// <summary>To the letter.</summary>
    Whole,
}

/// <summary>What a file's name and folders say of a target.</summary>
/// <param name="Identity">Of the thing's name.</param>
/// <param name="Share">Which share of the words that either has both have, 0 to 1.</param>
/// <param name="FromFolder">The folder has the thing's name.</param>
/// <param name="Number">Of the number; whole where the target has none.</param>
/// <param name="Choice">Of the member; whole where the target has none.</param>
/// <param name="HasRole">The words that tell the thing's files apart are there, or there are none.</param>
/// <param name="HasPlace">A folder or word of the place's own is there.</param>
/// <param name="Suffix">What stands behind the thing's name and for nothing else, such as "e" or "glow"; empty for none.</param>
/// <param name="TailLength">How many segments from the end both paths have alike, the name included.</param>
internal sealed record NameMatch(
    Told Identity,
    double Share,
    bool FromFolder,
    Told Number,
    Told Choice,
    bool HasRole,
    bool HasPlace,
    string Suffix,
    int TailLength)
{
    private const int LongestSuffix = 2;
    private const double Untold = 0.35;

    /// <summary>True when all that tells targets of the place apart is said.</summary>
    public bool IsTold => Identity >= Told.Slip && Number >= Told.Slip && Choice == Told.Whole;

    /// <summary>True where enough is said of the target that a file which fits may belong there.</summary>
    public bool MayMean(KnownTarget target) => Likelihood(target, PlaceFit.Unknown) is not null;

    /// <summary>How likely the target is by what is said of it, 0 to 1; null where nothing is.</summary>
    public double? Likelihood(KnownTarget target, PlaceFit fit)
    {
        var needsRole = target.Role.Count > 0;
        var hasTail = TailLength > 1 || (TailLength == 1 && IsTold && target.Identity.Count == 0);
        var tail = hasTail ? 0.04 * Math.Min(2, TailLength) : 0;
        if (IsTold)
        {
            var identity = Identity == Told.Whole && Number == Told.Whole ? 0.9 : 0.83;
            if (needsRole) return (HasRole ? identity : fit.IsAllowed && fit.IsExact ? 0.6 : 0.56) + tail;
            // A number or a member alone may be a version: the place, or a size that it alone has, has to speak for it too.
            if (target.Identity.Count == 0 && !HasPlace) return fit.IsAllowed && fit.IsExact ? 0.82 + tail : 0.4;
            return identity - (FromFolder || HasPlace ? 0 : 0.02) + tail;
        }

        if (Suffix.Length > 0) return needsRole && HasRole ? 0.7 : 0.55;
        if (Identity == Told.Part && Share >= 0.5 && Number >= Told.Slip && Choice == Told.Whole)
        {
            if (!needsRole) return Share * Share * 0.9;
            return HasRole ? 0.3 + (Share * 0.4) : null;
        }

        if (Identity != Told.No || fit.Doubt is not null) return null;
        var saysMember = (target.Choice is not null && Choice == Told.Whole) || (target.Number is not null && Number >= Told.Slip);
        var isHinted = saysMember || (needsRole && HasRole);
        return isHinted ? Untold + (fit.IsOfBase ? 0.06 : fit.IsAllowed ? 0.02 : 0) : null;
    }

    /// <remarks>
    /// Asked for each file of a tray of each target that a word leads to: little is made here that is thrown away at once.
    /// </remarks>
    public static NameMatch Of(SpokenPath spoken, KnownTarget target)
    {
        var tokens = TokensFor(spoken, target);
        var hasRole = HasAll(tokens, target.Role) || tokens.Exists(t => target.Called.Contains(t.Text));
        var choice = target.Choice is null ? Told.Whole : TakeOut(tokens, target.Choice) ? Told.Whole : Told.No;
        var number = target.Number is null ? Told.Whole : TakeNumber(tokens, target.Number);
        if (target.Role.Count > 0 && hasRole)
            tokens.RemoveAll(t => target.Role.Contains(t.Text) || (target.Called.Contains(t.Text) && !target.Identity.Contains(t.Text)));
        var hasPlace = HasPlaceWord(spoken, target, tokens);
        var words = WordsOf(tokens, target);
        var tail = TailOf(spoken.Tail, target.Tail);
        if (target.Identity.Count == 0)
        {
            var (all, whole) = words.Count == 0 ? (Told.Whole, 1) : (Told.No, 0);
            return new NameMatch(all, whole, false, number, choice, hasRole, hasPlace, "", tail);
        }

        var (told, share) = Compare(words, target);
        var suffix = told < Told.Slip ? FindSuffix(words, target) : "";
        if (told >= Told.Slip || suffix.Length > 0)
            return new NameMatch(told, share, false, number, choice, hasRole, hasPlace, suffix, tail);
        // A file that is called by its part alone belongs to the thing that a folder names.
        foreach (var folder in spoken.Folders)
        {
            bool SaysPlace(string word) => target.PlaceWords.Contains(word) && !target.Identity.Contains(word);
            var own = WordsOf(folder.Tokens, target).FindAll(w => !SaysPlace(w));
            if (!MayBeTold(own, own.Count, target)) continue;
            var (inFolder, folderShare) = Compare(own, target);
            if (inFolder < Told.Slip) continue;
            return words.Count == 0
                ? new NameMatch(inFolder, folderShare, true, number, choice, hasRole, hasPlace, "", tail)
                : new NameMatch(Told.Part, Math.Max(share, 0.6), true, number, choice, hasRole, hasPlace, "", tail);
        }

        return words.Count == 0
            ? new NameMatch(Told.No, 0, false, number, choice, hasRole, hasPlace, "", tail)
            : new NameMatch(told, share, false, number, choice, hasRole, hasPlace, "", tail);
    }

    /// <summary>How two lists of words compare; words run together count as the whole.</summary>
    internal static (Told Told, double Share) Compare(List<string> words, IReadOnlyList<string> identity) =>
        Compare(words, identity, string.Concat(identity));

    private static (Told Told, double Share) Compare(List<string> words, KnownTarget target)
    {
        var found = Compare(words, target.Identity, target.Whole);
        // Without the prefix only the whole of the name tells it.
        if (found.Told >= Told.Slip || target.Bare.Count == 0) return found;
        var bare = Compare(words, target.Bare);
        return bare.Told >= Told.Slip ? bare : found;
    }

    private static (Told Told, double Share) Compare(List<string> words, IReadOnlyList<string> identity, string wanted)
    {
        if (words.Count == 0) return (Told.No, 0);
        if (AreOneApartAtMost(words, words.Count, wanted))
        {
            var joined = string.Concat(words);
            if (joined == wanted) return (Told.Whole, 1);
            if (wanted.Length > 4 && IsSlip(joined, wanted, words, identity)) return (Told.Slip, 0.95);
        }

        Span<bool> taken = stackalloc bool[identity.Count];
        int hits = 0, slips = 0;
        foreach (var word in words)
        {
            var at = FindFree(identity, taken, word, isSlip: false);
            if (at < 0)
            {
                at = FindFree(identity, taken, word, isSlip: true);
                if (at >= 0) slips++;
            }

            if (at < 0) continue;
            taken[at] = true;
            hits++;
        }

        if (hits == words.Count && hits == identity.Count) return (slips > 1 ? Told.Part : Told.Slip, 0.9);
        return (hits == 0 ? Told.No : Told.Part, (double)hits / (words.Count + identity.Count - hits));
    }

    /// <summary>The first word of a name that is not taken and is the one given, or that but for a slip; -1 for none.</summary>
    private static int FindFree(IReadOnlyList<string> identity, ReadOnlySpan<bool> taken, string word, bool isSlip)
    {
        for (var i = 0; i < identity.Count; i++)
            if (!taken[i] && (isSlip ? identity[i].Length > 3 && Slips.AreOneApart(identity[i], word) : identity[i] == word)) return i;
        return -1;
    }

    /// <summary>
    /// False where the first words cannot be a target's name, not even but for slips: neither their number nor their length is its.
    /// </summary>
    private static bool MayBeTold(List<string> words, int count, KnownTarget target) =>
        count == target.Identity.Count || AreOneApartAtMost(words, count, target.Whole) || count == target.Bare.Count;

    /// <summary>True where the first words run together are as long as a name, give or take a letter.</summary>
    private static bool AreOneApartAtMost(List<string> words, int count, string whole)
    {
        var length = 0;
        for (var i = 0; i < count; i++) length += words[i].Length;
        return Math.Abs(length - whole.Length) <= 1;
    }

    private static bool HasAll(List<NameToken> tokens, IReadOnlyList<string> words)
    {
        foreach (var word in words)
            if (!tokens.Exists(t => t.Text == word)) return false;
        return true;
    }

    /// <summary>
    /// The words of tokens. A number that nothing asks for is a version or a scale, unless it belongs to the thing's name.
    /// </summary>
    private static List<string> WordsOf(IReadOnlyList<NameToken> tokens, KnownTarget target)
    {
        var words = new List<string>(tokens.Count);
        foreach (var token in tokens)
            if (!token.IsNumber || target.Identity.Contains(token.Text)) words.Add(token.Text);
        return words;
    }

    /// <summary>
    /// The pieces of a name as this target would read them: with words of copying and versioning that belong to its own name, and
    /// with its name and its part taken apart where they are run together, as in "milkjugshelf".
    /// </summary>
    private static List<NameToken> TokensFor(SpokenPath spoken, KnownTarget target)
    {
        var name = spoken.Name;
        List<NameToken> tokens = spoken.MayBeOwn.Count > 0 && spoken.MayBeOwn.Any(target.Identity.Contains)
            ? [.. name.AllTokens.Where(t => name.Tokens.Contains(t) || target.Identity.Contains(t.Text))]
            : [.. name.Tokens];
        foreach (var part in target.Role.Concat(target.Called)) TakeApart(tokens, target.Whole, part);
        if (target.Choice is { } choice) TakeApart(tokens, target.Whole, choice);
        return tokens;
    }

    private static void TakeApart(List<NameToken> tokens, string whole, string part)
    {
        if (part.Length == 0) return;
        var at = tokens.FindIndex(t => t.Text.Length == whole.Length + part.Length
            && t.Text.StartsWith(whole, StringComparison.Ordinal)
            && t.Text.EndsWith(part, StringComparison.Ordinal));
        if (at < 0) return;
        tokens.Add(new NameToken(part, false));
        tokens[at] = new NameToken(whole, false);
    }

    /// <summary>The words behind those that are the name, as "glow" in "milk_jug_glow"; empty for none.</summary>
    private static string FindSuffix(List<string> words, KnownTarget target)
    {
        for (var length = words.Count - 1; length > 0; length--)
        {
            if (MayBeTold(words, length, target) && Compare(words[..length], target).Told >= Told.Slip)
                return string.Join('_', words[length..]);
        }

        return "";
    }

    /// <summary>One letter is a slip inside a word; a digit, or a word of one or two letters too many, says something.</summary>
    private static bool IsSlip(string joined, string wanted, List<string> words, IReadOnlyList<string> identity) =>
        !joined.Any(char.IsAsciiDigit)
        && !wanted.Any(char.IsAsciiDigit)
        && Slips.AreOneApart(joined, wanted)
        && (words.Count <= identity.Count || words.TrueForAll(w => w.Length > LongestSuffix || identity.Contains(w)));

    private static bool TakeOut(List<NameToken> tokens, string text)
    {
        var at = tokens.FindIndex(t => t.Text == text);
        if (at >= 0) tokens.RemoveAt(at);
        return at >= 0;
    }

    private static Told TakeNumber(List<NameToken> tokens, string number)
    {
        if (TakeOut(tokens, number)) return Told.Whole;
        // "5" for "005" is the same number, written otherwise.
        var bare = number.TrimStart('0');
        var at = tokens.FindIndex(t => t.IsNumber && t.Text.TrimStart('0') == bare);
        if (at < 0) return Told.No;
        tokens.RemoveAt(at);
        return Told.Slip;
    }

    /// <summary>
    /// True when a folder above the file, or a word of its name, is one of the place's own folders, in the singular too; such a word
    /// says nothing of the thing.
    /// </summary>
    private static bool HasPlaceWord(SpokenPath spoken, KnownTarget target, List<NameToken> tokens)
    {
        var own = target.PlaceWords;
        if (own.Count == 0) return false;
        var said = tokens.RemoveAll(t => own.Contains(t.Text) && !target.Identity.Contains(t.Text)) > 0;
        return said || own.Any(spoken.FolderWords.Contains);
    }

    private static int TailOf(string[] one, string[] other)
    {
        var length = 0;
        while (length < one.Length && length < other.Length && one[^(length + 1)] == other[^(length + 1)]) length++;
        return length;
    }
}
