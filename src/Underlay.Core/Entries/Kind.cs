using System.Text.Json;

namespace Underlay.Core.Entries;

/// <summary>A value that a kind does not allow.</summary>
/// <param name="Pointer">The value's place in the entry; for a missing field, the object that lacks it.</param>
/// <param name="Field">The missing field, or empty.</param>
/// <param name="Says">What is wanted and what is there, as a sentence without its full stop.</param>
public sealed record EntryFault(string Pointer, string Field, string Says);

/// <summary>A type of declarative definition: a JSON Schema 2020-12 of the host profile.</summary>
public sealed class Kind
{
    private readonly Schema schema;

    private Kind(string key, JsonElement document, Schema schema)
    {
        Key = key;
        Document = document;
        this.schema = schema;
        Title = document.ValueKind == JsonValueKind.Object && document.TryGetProperty("title", out var title) ? title.ToString() : key;
    }

    /// <summary>The kind's name in the profile, such as "ware".</summary>
    public string Key { get; }

    /// <summary>The kind's name for people.</summary>
    public string Title { get; }

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
        return (new Kind(key, document, schema), problems);
    }

    /// <summary>What the kind does not accept in an entry; empty when it is accepted.</summary>
    public IReadOnlyList<EntryFault> Judge(JsonText entry)
    {
        if (FindHugeNumber(entry.Root, "") is { } huge) return [new EntryFault(huge, "", "a number here is too large for the host to read")];
        var faults = new List<EntryFault>();
        schema.Judge(entry.Root, "", faults);
        return faults;
    }

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
