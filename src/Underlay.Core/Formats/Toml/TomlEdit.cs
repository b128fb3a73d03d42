using System.Globalization;
using System.Text;
using System.Text.Json;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Formats.Toml;

/// <summary>Changes single values of a TOML text; order, spacing, comments and the form of all else stay as they were written.</summary>
/// <remarks>TOML 1.0; pointers as in RFC 6901 over the tables and keys.</remarks>
public static class TomlEdit
{
    /// <summary>
    /// The text with another value at a pointer: in place of the one there, else as a new last line of the table around it, which is
    /// written too where it is missing.
    /// </summary>
    /// <param name="utf8">TOML that can be read.</param>
    /// <param name="pointer">Pointer to a key: <c>/guide/printing</c>.</param>
    /// <param name="value">The value as JSON: a text, a number, true or false.</param>
    /// <exception cref="InvalidOperationException">The pointer names no key, or the value has no single form in TOML.</exception>
    public static byte[] Set(byte[] utf8, string pointer, byte[] value)
    {
        var text = Encoding.UTF8.GetString(utf8);
        var keys = JsonText.Tokens(pointer);
        if (keys.Length == 0) throw new InvalidOperationException("Only a key has a value.");
        var tree = TomlTree.Read(text);
        var written = Write(value);
        if (tree.Find(pointer) is { } found) return Put(text, found.Start, found.End, written);
        var around = pointer[..pointer.LastIndexOf('/')];
        if (tree.Find(around) is { } inline) return AddInline(text, inline.Start, inline.End, $"{Key(keys[^1])} = {written}");
        var end = text.Contains("\r\n", StringComparison.Ordinal) ? "\r\n" : "\n";
        var isDotted = around.Length > 0 && tree.IsDotted(around);
        var line = $"{Path(isDotted ? keys : keys[^1..])} = {written}";
        if (tree.EndOf(isDotted ? "" : around) is { } at)
            return Put(text, at, at, at == 0 || text[at - 1] == '\n' ? line + end : end + line);
        var lead = text.Length == 0 || text.EndsWith('\n') ? "" : end;
        return Put(text, text.Length, text.Length, $"{lead}[{Path(keys[..^1])}]{end}{line}{end}");
    }

    /// <summary>Adds a key to a table between braces.</summary>
    private static byte[] AddInline(string text, int start, int end, string pair)
    {
        if (text[start] != '{') throw new InvalidOperationException("Only a table has keys.");
        var inside = text.AsSpan(start + 1, end - start - 2).TrimEnd();
        var at = start + 1 + inside.Length;
        return Put(text, at, at, inside.Length == 0 ? $" {pair} " : $", {pair}");
    }

    private static string Path(ReadOnlySpan<string> keys) => string.Join('.', keys.ToArray().Select(Key));

    private static byte[] Put(string text, int start, int end, string written) =>
        Encoding.UTF8.GetBytes(string.Concat(text.AsSpan(0, start), written, text.AsSpan(end)));

    private static string Key(string key) =>
        key.Length > 0 && key.All(c => char.IsAsciiLetterOrDigit(c) || c is '_' or '-') ? key : Encoding.UTF8.GetString(JsonBytes.Of(key));

    /// <summary>A basic string of TOML takes JSON's escapes, but for the solidus, which JSON need not escape.</summary>
    private static string Write(byte[] value)
    {
        using var json = JsonDocument.Parse(value);
        return json.RootElement.ValueKind switch
        {
            JsonValueKind.String => Quote(json.RootElement.GetString()!),
            JsonValueKind.Number or JsonValueKind.True or JsonValueKind.False => json.RootElement.GetRawText(),
            _ => throw new InvalidOperationException("Only texts, numbers, true and false are written."),
        };
    }

    private static string Quote(string text)
    {
        var quoted = new StringBuilder("\"");
        foreach (var c in text)
        {
            if (c is '"' or '\\') quoted.Append('\\').Append(c);
            else if (c is < ' ' or '\u007f') quoted.Append(CultureInfo.InvariantCulture, $"\\u{(int)c:X4}");
            else quoted.Append(c);
        }

        return quoted.Append('"').ToString();
    }
}
