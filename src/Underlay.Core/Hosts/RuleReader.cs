using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;

namespace Underlay.Core.Hosts;

/// <summary>Reads the rules of places and makes sure that what they name exists.</summary>
internal sealed class RuleReader(IReadOnlyList<Edition> editions, IReadOnlyList<HostWord> outcomes, IReadOnlyList<HostWord> drops)
{
    private readonly List<(ProfileCursor Cursor, string Field, string Place, string? Placeholder)> places = [];
    private readonly List<(ProfileCursor Cursor, string Codebook)> codebooks = [];

    public static Basis ReadBasis(ProfileCursor cursor) =>
        cursor.Choice("basis", ("documented", Basis.Documented), ("measured", Basis.Measured), ("assumed", Basis.Assumed));

    public IReadOnlyList<Rule> ReadRules(IReadOnlyList<ProfileCursor> cursors) =>
        [.. cursors.Select(ReadRule).OfType<Rule>()];

    public Consequence ReadConsequence(ProfileCursor cursor)
    {
        var consequence = ReadConsequenceFields(cursor);
        cursor.Done();
        return consequence;
    }

    public EditionSpan ReadSpan(ProfileCursor cursor)
    {
        var span = new EditionSpan(ReadEdition(cursor, "since"), ReadEdition(cursor, "until"));
        if (span is { Since: { } since, Until: { } until } && since.Order > until.Order) cursor.Fail("until", $"an edition not before {since} was expected");
        return span is { Since: null, Until: null } ? EditionSpan.Always : span;
    }

    /// <summary>Reports rules that name a place, a placeholder of it or a codebook which the profile does not have.</summary>
    public void CheckReferences(IReadOnlyList<Place> all, IReadOnlyList<CodebookRule> books)
    {
        foreach (var (cursor, field, key, placeholder) in places)
        {
            var place = all.FirstOrDefault(p => p.Key == key);
            if (place is null) cursor.Fail(field, $"the key of a place was expected, not “{key}”");
            else if (placeholder is not null && place.Pattern?.Placeholders.Contains(placeholder) != true)
                cursor.Fail("placeholder", $"a placeholder of the place {key} was expected, not “{placeholder}”");
        }

        foreach (var (cursor, key) in codebooks)
            if (books.All(b => b.Key != key)) cursor.Fail("codebook", $"the key of a codebook was expected, not “{key}”");
    }

