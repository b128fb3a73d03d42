using System.Text;
using System.Text.Json;

namespace Underlay.Core.Formats.Json;

/// <summary>Changes single values of a JSON text; order, spacing and the form of all else stay as the author wrote them.</summary>
/// <remarks>Pointers as in RFC 6901; a last token "-" is the place behind the last item of a list (section 4).</remarks>
public static class JsonEdit
{
    /// <summary>A text as JSON writes it.</summary>
    public static byte[] Text(string value) => JsonBytes.Of(value);

    /// <summary>
    /// The text with another value at a pointer: in place of the one there, as a new last field of the object around it, or as a new
    /// last item of the list around it.
    /// </summary>
    /// <param name="text">JSON that can be read.</param>
    /// <param name="pointer">Pointer to a field or an item; objects around it that are missing are written too.</param>
    /// <param name="value">The value as JSON.</param>
    /// <exception cref="InvalidOperationException">
    /// The pointer leads through something that has no such fields, or the text cannot be read.
    /// </exception>
    public static byte[] Set(JsonText text, string pointer, byte[] value)
    {
        if (text.Problem is not null) throw new InvalidOperationException("A text that cannot be read is not changed.");
        var utf8 = text.Utf8.Span;
        var around = JsonSpan.Read(utf8);
        var tokens = JsonText.Tokens(pointer);
        for (var depth = 0; depth < tokens.Length; depth++)
        {
            if (around.Child(tokens[depth]) is { } child)
            {
                around = child;
                continue;
            }

            if (around.Kind == JsonValueKind.Array && tokens[depth] == "-")
                return Insert(utf8, around, around.Items.Count, Nest(tokens[(depth + 1)..], value), depth + 1);
            if (around.Kind != JsonValueKind.Object)
                throw new InvalidOperationException($"“{tokens[depth]}” would stand in something that is no object.");
            byte[] member = [.. Text(tokens[depth]), .. ": "u8, .. Nest(tokens[(depth + 1)..], value)];
            return Insert(utf8, around, around.Items.Count, member, depth + 1);
        }

        return [.. utf8[..around.Start], .. value, .. utf8[around.End..]];
    }

    /// <summary>The text with a new item before the one at a pointer; behind the last where the pointer ends with "-".</summary>
    /// <exception cref="InvalidOperationException">The pointer names no item of a list.</exception>
    public static byte[] Insert(JsonText text, string pointer, byte[] value)
    {
        var (found, around) = JsonSpan.Read(text.Utf8.Span).Find(pointer);
        if (around is not { Kind: JsonValueKind.Array }) throw new InvalidOperationException("Only a list has items.");
        var index = found is null ? around.Items.Count : Array.IndexOf([.. around.Items], found);
        return Insert(text.Utf8.Span, around, index, value, JsonText.Tokens(pointer).Length);
    }

    /// <summary>The text without the field or the item at a pointer, and without its comma; null where there is none.</summary>
    public static byte[]? Remove(JsonText text, string pointer)
    {
        if (text.Problem is not null) return null;
        var utf8 = text.Utf8.Span;
        if (JsonSpan.Read(utf8).Find(pointer) is not ({ } found, { } around)) return null;
        var index = Array.IndexOf([.. around.Items], found);
        // Up to the next one, or from behind the one before, or all that stands between the brackets.
        var (from, to) = index + 1 < around.Items.Count
            ? (found.NameAt, around.Items[index + 1].NameAt)
            : index > 0
            ? (around.Items[index - 1].End, found.End)
            : (around.Start + 1, around.End - 1);
        return [.. utf8[..from], .. utf8[to..]];
    }

    /// <summary>
    /// The text with another name for the field at a pointer; null where there is no such field, or one of the new name beside it.
    /// </summary>
    public static byte[]? Rename(JsonText text, string pointer, string name)
    {
        if (text.Problem is not null) return null;
        var utf8 = text.Utf8.Span;
        if (JsonSpan.Read(utf8).Find(pointer) is not ({ Name: not null } found, { } around) || around.Child(name) is not null) return null;
        var reader = new Utf8JsonReader(utf8[found.NameAt..], isFinalBlock: false, default);
        reader.Read();
        return [.. utf8[..found.NameAt], .. Text(name), .. utf8[(found.NameAt + (int)reader.BytesConsumed)..]];
    }

    private static byte[] Nest(ReadOnlySpan<string> names, byte[] value)
    {
        for (var i = names.Length - 1; i >= 0; i--) value = [.. "{ "u8, .. Text(names[i]), .. ": "u8, .. value, .. " }"u8];
        return value;
    }

    private static byte[] Insert(ReadOnlySpan<byte> utf8, JsonSpan around, int index, byte[] member, int depth)
    {
        var items = around.Items;
        if (items.Count == 0) return InsertFirst(utf8, around, member, depth);
        // As its neighbour stands behind what is before that one.
        var neighbour = Math.Min(index, items.Count - 1);
        var gap = Space(utf8, neighbour == 0 ? around.Start + 1 : items[neighbour - 1].End, items[neighbour].NameAt);
        if (index == items.Count) return [.. utf8[..items[^1].End], .. ","u8, .. gap, .. member, .. utf8[items[^1].End..]];
        var at = items[index].NameAt;
        return [.. utf8[..at], .. member, .. ","u8, .. gap.Length > 0 ? gap : " "u8, .. utf8[at..]];
    }

    private static byte[] InsertFirst(ReadOnlySpan<byte> utf8, JsonSpan around, byte[] member, int depth)
    {
        // A text on one line stays on one line; else each field has its own.
        var isOneLine = utf8.IndexOf((byte)'\n') is var line && (line < 0 || utf8[line..].IndexOfAnyExcept(" \r\n\t"u8) < 0);
        var end = utf8[..Math.Max(line, 0)].EndsWith("\r"u8) ? "\r\n" : "\n";
        string Break(int levels) => isOneLine ? " " : end + new string(' ', levels * 2);
        return
        [
            .. utf8[..(around.Start + 1)],
            .. Encoding.UTF8.GetBytes(Break(depth)),
            .. member,
            .. Encoding.UTF8.GetBytes(Break(depth - 1)),
            .. utf8[(around.End - 1)..],
        ];
    }

    /// <summary>The blanks before a value: what stands between two values without the comma.</summary>
    private static ReadOnlySpan<byte> Space(ReadOnlySpan<byte> utf8, int from, int to)
    {
        var between = utf8[from..to];
        return between.IndexOf((byte)',') is >= 0 and var comma ? between[(comma + 1)..] : between;
    }
}
