using System.Text.Json;
using StandIns;

namespace Kilnmoor;

/// <summary>What the game accepts in its entries.</summary>
internal static class Entries
{
    private const string Name = "^[a-z0-9_]+$(?!\n)";
    private const string Id = "^[a-z0-9_]+\\.[a-z0-9_]+$(?!\n)";
    private const string Colour = "^#[0-9a-fA-F]{6}$(?!\n)";

    private static readonly string[] Things = ["ware", "material", "accepts"];
    private static readonly string[] Measures = ["foot_cm", "height_cm", "volume_ml", "weight_g"];

    public static bool Accepts(PlaceKind kind, Fields fields, string edition) => kind switch
    {
        PlaceKind.Descriptor => IsDescriptor(fields),
        PlaceKind.Ware => IsWare(fields),
        PlaceKind.Glaze => IsGlaze(fields),
        PlaceKind.Recipe => IsRecipe(fields, Editions.Order(edition) >= Editions.Order("4.0")),
        PlaceKind.Techniques => fields.Has("entries") && Each(fields, "entries", t =>
            t.IsText("id", true, Id) && t.IsNumber("months", false, 0, double.MaxValue) && t.IsText("learned_after", false, Id)),
        PlaceKind.Plan => IsPlan(fields),
        PlaceKind.Tower => IsTower(fields),
        _ => IsShape(fields),
    };

    private static bool Each(Fields fields, string list, Func<Fields, bool> holds) => fields.Objects(list)?.All(holds) == true;

    private static bool IsGlaze(Fields fields) =>
        fields.IsText("id", true, Id)
        && fields.IsText("body", true, Colour)
        && fields.IsText("rim", true, Colour)
        && Each(fields, "reactions", r =>
            r.IsNumber("from_c", true, double.MinValue, double.MaxValue)
            && r.IsNumber("to_c", true, double.MinValue, double.MaxValue)
            && r.IsOneOf("air", "oxidising", "reducing", "any")
            && r.IsNumber("soak_min", false, 0, double.MaxValue)
            && r.Object("gives")?.IsText("type", true) == true);

    private static bool IsRecipe(Fields fields, bool wholeMinutes) =>
        fields.IsText("id", true, Id)
        && fields.IsText("station", true)
        && fields.Has("uses") && Each(fields, "uses", u => IsAmountOf(u, mayAccept: true))
        && fields.Has("makes") && Each(fields, "makes", m => IsAmountOf(m, mayAccept: false))
        && (wholeMinutes
            ? fields.IsNumber("minutes", true, 0, double.MaxValue, whole: true)
            : fields.IsText("minutes", true, "^([0-9]+h([0-9]{1,2})?|[0-9]+)$(?!\n)"))
        && fields.IsNumber("firing_c", false, 0, double.MaxValue)
        && fields.IsText("technique", false, Id)
        && fields.IsNumber("order", false, double.MinValue, double.MaxValue, whole: true);

    /// <summary>An amount above nothing of exactly one thing.</summary>
    private static bool IsAmountOf(Fields part, bool mayAccept)
    {
        var named = Things.Count(f => part.Has(f) && (mayAccept || f != "accepts"));
        return named == 1
            && part.IsText("ware", false, Id)
            && part.IsText("material", false)
            && (!mayAccept || !part.Has("accepts") || (part.Object("accepts") is { } any
                && any.IsText("made_of", false)
                && (!any.Has("volume_ml") || (any.Object("volume_ml") is { } volume
                    && volume.IsNumber("min", false, 0, double.MaxValue)
                    && volume.IsNumber("max", false, 0, double.MaxValue)))))
            && part.IsNumber("amount", true, double.Epsilon, double.MaxValue);
    }

    private static bool IsPlan(Fields fields) =>
        fields.IsText("id", true, Id)
        && fields.Object("size_m") is { } size
        && size.IsNumber("x", true, double.Epsilon, double.MaxValue)
        && size.IsNumber("y", true, double.Epsilon, double.MaxValue)
        && fields.IsText("gate", true)
        && fields.Has("fixtures") && Each(fields, "fixtures", f =>
            f.IsText("id", true)
            && f.IsText("kind", true)
            && f.IsNumber("x", true, double.MinValue, double.MaxValue)
            && f.IsNumber("y", true, double.MinValue, double.MaxValue))
        && fields.Has("lanes") && Each(fields, "lanes", l =>
            l.IsText("from", true) && l.IsText("to", true) && l.IsNumber("width_m", true, 0, double.MaxValue))
        && AreCodes(fields, "occasions");

    private static bool IsTower(Fields fields) =>
        fields.IsText("id", true, Id)
        && AreCodes(fields, "occasions")
        && fields.Has("peals") && Each(fields, "peals", p =>
            p.IsText("signal", true)
            && p.IsOneOf("weather", "clear", "rain", "snow", "any")
            && p.Has("strokes") && Each(p, "strokes", s =>
                s.IsText("audio", true)
                && s.IsNumber("turns", true, 0, double.MaxValue)
                && s.IsNumber("rest_ms", true, 0, double.MaxValue)));

    private static bool AreCodes(Fields fields, string list) => fields.Has(list) && fields.Texts(list)?.All(c => c.Length > 0) == true;

    private static bool IsDescriptor(Fields fields) =>
        fields.IsText("made_of", true)
        && fields.IsOneOf("edge", "solid", "cut", "soft")
        && fields.IsNumber("rough", false, 0, 1)
        && fields.IsNumber("ember", false, 0, 1)
        && IsUnder(fields);

    private static bool IsUnder(Fields fields) =>
        !fields.Has("under")
            || (fields.Object("under") is { } under && under.IsText("surface", true, Name) && under.IsNumber("share", true, 0, 1));

    private static bool IsWare(Fields fields)
    {
        // What a ware does not have itself it may take from the one it is like.
        var alone = !fields.Has("like");
        return fields.IsText("id", true, Id)
            && fields.IsText("like", false, Id)
            && fields.IsText("shape", alone, Name)
            && fields.IsText("made_of", alone)
            && fields.IsNumber("price", alone, 1, double.MaxValue, whole: true)
            && fields.IsText("glaze", false, Id)
            && fields.IsText("stall", false, "^[0-9]{3}$(?!\n)") && fields.Text("stall") != "000"
            && fields.IsNumber("ember", false, 0, 1)
            && fields.IsNumber("hardness", false, 1, 9) && IsTenths(fields.Number("hardness") ?? 1)
            && Measures.All(f => fields.IsNumber(f, false, 0, double.MaxValue))
            && fields.IsText("lid", false, Id)
            && fields.IsText("shelf_of", false, Id)
            && (!fields.Has("name") || fields.Text("name") is not null)
            && fields.IsText("rings", false)
            && (!fields.Has("suits") || (fields.Object("suits") is { } suits
                && suits.Members().All(m => suits.IsNumber(m.Name, true, -3, 3, whole: true))));
    }

    private static bool IsTenths(double number) => Math.Abs((number * 10) - Math.Round(number * 10)) < 1e-8;

    private static bool IsShape(Fields fields) =>
        fields.Value("outline") is { ValueKind: JsonValueKind.Array } outline
        && outline.GetArrayLength() >= 2
        && outline
            .EnumerateArray()
            .All(
                p =>
                    p.ValueKind == JsonValueKind.Array
                        && p.GetArrayLength() >= 2
                        && p.EnumerateArray().All(n => n.ValueKind == JsonValueKind.Number && n.GetDouble() >= 0))
        && (!fields.Has("bands") || fields.Object("bands") is not null);
}