    private Rule? ReadRule(ProfileCursor cursor)
    {
        var read = cursor.Choice<Func<ProfileCursor, Rule>>(
            "is",
            ("size", ReadSize),
            ("alpha", ReadAlpha),
            ("clearBorder", c => new ClearBorderRule(ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("maskColours", c => new MaskColoursRule(ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("colourTypes", ReadColourTypes),
            ("weight", c => new WeightRule(c.Whole("mostBytes", 1), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("requires", ReadRequires),
            ("sameSizeAs", c => new SameSizeRule(ReadPlaces(c), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("variesWith", ReadVariesWith),
            ("namesAgree", c => new NamesAgreeRule(c.Text("field"), c.Text("placeholder"), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("refersTo", ReadRefersTo),
            ("prefixed", c => new PrefixRule(c.TextIfAny("field"), c.Text("placeholder"), ReadBasis(c), ReadSpan(c))));
        if (!cursor.Has("is")) return null;
        var rule = read(cursor);
        cursor.Done();
        return rule;
    }

    private SizeRule ReadSize(ProfileCursor cursor)
    {
        var square = cursor.Flag("square");
        var sides = cursor.Has("side") ? cursor.Range("side") : ((int, int)?)null;
        return new SizeRule(
            sides ?? cursor.Range("width"),
            sides ?? cursor.Range("height"),
            square,
            cursor.Flag("powerOfTwo"),
            cursor.WholeOr("multipleOf", 1, 1),
            ReadConsequenceFields(cursor),
            ReadBasis(cursor),
            ReadSpan(cursor));
    }

    private AlphaRule ReadAlpha(ProfileCursor cursor) => new(
        cursor.Choice("allows", ("opaque", AlphaUse.Opaque), ("mask", AlphaUse.Mask), ("blend", AlphaUse.Blend)),
        ReadConsequenceFields(cursor),
        ReadBasis(cursor),
        ReadSpan(cursor));

    private ColourTypesRule ReadColourTypes(ProfileCursor cursor)
    {
        var allowed = new List<PngColour>();
        foreach (var word in cursor.Texts("allows"))
        {
            if (Enum.TryParse<PngColour>(word, ignoreCase: true, out var colour) && !char.IsAsciiDigit(word[0])) allowed.Add(colour);
            else cursor.Fail("allows", $"grey, rgb, palette, greyAlpha or rgba was expected, not “{word}”");
        }

        return new ColourTypesRule(allowed, ReadConsequenceFields(cursor), ReadBasis(cursor), ReadSpan(cursor));
    }

    private RequiresRule ReadRequires(ProfileCursor cursor) => new(
        ReadPlaces(cursor),
        cursor.Choice("at", ("self", false), ("wanted", true)),
        ReadConsequenceFields(cursor),
        ReadBasis(cursor),
        ReadSpan(cursor));

    private VariesWithRule ReadVariesWith(ProfileCursor cursor)
    {
        var choices = cursor.MemberLists("choices").ToDictionary(c => c.Name, c => ReadRules(c.Values), StringComparer.Ordinal);
        var otherwise = cursor.Text("otherwise");
        if (otherwise.Length > 0 && !choices.ContainsKey(otherwise)) cursor.Fail("otherwise", $"one of the choices was expected, not “{otherwise}”");
        return new VariesWithRule(NotePlace(cursor, "place", cursor.Text("place"), null), cursor.Text("field"), choices, otherwise, ReadBasis(cursor), ReadSpan(cursor));
    }

    private RefersToRule ReadRefersTo(ProfileCursor cursor)
    {
        var codebook = cursor.TextIfAny("codebook");
        if (codebook is not null)
        {
            codebooks.Add((cursor, codebook));
            return new RefersToRule(cursor.Text("field"), null, "", codebook, ReadConsequenceFields(cursor), ReadBasis(cursor), ReadSpan(cursor));
        }

        var placeholder = cursor.Text("placeholder");
        var place = NotePlace(cursor, "place", cursor.Text("place"), placeholder);
        return new RefersToRule(cursor.Text("field"), place, placeholder, null, ReadConsequenceFields(cursor), ReadBasis(cursor), ReadSpan(cursor));
    }

    private IReadOnlyList<string> ReadPlaces(ProfileCursor cursor)
    {
        var keys = cursor.Texts("places");
        foreach (var key in keys) NotePlace(cursor, "places", key, null);
        return keys;
    }

    private string NotePlace(ProfileCursor cursor, string field, string key, string? placeholder)
    {
        if (key.Length > 0) places.Add((cursor, field, key, placeholder));
        return key;
    }

    private Consequence ReadConsequenceFields(ProfileCursor cursor)
    {
        if (cursor.Has("drop")) return Consequence.Drops(ReadWord(cursor, "drop", drops));
        if (cursor.Flag("warn")) return Consequence.Regret;
        return Consequence.Shows(ReadWord(cursor, "else", outcomes));
    }

    private static string ReadWord(ProfileCursor cursor, string field, IReadOnlyList<HostWord> words)
    {
        var word = cursor.Text(field);
        if (word.Length > 0 && words.All(w => w.Code != word)) cursor.Fail(field, $"one of {string.Join(", ", words.Select(w => w.Code))} was expected, not “{word}”");
        return word;
    }

    private Edition? ReadEdition(ProfileCursor cursor, string field)
    {
        if (cursor.TextIfAny(field) is not { } key) return null;
        var edition = editions.FirstOrDefault(e => e.Key == key);
        if (edition is null) cursor.Fail(field, $"an edition ({string.Join(", ", editions.Select(e => e.Key))}) was expected, not “{key}”");
        return edition;
    }
}
