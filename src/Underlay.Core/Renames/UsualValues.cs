using System.Text.Json;
using Underlay.Core.Entries;
using Underlay.Core.Hosts;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>A value that is proposed for a field.</summary>
/// <param name="Field">The field of the root.</param>
/// <param name="Value">The value.</param>
/// <param name="Says">Where it is from: "as in 7 of 12 of the base".</param>
internal sealed record UsualValue(string Field, JsonElement Value, string Says);

/// <summary>
/// What a new entry that is made of no other begins with: the fields that it has to have, as the base's usually have them.
/// </summary>
internal static class UsualValues
{
    private static readonly JsonElement EmptyList = JsonDocument.Parse("[]").RootElement;
    private static readonly JsonElement EmptyObject = JsonDocument.Parse("{}").RootElement;

    /// <summary>Values for the required fields of a place's kind; a field of which nothing is known is left out.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="place">The place.</param>
    /// <param name="except">Fields that are not the base's to propose, such as the id.</param>
    public static IEnumerable<UsualValue> Of(Overlay overlay, Place place, IReadOnlySet<string> except)
    {
        var kind = place.Kind!;
        var beside = overlay.Base.In(place).Select(f => f.Facts.Entry).OfType<BaseFiles.EntryFacts>().Where(e => e.IsAccepted).ToList();
        foreach (var field in kind.Required.Where(f => !except.Contains(f)))
        {
            var values = beside.Select(e => e.Text.Find($"/{field}")).OfType<JsonElement>().ToList();
            if (Choose(kind, field, values) is { } usual) yield return usual;
        }
    }

    private static UsualValue? Choose(Kind kind, string field, List<JsonElement> values)
    {
        // What a list holds is each entry's own matter; it begins empty where it may.
        if (values.Count > 0 && values.TrueForAll(v => v.ValueKind == JsonValueKind.Array) && kind.Accepts(field, EmptyList))
            return new UsualValue(field, EmptyList, "empty, for you to fill");
        if (values.Count > 0 && values.TrueForAll(v => v.ValueKind == JsonValueKind.Object) && kind.Accepts(field, EmptyObject))
            return new UsualValue(field, EmptyObject, "empty, for you to fill");
        if (values.Count > 0 && values.TrueForAll(v => v.ValueKind == JsonValueKind.Number))
        {
            values.Sort((a, b) => a.GetDouble().CompareTo(b.GetDouble()));
            return new UsualValue(field, values[(values.Count - 1) / 2], $"the middle of {values.Count} of the base");
        }

        if (values.GroupBy(v => v.GetRawText(), StringComparer.Ordinal).MaxBy(g => g.Count()) is { } most)
            return new UsualValue(field, most.First(), $"as in {most.Count()} of {values.Count} of the base");
        return kind.NamedValue(field) is { } named ? new UsualValue(field, named, "as its kind has it") : null;
    }

    /// <summary>What the base's entries have in a number where it is above another: the middle of these, or one more.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="place">The place of the entries.</param>
    /// <param name="field">Pointer to the number.</param>
    /// <param name="above">What it has to be above.</param>
    public static double Above(Overlay overlay, Place place, string field, double above)
    {
        List<double> usual =
        [
            .. overlay.Base.In(place)
                .Select(f => f.Facts.Entry?.Text.Find(field))
                .Where(v => v is { ValueKind: JsonValueKind.Number })
                .Select(v => v!.Value.GetDouble())
                .Where(v => v > above)
                .Order(),
        ];
        return usual.Count > 0 ? usual[usual.Count / 2] : above + 1;
    }
}
