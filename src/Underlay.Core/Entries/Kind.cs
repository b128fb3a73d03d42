using System.Text.Json;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Entries;

/// <summary>Which fields an entry takes over from another of its kind (the annotation <c>x-underlay-inherits</c>).</summary>
/// <param name="By">Pointer to the field that names the other by id.</param>
/// <param name="Required">Fields of the root that are needed, own or taken over.</param>
/// <param name="Except">Fields of the root that are never taken over.</param>
public sealed record Inheritance(string By, IReadOnlyList<string> Required, IReadOnlyList<string> Except);

/// <summary>A number of which entries would rather have more or less (the annotation <c>x-underlay-better</c>).</summary>
/// <param name="Pointer">The field of the root.</param>
/// <param name="IsMore">Whether more is better.</param>
public sealed record Merit(string Pointer, bool IsMore);

/// <summary>A type of declarative definition: a JSON Schema 2020-12 of the host profile.</summary>
public sealed class Kind
{
    private readonly Schema schema;

    private Kind(
        string key,
        JsonElement document,
        Schema schema,
        Inheritance? inherits,
        IReadOnlyList<Merit> merits,
        ScaleDrawing? scale)
    {
        Merits = merits;
        Scale = scale;
        Key = key;
        Document = document;
        this.schema = schema;
        Inherits = inherits;
        Title = document.ValueKind == JsonValueKind.Object && document.TryGetProperty("title", out var title) ? title.ToString() : key;
    }

    /// <summary>The kind's name in the profile, such as "ware".</summary>
    public string Key { get; }

    /// <summary>The kind's name for people.</summary>
    public string Title { get; }

    /// <summary>What its entries take over from each other, or null.</summary>
    public Inheritance? Inherits { get; }

    /// <summary>How its entries are drawn to scale, or null.</summary>
    public ScaleDrawing? Scale { get; }

    /// <summary>Numbers of which more or less is better.</summary>
    public IReadOnlyList<Merit> Merits { get; }

    /// <summary>Fields of the root that an entry has to have, its own or taken over, in the schema's order.</summary>
    public IReadOnlyList<string> Required => [.. schema.Required.Concat(Inherits?.Required ?? []).Distinct()];

    /// <summary>Whether a field of the root may have a value.</summary>
    public bool Accepts(string field, JsonElement value) => schema.Field(field)?.Accepts(value) ?? true;

    /// <summary>A value of a field of the root that the schema itself names: default, first choice or least number; else null.</summary>
    public JsonElement? NamedValue(string field) => schema.Field(field)?.Named;

    /// <summary>The schema's own text.</summary>
    public JsonElement Document { get; }

    /// <summary>Reads a schema.</summary>
    /// <param name="key">The kind's name.</param>
    /// <param name="document">The schema.</param>
    /// <returns>The kind, and what in the schema cannot be read: pointers and what was expected.</returns>
    public static (Kind Kind, IReadOnlyList<(string Pointer, string Expected)> Problems) Read(string key, JsonElement document)
    {
        var problems = new List<(string, string)>();
        var schema = Schema.Read(document, "", problems);
        var kind = new Kind(
            key,
            document,
            schema,
            ReadInheritance(document, problems),
            ReadMerits(document, problems),
            ScaleDrawing.Read(document, problems));
        return (kind, problems);
    }

    /// <summary>What the kind does not accept in an entry; empty when it is accepted.</summary>
    public IReadOnlyList<EntryFault> Judge(JsonText entry)
    {
        if (FindHugeNumber(entry.Root, "") is { } huge)
            return [new EntryFault(huge, "", "a number here is too large for the host to read")];
        var faults = new List<EntryFault>();
        schema.Judge(entry.Root, "", faults);
        // What is taken over from another entry can only be judged with that one.
        if (Inherits is { } inherits && faults.Count == 0 && entry.Find(inherits.By) is null)
            faults.AddRange(
                inherits.Required
                    .Where(f => !entry.Root.TryGetProperty(f, out _))
                    .Select(f => new EntryFault("", f, $"the field “{f}” is missing")));
        return faults;
    }

    /// <summary>
    /// Fields that the kind does not know and whose names are near one that it does: what the host passes over in silence.
    /// </summary>
    /// <returns>Pointers to the fields, each with the name that was probably meant.</returns>
    public IReadOnlyList<(string Pointer, string Near)> FindNearFields(JsonText entry)
    {
        var found = new List<(string, string)>();
        if (entry.Problem is null) schema.FindNearFields(entry.Root, "", found);
        return found;
    }

    private static Inheritance? ReadInheritance(JsonElement document, List<(string, string)> problems)
    {
        if (document.ValueKind != JsonValueKind.Object || !document.TryGetProperty("x-underlay-inherits", out var rule)) return null;
        if (rule.ValueKind == JsonValueKind.Object
            && rule.TryGetProperty("by", out var by)
            && by.ValueKind == JsonValueKind.String
            && Names(rule, "required") is { } required
            && Names(rule, "except") is { } except)
            return new Inheritance("/" + by.GetString(), required, except);
        problems.Add(
            ("/x-underlay-inherits", "“by” with a field’s name, and lists of names “required” and “except”, were expected"));
        return null;
    }

    private static List<Merit> ReadMerits(JsonElement document, List<(string, string)> problems)
    {
        var merits = new List<Merit>();
        if (document.ValueKind != JsonValueKind.Object
            || !document.TryGetProperty("properties", out var properties)
            || properties.ValueKind != JsonValueKind.Object)
            return merits;
        foreach (var property in properties.EnumerateObject())
        {
            if (property.Value.ValueKind != JsonValueKind.Object || !property.Value.TryGetProperty("x-underlay-better", out var better))
                continue;
            var pointer = $"/{JsonText.Escape(property.Name)}";
            if (better.ValueKind == JsonValueKind.String && better.GetString() is "more" or "less")
                merits.Add(new Merit(pointer, better.GetString() == "more"));
            else problems.Add(($"/properties{pointer}/x-underlay-better", "“more” or “less” was expected"));
        }

        return merits;
    }

    private static List<string>? Names(JsonElement rule, string field) =>
        rule.TryGetProperty(field, out var list)
        && list.ValueKind == JsonValueKind.Array
        && list.EnumerateArray().All(v => v.ValueKind == JsonValueKind.String)
            ? [.. list.EnumerateArray().Select(v => v.GetString()!)]
            : null;

    private static string? FindHugeNumber(JsonElement value, string pointer)
    {
        switch (value.ValueKind)
        {
            case JsonValueKind.Number:
                return !value.TryGetDouble(out var number) || Math.Abs(number) >= JsonText.NumberLimit ? pointer : null;
            case JsonValueKind.Object:
                foreach (var member in value.EnumerateObject())
                    if (FindHugeNumber(member.Value, $"{pointer}/{JsonText.Escape(member.Name)}") is { } inField) return inField;
                return null;
            case JsonValueKind.Array:
                var index = 0;
                foreach (var item in value.EnumerateArray())
                    if (FindHugeNumber(item, $"{pointer}/{index++}") is { } inItem) return inItem;
                return null;
            default:
                return null;
        }
    }
}
