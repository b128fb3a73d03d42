using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;

namespace Underlay.Core.Hosts;

/// <summary>Reads the rules of places and makes sure that what they name exists.</summary>
internal sealed class RuleReader(IReadOnlyList<Edition> editions, IReadOnlyList<HostWord> outcomes, IReadOnlyList<HostWord> drops)
{
    private readonly List<(ProfileCursor Cursor, string Field, string Place, string? Placeholder)> places = [];
    private readonly List<(ProfileCursor Cursor, string Codebook)> codebooks = [];
    private readonly List<(ProfileCursor Cursor, string Mask)> masks = [];

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
        if (span is { Since: { } since, Until: { } until } && since.Order > until.Order)
            cursor.Fail("until", $"an edition not before {since} was expected");
        return span is { Since: null, Until: null } ? EditionSpan.Always : span;
    }

    /// <summary>Reports rules that name a place, a placeholder of it or a codebook which the profile does not have.</summary>
    public void CheckReferences(IReadOnlyList<Place> all, IReadOnlyList<CodebookRule> books, IReadOnlySet<string> masksThere)
    {
        foreach (var (cursor, mask) in masks)
            if (!masksThere.Contains(mask)) cursor.Fail("mask", $"a file masks/{mask} was expected");
        foreach (var (cursor, field, key, placeholder) in places)
        {
            var place = all.FirstOrDefault(p => p.Key == key);
            if (place is null) cursor.Fail(field, $"the key of a place was expected, not “{key}”");
            else if (placeholder is not null && !placeholder.Split('/').All(p => place.Pattern?.Placeholders.Contains(p) == true))
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
            ("someAlpha", c => new SomeAlphaRule(ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("clearBorder", c => new ClearBorderRule(ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("maskColours", c => new MaskColoursRule(c.Text("means"), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("grey", c => new GreyRule(c.Text("means"), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("fields", c => new FieldsRule(c.Wholes("widths"), ReadBasis(c), ReadSpan(c))),
            ("seenThrough", c => new SeenThroughRule(NoteMask(c), ReadBasis(c), ReadSpan(c))),
            ("lettering", c => new LetteringRule(c.Number("contrast"), c.Number("stroke"), ReadBasis(c), ReadSpan(c))),
            ("colourTypes", ReadColourTypes),
            ("weight", c => new WeightRule(c.Whole("mostBytes", 1), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("requires", ReadRequires),
            ("sameSizeAs", c => new SameSizeRule(ReadPlaces(c), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("variesWith", ReadVariesWith),
            (
                "namesAgree",
                c => new NamesAgreeRule(c.Text("field"), c.Text("placeholder"), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("refersTo", ReadRefersTo),
            (
                "inherits",
                c => new InheritsRule(ReadConsequenceFields(c), ReadDrop(c, "circle"), ReadDrop(c, "lacking"), ReadBasis(c), ReadSpan(c))),
            (
                "unique",
                c =>
                    new UniqueRule(
                        c.Text("field"),
                        c.Choice("stays", ("earlierPath", false), ("upper", true)),
                        ReadConsequenceFields(c),
                        ReadBasis(c),
                        ReadSpan(c))),
            ("listedIn", ReadListedIn),
            (
                "wantedBy",
                c =>
                    new WantedByRule(
                        NotePlace(c, "place", c.Text("place"), null),
                        c.Text("field"),
                        c.Text("placeholder"),
                        ReadConsequenceFields(c),
                        ReadBasis(c),
                        ReadSpan(c))),
            (
                "indexed",
                c => new IndexedRule(NotePlace(c, "index", c.Text("index"), null), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            (
                "enabledBy",
                c =>
                    new EnabledByRule(
                        ReadPlaces(c),
                        c.Text("field"),
                        c.Number("above"),
                        ReadConsequenceFields(c),
                        ReadBasis(c),
                        ReadSpan(c))),
            ("outrankedBy", c => new OutrankedByRule(ReadPlaces(c), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            (
                "memberOfSet",
                c =>
                    new MemberOfSetRule(
                        c.Text("placeholder"),
                        ReadConsequenceFields(c),
                        ReadOutcome(c, "lacking"),
                        ReadBasis(c),
                        ReadSpan(c))),
            (
                "series",
                c =>
                    new SeriesRule(
                        c.Text("placeholder"),
                        ReadConsequenceFields(c),
                        ReadOutcome(c, "canvas"),
                        ReadOutcome(c, "mixed"),
                        ReadBasis(c),
                        ReadSpan(c))),
            ("neighbourOf", ReadNeighbourOf),
            ("keys", c => new KeysRule(c.TextIfAny("field") ?? "", NoteCodebook(c), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("reachable", ReadReachable),
            ("covers", ReadCovers),
            (
                "firstFits",
                c =>
                    new FirstFitsRule(
                        c.Text("rows"),
                        c.Text("from"),
                        c.Text("to"),
                        c.Text("state"),
                        c.Texts("of"),
                        c.Text("any"),
                        c.Text("least"),
                        ReadBasis(c),
                        ReadSpan(c))),
            (
                "parameters",
                c =>
                    new ParametersRule(
                        c.Text("field"),
                        c.Text("by"),
                        NoteCodebook(c),
                        c.Text("group"),
                        c.Text("unit"),
                        c.Text("least"),
                        c.Text("greatest"),
                        c.Text("usual"),
                        ReadBasis(c),
                        ReadSpan(c))),
            ("usedBy", c => new UsedByRule(NotePlace(c, "place", c.Text("place"), null), c.Text("field"), ReadBasis(c), ReadSpan(c))),
            ("seenOn", ReadSeenOn),
            ("texts", ReadTexts),
            ("rates", c => new RatesRule([.. c.Wholes("rates").Order()], ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("channels", c => new ChannelsRule(c.Whole("most", 1), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("neverPlayed", c => new NeverPlayedRule(c.Text("folders"), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("length", c => new LengthRule(c.Number("atLeast"), c.Number("atMost"), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            (
                "numbered",
                c => new NumberedRule(c.Text("placeholder"), ReadPlaces(c), ReadConsequenceFields(c), ReadBasis(c), ReadSpan(c))),
            ("soundRow", ReadSoundRow),
            (
                "heard",
                c =>
                    new HeardRule(
                        c.Number("mostPeak"),
                        c.Number("mostLead"),
                        c.TextIfAny("beside"),
                        c.NumberIfAny("loudness"),
                        c.Number("apart"),
                        ReadBasis(c),
                        ReadSpan(c))),
            ("screenColours", c => new ScreenColoursRule(ReadBasis(c), ReadSpan(c))),
            ("prefixed", c => new PrefixRule(c.TextIfAny("field"), c.Text("placeholder"), ReadBasis(c), ReadSpan(c))));
        if (!cursor.Has("is")) return null;
        var rule = read(cursor);
        if (Unexecuted(rule) is var (field, expected)) cursor.Fail(cursor.Has(field) ? field : "is", expected);
        cursor.Done();
        return rule;
    }

    /// <summary>What no check would do anything about is refused here, not passed over in silence.</summary>
    private static (string Field, string Expected)? Unexecuted(Rule rule) => rule switch
    {
        NamesAgreeRule or InheritsRule or UniqueRule or WantedByRule or IndexedRule or OutrankedByRule or ReachableRule
            or ListedInRule { Codebook: not null }
            when rule.Else.Kind != ConsequenceKind.Drop => ("else", "“drop” was expected: what breaks such a rule is left out"),
        RefersToRule or RequiresRule or NamesAgreeRule or InheritsRule or UniqueRule or WantedByRule or IndexedRule or OutrankedByRule
            or ReachableRule or ListedInRule { Codebook: not null } => null,
        _ when rule.Else.Kind == ConsequenceKind.Drop =>
            ("drop", "“else” or “warn” was expected: what breaks such a rule is not left out"),
        _ => null,
    };

    /// <summary>Rules that may depend on another file: those about the picture itself.</summary>
    private static bool MayVary(Rule rule) => rule
        is SizeRule or AlphaRule or SomeAlphaRule or ClearBorderRule or MaskColoursRule or GreyRule or FieldsRule or SeenThroughRule
            or LetteringRule or ColourTypesRule or WeightRule or RatesRule or ChannelsRule or NeverPlayedRule;

    private SizeRule ReadSize(ProfileCursor cursor)
    {
        var square = cursor.Flag("square");
        var longSide = cursor.Has("longSide") ? cursor.Range("longSide") : (1, int.MaxValue);
        var sides = cursor.Has("side") ? cursor.Range("side") : cursor.Has("longSide") ? (1, longSide.Item2) : ((int, int)?)null;
        return new SizeRule(
            sides ?? cursor.Range("width"),
            sides ?? cursor.Range("height"),
            square,
            cursor.Flag("powerOfTwo"),
            cursor.WholeOr("multipleOf", 1, 1),
            longSide,
            cursor.TextIfAny("slimmest") is { } shape ? ReadShape(cursor, shape) : (0, 1),
            ReadConsequenceFields(cursor),
            ReadBasis(cursor),
            ReadSpan(cursor));
    }

    private static (int, int) ReadShape(ProfileCursor cursor, string text)
    {
        if (text.Split(':') is [var shorter, var longer]
            && int.TryParse(shorter, out var a)
            && int.TryParse(longer, out var b)
            && a > 0
            && a <= b)
            return (a, b);
        cursor.Fail("slimmest", $"two whole numbers like 3:4 were expected, not “{text}”");
        return (0, 1);
    }

    private AlphaRule ReadAlpha(ProfileCursor cursor) => new(
        cursor.Choice("allows", ("solid", AlphaUse.Solid), ("cut", AlphaUse.Cut), ("soft", AlphaUse.Soft)),
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
        cursor.TextIfAny("when"),
        cursor.NumberIfAny("above"),
        cursor.TextIfAny("lentBy"),
        ReadConsequenceFields(cursor),
        ReadBasis(cursor),
        ReadSpan(cursor));

    private VariesWithRule ReadVariesWith(ProfileCursor cursor)
    {
        var choices = cursor.MemberLists("choices").ToDictionary(c => c.Name, c => ReadRules(c.Values), StringComparer.Ordinal);
        if (choices.Values.Any(c => !c.All(MayVary))) cursor.Fail("choices", "rules about the picture or sound itself were expected");
        var otherwise = cursor.Text("otherwise");
        if (otherwise.Length > 0 && !choices.ContainsKey(otherwise))
            cursor.Fail("otherwise", $"one of the choices was expected, not “{otherwise}”");
        return cursor.TextIfAny("placeholder") is { } placeholder
            ? new VariesWithRule(null, placeholder, choices, otherwise, ReadBasis(cursor), ReadSpan(cursor))
            : new VariesWithRule(
                NotePlace(cursor, "place", cursor.Text("place"), null),
                cursor.Text("field"),
                choices,
                otherwise,
                ReadBasis(cursor),
                ReadSpan(cursor));
    }

    private RefersToRule ReadRefersTo(ProfileCursor cursor)
    {
        if (cursor.Has("codebook"))
            return new RefersToRule(
                cursor.Text("field"),
                null,
                null,
                NoteCodebook(cursor),
                ReadConsequenceFields(cursor),
                ReadBasis(cursor),
                ReadSpan(cursor));
        var placeholder = cursor.TextIfAny("placeholder");
        var place = NotePlace(cursor, "place", cursor.Text("place"), placeholder);
        return new RefersToRule(
            cursor.Text("field"),
            place,
            placeholder,
            null,
            ReadConsequenceFields(cursor),
            ReadBasis(cursor),
            ReadSpan(cursor));
    }

    private ReachableRule ReadReachable(ProfileCursor cursor) => new(
        cursor.Text("field"),
        NoteCodebook(cursor),
        cursor.Text("needs"),
        cursor.Text("gate"),
        cursor.Text("points"),
        cursor.Text("lanes"),
        cursor.Number("leastWidth"),
        ReadConsequenceFields(cursor),
        ReadBasis(cursor),
        ReadSpan(cursor));

    private SoundRowRule ReadSoundRow(ProfileCursor cursor) => new(
        NotePlace(cursor, "table", cursor.Text("table"), null),
        cursor.Text("placeholder"),
        cursor.Text("loopFrom"),
        cursor.Text("loopTo"),
        cursor.Text("gain"),
        ReadConsequenceFields(cursor),
        ReadBasis(cursor),
        ReadSpan(cursor));

    private SeenOnRule ReadSeenOn(ProfileCursor cursor) => new(
        cursor.Text("field"),
        cursor.Text("by"),
        NotePlace(cursor, "place", cursor.Text("place"), "name"),
        cursor.Text("part"),
        ReadBasis(cursor),
        ReadSpan(cursor));

    private TextsRule ReadTexts(ProfileCursor cursor) => new(
        NotePlace(cursor, "place", cursor.Text("place"), null),
        cursor.TextIfAny("field"),
        cursor.Texts("keys"),
        cursor.TextMembersIfAny("instead").ToDictionary(m => m.Name, m => m.Value, StringComparer.Ordinal),
        cursor.Text("column"),
        cursor.Text("file"),
        ReadConsequenceFields(cursor),
        ReadBasis(cursor),
        ReadSpan(cursor));

    private static PlaysShape? ReadPlays(ProfileCursor cursor)
    {
        if (cursor.ObjectIfAny("plays") is not { } plays) return null;
        var shape = new PlaysShape(plays.Text("sound"), plays.Text("turns"), plays.Text("rest"));
        plays.Done();
        return shape;
    }

    private CoversRule ReadCovers(ProfileCursor cursor) => new(
        cursor.Text("field"),
        NoteCodebook(cursor),
        cursor.Text("group"),
        (cursor.Text("status"), cursor.Text("required")),
        cursor.Text("rows"),
        cursor.Text("code"),
        cursor.Text("when"),
        cursor.Texts("of"),
        cursor.Text("any"),
        cursor.Text("lists"),
        ReadPlays(cursor),
        ReadConsequenceFields(cursor),
        ReadBasis(cursor),
        ReadSpan(cursor));

    private ListedInRule ReadListedIn(ProfileCursor cursor)
    {
        var codebook = cursor.Has("codebook") ? NoteCodebook(cursor) : null;
        var table = codebook is null ? NotePlace(cursor, "table", cursor.Text("table"), null) : null;
        return new ListedInRule(
            cursor.Text("placeholder"),
            codebook,
            table,
            ReadConsequenceFields(cursor),
            ReadBasis(cursor),
            ReadSpan(cursor));
    }

    private NeighbourOfRule ReadNeighbourOf(ProfileCursor cursor)
    {
        var table = cursor.Text("table");
        if (!Packs.PackPath.TryParse(table, out var path, out _) && table.Length > 0)
            cursor.Fail("table", $"the path of a table of the base was expected, not “{table}”");
        return new NeighbourOfRule(cursor.Text("placeholder"), path, cursor.Text("where"), ReadBasis(cursor), ReadSpan(cursor));
    }

    public string NoteCodebook(ProfileCursor cursor)
    {
        var codebook = cursor.Text("codebook");
        if (codebook.Length > 0) codebooks.Add((cursor, codebook));
        return codebook;
    }

    private string NoteMask(ProfileCursor cursor)
    {
        var mask = cursor.Text("mask");
        if (mask.Length > 0) masks.Add((cursor, mask));
        return mask;
    }

    private Consequence ReadDrop(ProfileCursor cursor, string field) => Consequence.Drops(ReadWord(cursor, field, drops));

    private Consequence ReadOutcome(ProfileCursor cursor, string field) => Consequence.Shows(ReadWord(cursor, field, outcomes));

    public IReadOnlyList<string> ReadPlaces(ProfileCursor cursor)
    {
        var keys = cursor.Texts("places");
        foreach (var key in keys) NotePlace(cursor, "places", key, null);
        return keys;
    }

    public string NotePlace(ProfileCursor cursor, string field, string key, string? placeholder)
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
        if (word.Length > 0 && words.All(w => w.Code != word))
            cursor.Fail(field, $"one of {string.Join(", ", words.Select(w => w.Code))} was expected, not “{word}”");
        return word;
    }

    private Edition? ReadEdition(ProfileCursor cursor, string field)
    {
        if (cursor.TextIfAny(field) is not { } key) return null;
        var edition = editions.FirstOrDefault(e => e.Key == key);
        if (edition is null)
            cursor.Fail(field, $"an edition ({string.Join(", ", editions.Select(e => e.Key))}) was expected, not "
            + $"“{key}”");
        return edition;
    }
}
