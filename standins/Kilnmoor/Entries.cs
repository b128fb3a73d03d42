using System.Text.Json;
using StandIns;

namespace Kilnmoor;

/// <summary>What the game accepts in its entries.</summary>
internal static class Entries
{
    private const string Name = "^[a-z0-9_]+$(?!\n)";
    private const string Id = "^[a-z0-9_]+\\.[a-z0-9_]+$(?!\n)";
    private const string Colour = "^#[0-9a-fA-F]{6}$(?!\n)";

    public static bool Accepts(PlaceKind kind, Fields fields) => kind switch
    {
        PlaceKind.Descriptor => IsDescriptor(fields),
        PlaceKind.Ware => IsWare(fields),
        PlaceKind.Glaze => fields.IsText("id", true, Id) && fields.IsText("body", true, Colour) && fields.IsText("rim", true, Colour),
        _ => IsShape(fields),
    };

    private static bool IsDescriptor(Fields fields) =>
        fields.IsText("made_of", true)
        && fields.IsOneOf("edge", "opaque", "mask", "blend")
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
            && fields.IsNumber("ember", false, 0, 1);
    }

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
