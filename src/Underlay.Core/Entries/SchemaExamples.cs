using System.Text.Json;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Entries;

/// <summary>
/// Items of a list that an author may begin from (the annotation <c>x-underlay-examples</c>): each with a title, a value that the list
/// accepts, and pointers in it to what only holds a place.
/// </summary>
internal static class SchemaExamples
{
    private const string Expected =
        "a list of examples was expected, each with “title”, a “value” that the list’s items accept, "
        + "and “fill”: pointers in it";

    /// <summary>Adds what cannot be read to the problems with its pointer.</summary>
    /// <param name="examples">The annotation.</param>
    /// <param name="items">What the list's items have to be; null where the annotation stands at no list.</param>
    /// <param name="pointer">Where the annotation stands.</param>
    /// <param name="problems">Where problems are added.</param>
    public static void Read(JsonElement examples, Schema? items, string pointer, List<(string Pointer, string Expected)> problems)
    {
        if (examples.ValueKind != JsonValueKind.Array || items is null)
        {
            problems.Add((pointer, Expected));
            return;
        }

        var index = 0;
        foreach (var example in examples.EnumerateArray())
        {
            if (!IsSound(example, items)) problems.Add(($"{pointer}/{index}", Expected));
            index++;
        }
    }

    private static bool IsSound(JsonElement example, Schema items) =>
        example.ValueKind == JsonValueKind.Object
        && example.TryGetProperty("title", out var title)
        && title.ValueKind == JsonValueKind.String
        && example.TryGetProperty("value", out var value)
        && items.Accepts(value)
        && example.TryGetProperty("fill", out var fill)
        && fill.ValueKind == JsonValueKind.Array
        && JsonText.Parse(JsonBytes.Of(value)) is var text
        && fill.EnumerateArray().All(f => f.ValueKind == JsonValueKind.String && text.Find(f.GetString()!) is not null);
}
