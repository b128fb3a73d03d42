using System.Globalization;
using System.Text.Json;

namespace Underlay.Core.Formats.Json;

/// <summary>A value of a JSON text and the bytes at which it stands.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Name">The name of a field; null for items of a list and for the root.</param>
/// <param name="NameAt">Where the name's first quote stands; for others where the value stands.</param>
/// <param name="Start">The value's first byte.</param>
internal sealed record JsonSpan(JsonValueKind Kind, string? Name, int NameAt, int Start)
{
    private readonly List<JsonSpan> items = [];

    /// <summary>The byte behind its last.</summary>
    public int End { get; private set; }

    /// <summary>The fields of an object or the items of a list, in order.</summary>
    public IReadOnlyList<JsonSpan> Items => items;

    /// <summary>Reads a text that is sound.</summary>
    public static JsonSpan Read(ReadOnlySpan<byte> utf8)
    {
        var reader = new Utf8JsonReader(utf8, new JsonReaderOptions { MaxDepth = TextLimit.MostDeep });
        reader.Read();
        return ReadValue(ref reader, null, (int)reader.TokenStartIndex);
    }

    /// <summary>The field or item that a token of a pointer names, or null.</summary>
    public JsonSpan? Child(string token) => Kind switch
    {
        JsonValueKind.Object => items.Find(i => i.Name == token),
        JsonValueKind.Array when int.TryParse(token, NumberStyles.None, CultureInfo.InvariantCulture, out var index) =>
            items.ElementAtOrDefault(index),
        _ => null,
    };

    /// <summary>The value at a pointer, or null; with it the one around.</summary>
    public (JsonSpan? Found, JsonSpan? Around) Find(string pointer)
    {
        JsonSpan? around = null;
        JsonSpan? found = this;
        foreach (var token in JsonText.Tokens(pointer))
        {
            if (found is null) return (null, null);
            (around, found) = (found, found.Child(token));
        }

        return (found, around);
    }

    private static JsonSpan ReadValue(ref Utf8JsonReader reader, string? name, int nameAt)
    {
        var span = new JsonSpan(KindOf(reader.TokenType), name, nameAt, (int)reader.TokenStartIndex);
        if (span.Kind == JsonValueKind.Object)
        {
            while (reader.Read() && reader.TokenType == JsonTokenType.PropertyName)
            {
                var (field, at) = (reader.GetString(), (int)reader.TokenStartIndex);
                reader.Read();
                span.items.Add(ReadValue(ref reader, field, at));
            }
        }
        else if (span.Kind == JsonValueKind.Array)
        {
            while (reader.Read() && reader.TokenType != JsonTokenType.EndArray)
                span.items.Add(ReadValue(ref reader, null, (int)reader.TokenStartIndex));
        }

        span.End = (int)reader.BytesConsumed;
        return span;
    }

    private static JsonValueKind KindOf(JsonTokenType token) => token switch
    {
        JsonTokenType.StartObject => JsonValueKind.Object,
        JsonTokenType.StartArray => JsonValueKind.Array,
        JsonTokenType.String => JsonValueKind.String,
        JsonTokenType.Number => JsonValueKind.Number,
        JsonTokenType.True => JsonValueKind.True,
        JsonTokenType.False => JsonValueKind.False,
        _ => JsonValueKind.Null,
    };
}
