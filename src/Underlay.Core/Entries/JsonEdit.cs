using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;

namespace Underlay.Core.Entries;

/// <summary>Changes single values of a JSON text; order, spacing and the form of all else stay as the author wrote them.</summary>
/// <remarks>Pointers as in RFC 6901.</remarks>
public static class JsonEdit
{
    // Letters are written as letters: people read these files.
    private static readonly JsonSerializerOptions Readable = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>A text as JSON writes it.</summary>
    public static byte[] Text(string value) => JsonSerializer.SerializeToUtf8Bytes(value, Readable);

    /// <summary>
    /// The text with another value at a pointer: in place of the one there, or as a new last field of the object around it.
    /// </summary>
    /// <param name="text">JSON that can be read, with an object as its root.</param>
    /// <param name="pointer">Pointer to a field; objects around it that are missing are written too.</param>
    /// <param name="value">The value as JSON.</param>
    /// <exception cref="InvalidOperationException">
    /// The pointer leads through something that is no object, or the text cannot be read.
    /// </exception>
    public static byte[] Set(JsonText text, string pointer, byte[] value)
    {
        if (text.Problem is not null || text.Root.ValueKind != JsonValueKind.Object)
            throw new InvalidOperationException("Only an object has fields.");
        var tokens = JsonText.Tokens(pointer);
        var utf8 = text.Utf8.Span;
        var reader = new Utf8JsonReader(utf8, new JsonReaderOptions { MaxDepth = TextLimit.MostDeep });
        reader.Read();
        for (var depth = 0; depth < tokens.Length; depth++)
        {
            if (reader.TokenType != JsonTokenType.StartObject)
                throw new InvalidOperationException($"“{tokens[depth]}” would stand in something that is no object.");
            var (found, lastEnd, isEmpty) = Enter(ref reader, tokens[depth]);
            if (found) continue;
            return Insert(utf8, lastEnd, isEmpty, tokens[depth], Nest(tokens[(depth + 1)..], value), depth + 1);
        }

        var start = (int)reader.TokenStartIndex;
        reader.Skip();
        return [.. utf8[..start], .. value, .. utf8[(int)reader.BytesConsumed..]];
    }

    /// <summary>
    /// The text with another name for the field at a pointer; null where there is no such field, or one of the new name beside it.
    /// </summary>
    public static byte[]? Rename(JsonText text, string pointer, string name)
    {
        if (text.Problem is not null
            || text.Find(pointer) is null
            || text.Find($"{pointer[..pointer.LastIndexOf('/')]}/{JsonText.Escape(name)}") is not null)
            return null;
        var tokens = JsonText.Tokens(pointer);
        var utf8 = text.Utf8.Span;
        var reader = new Utf8JsonReader(utf8, new JsonReaderOptions { MaxDepth = TextLimit.MostDeep });
        reader.Read();
        for (var depth = 0; depth < tokens.Length; depth++)
        {
            if (reader.TokenType != JsonTokenType.StartObject) return null;
            while (reader.Read() && !reader.ValueTextEquals(tokens[depth]))
            {
                reader.Read();
                reader.Skip();
            }

            if (depth < tokens.Length - 1) reader.Read();
        }

        // The token of a name runs from its first quote to behind its last.
        var start = (int)reader.TokenStartIndex;
        return [.. utf8[..start], .. Text(name), .. utf8[(start + reader.ValueSpan.Length + 2)..]];
    }

    /// <summary>Moves to a member's value; else to the object's end, and says where its last value ends.</summary>
    private static (bool Found, int LastEnd, bool IsEmpty) Enter(ref Utf8JsonReader reader, string name)
    {
        var lastEnd = (int)reader.BytesConsumed;
        var isEmpty = true;
        while (reader.Read() && reader.TokenType == JsonTokenType.PropertyName)
        {
            var hit = reader.ValueTextEquals(name);
            reader.Read();
            if (hit) return (true, 0, false);
            reader.Skip();
            lastEnd = (int)reader.BytesConsumed;
            isEmpty = false;
        }

        return (false, lastEnd, isEmpty);
    }

    private static byte[] Nest(ReadOnlySpan<string> names, byte[] value)
    {
        for (var i = names.Length - 1; i >= 0; i--) value = [.. "{ "u8, .. Text(names[i]), .. ": "u8, .. value, .. " }"u8];
        return value;
    }

    private static byte[] Insert(ReadOnlySpan<byte> utf8, int at, bool isEmpty, string name, byte[] value, int depth)
    {
        // A text on one line stays on one line; else each field has its own.
        var isOneLine = utf8.IndexOf((byte)'\n') is var line && (line < 0 || utf8[line..].IndexOfAnyExcept(" \r\n\t"u8) < 0);
        var before = isOneLine ? " " : "\n" + new string(' ', depth * 2);
        var lead = Encoding.UTF8.GetBytes(isEmpty ? before : "," + before);
        var closesAtOnce = isEmpty && at < utf8.Length && utf8[at] == '}';
        var end = Encoding.UTF8.GetBytes(!closesAtOnce ? "" : isOneLine ? " " : "\n" + new string(' ', (depth - 1) * 2));
        return [.. utf8[..at], .. lead, .. Text(name), .. ": "u8, .. value, .. end, .. utf8[at..]];
    }
}
