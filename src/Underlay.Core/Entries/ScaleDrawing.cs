using System.Text.Json;

namespace Underlay.Core.Entries;

/// <summary>How entries of a kind are drawn to scale beside each other (the annotation <c>x-underlay-scale</c>).</summary>
/// <param name="Height">Pointer to how high one is.</param>
/// <param name="Foot">Pointer to how wide it stands, in the same unit.</param>
/// <param name="Shape">Pointer to the name of its outline.</param>
/// <param name="Place">The key of the place of outlines; the name is what their paths hold.</param>
/// <param name="Outline">
/// Pointer in one to its points from the foot up: height from 0 to 1, and radius, of which the first is half the foot.
/// </param>
public sealed record ScaleDrawing(string Height, string Foot, string Shape, string Place, string Outline)
{
    private static readonly string[] Fields = ["height", "foot", "shape", "place", "outline"];

    /// <summary>The annotation of a kind; null where it has none, or one that is added to the problems.</summary>
    internal static ScaleDrawing? Read(JsonElement document, List<(string Pointer, string Expected)> problems)
    {
        if (document.ValueKind != JsonValueKind.Object || !document.TryGetProperty("x-underlay-scale", out var rule)) return null;
        bool IsText(string field) => rule.TryGetProperty(field, out var value) && value.ValueKind == JsonValueKind.String;
        if (rule.ValueKind == JsonValueKind.Object && Fields.All(IsText))
        {
            string Text(string field) => rule.GetProperty(field).GetString()!;
            return new ScaleDrawing(Text("height"), Text("foot"), Text("shape"), Text("place"), Text("outline"));
        }

        problems.Add(
            (
                "/x-underlay-scale",
                "pointers “height”, “foot” and “shape”, the key of a “place” and a pointer “outline” were expected"));
        return null;
    }
}
