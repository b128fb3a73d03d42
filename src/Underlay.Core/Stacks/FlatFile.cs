using System.Text.Json;
using Underlay.Core.BaseFiles;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;

namespace Underlay.Core.Stacks;

/// <summary>One value of a file: where it is, told by ids and keys and not by where they stand.</summary>
/// <param name="Item">The id of the entry in a list of many, or the key of a row; null for a value of the file itself.</param>
/// <param name="Field">Pointer below it, or the column.</param>
public readonly record struct ValuePlace(string? Item, string Field)
{
    /// <summary>As people say it: “months” of moor.lids.</summary>
    public override string ToString() => Item is null ? Entries.FieldName.Quote(Field) : $"{Entries.FieldName.Quote(Field)} of {Item}";
}

/// <summary>The values of an entry or a table, so that two of one path can be held against each other.</summary>
/// <param name="Values">By place; JSON as it stands, so that a text and a number differ.</param>
/// <param name="Items">Ids and keys in order.</param>
public sealed record FlatFile(IReadOnlyDictionary<ValuePlace, string> Values, IReadOnlyList<string> Items)
{
    /// <summary>The values of a file; null where it cannot be read, or is a table whose rows lie over others.</summary>
    /// <param name="facts">The file.</param>
    /// <param name="place">Its place.</param>
    /// <param name="list">Where its entries are told apart, such as <c>/entries/*/id</c>; null where it holds one.</param>
    public static FlatFile? Of(FileFacts facts, Place place, string? list) =>
        facts.Entry is { Text: { Problem: null } text } ? OfEntry(text, list)
        : facts.Table is { Problem: null, Faults.Count: 0 } table && place.Table is { } shape && (table.Replaces || !shape.LaysRows)
            ? OfTable(table, shape)
        : null;

    /// <summary>How many of the other's values are the same here.</summary>
    public int Alike(FlatFile other) => Values.Count(v => other.Values.TryGetValue(v.Key, out var value) && value == v.Value);

    private static FlatFile OfTable(TableFacts table, TableShape shape)
    {
        var values = new Dictionary<ValuePlace, string>();
        foreach (var row in table.Rows)
            foreach (var (column, value) in table.ValuesOf(row, shape)) values[new ValuePlace(row.Key, column)] = value;
        return new FlatFile(values, [.. table.Rows.Select(r => r.Key).Distinct(StringComparer.Ordinal)]);
    }

    private static FlatFile OfEntry(JsonText text, string? list)
    {
        var values = new Dictionary<ValuePlace, string>();
        var items = new List<string>();
        var (around, id) = list is null ? (null, null) : SplitList(list);
        void Add(string? item, string pointer, JsonElement value)
        {
            if (item is null && pointer == around && value.ValueKind == JsonValueKind.Array)
            {
                foreach (var entry in value.EnumerateArray())
                {
                    if (IdOf(entry, id!) is not { } name) continue;
                    items.Add(name);
                    Add(name, "", entry);
                }
            }
            else if (value.ValueKind == JsonValueKind.Object)
            {
                foreach (var field in value.EnumerateObject()) Add(item, $"{pointer}/{JsonText.Escape(field.Name)}", field.Value);
            }
            else
            {
                values[new ValuePlace(item, pointer)] = value.GetRawText();
            }
        }

        Add(null, "", text.Root);
        return new FlatFile(values, items);
    }

    /// <summary>A list's pointer and the field with the id: <c>/entries</c> and <c>id</c> of <c>/entries/*/id</c>.</summary>
    internal static (string List, string Id) SplitList(string pointer) =>
        (pointer[..pointer.IndexOf("/*", StringComparison.Ordinal)], pointer[(pointer.LastIndexOf('/') + 1)..]);

    /// <summary>The id of an entry in a list.</summary>
    internal static string? IdOf(JsonElement entry, string field) =>
        entry.ValueKind == JsonValueKind.Object && entry.TryGetProperty(field, out var id) && id.ValueKind == JsonValueKind.String
            ? id.GetString()
            : null;
}
