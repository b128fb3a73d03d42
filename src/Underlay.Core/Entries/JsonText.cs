using System.Buffers;
using System.Globalization;
using System.Text.Json;

namespace Underlay.Core.Entries;

/// <summary>Why a text is no JSON that hosts read.</summary>
/// <param name="At">Where.</param>
/// <param name="Says">What, as a clause: "a comma stands before the closing brace".</param>
public sealed record JsonProblem(TextPosition At, string Says);

/// <summary>
/// A JSON text read as hosts read it (docs/hosts.md): UTF-8 without mark, no comments, no trailing commas, no repeated keys, at
/// most 64 deep.
/// Either <see cref="Problem"/> is given or <see cref="Root"/> is.
/// </summary>
/// <remarks>RFC 8259; pointers as in RFC 6901.</remarks>
public sealed class JsonText
{
    /// <summary>Numbers of this magnitude and above are refused by hosts ("rejected", docs/hosts.md).</summary>
    public const double NumberLimit = 1e28;

    private readonly byte[] utf8;
    private readonly Func<string, TextPosition>? locate;

    private JsonText(byte[] utf8, JsonElement root, JsonProblem? problem, Func<string, TextPosition>? locate = null)
    {
        this.utf8 = utf8;
        this.locate = locate;
        Root = root;
        Problem = problem;
    }

    /// <summary>The bytes that were read.</summary>
    public ReadOnlyMemory<byte> Utf8 => utf8;

    /// <summary>The value; undefined when there is a problem.</summary>
    public JsonElement Root { get; }

    /// <summary>What is wrong, or null.</summary>
    public JsonProblem? Problem { get; }

    /// <summary>Reads a text.</summary>
    public static JsonText Parse(byte[] utf8)
    {
        if (FindProblem(utf8) is { } problem) return new JsonText(utf8, default, problem);
        using var document = JsonDocument.Parse(utf8, new JsonDocumentOptions { MaxDepth = TextLimit.MostDeep });
        return new JsonText(utf8, document.RootElement.Clone(), null);
    }

    /// <summary>A text of another language that cannot be read.</summary>
    internal static JsonText Unreadable(byte[] utf8, string says, TextPosition at) => new(utf8, default, new JsonProblem(at, says));

    /// <summary>The value of a text in another language.</summary>
    /// <param name="utf8">The value as JSON.</param>
    /// <param name="locate">Where a pointer's value stands in the text that the author wrote.</param>
    internal static JsonText Of(byte[] utf8, Func<string, TextPosition> locate) =>
        Parse(utf8) is { Problem: null } read ? new JsonText(utf8, read.Root, null, locate) : Parse(utf8);

    /// <summary>The value at a pointer such as "/reads/from", or null.</summary>
    public JsonElement? Find(string pointer)
    {
        if (Problem is not null) return null;
        var value = Root;
        foreach (var token in Tokens(pointer))
        {
            if (value.ValueKind == JsonValueKind.Object && value.TryGetProperty(token, out var member)) value = member;
            else if (value.ValueKind == JsonValueKind.Array
                && int.TryParse(token, NumberStyles.None, CultureInfo.InvariantCulture, out var index)
                && index < value.GetArrayLength())
                value = value[index];
            else return null;
        }

        return value;
    }

    /// <summary>The text at a pointer, or null where there is none or something else.</summary>
    public string? FindString(string pointer) => Find(pointer) is { ValueKind: JsonValueKind.String } found ? found.GetString() : null;

    /// <summary>Where the value at a pointer begins; the start of the nearest value around it where there is none.</summary>
    public TextPosition Locate(string pointer)
    {
        if (locate is not null) return locate(pointer);
        var reader = new Utf8JsonReader(utf8, new JsonReaderOptions { MaxDepth = TextLimit.MostDeep });
        if (Problem is not null || !reader.Read()) return new TextPosition(1, 1);
        var found = (int)reader.TokenStartIndex;
        foreach (var token in Tokens(pointer))
        {
            if (!Enter(ref reader, token)) break;
            found = (int)reader.TokenStartIndex;
        }

        return TextPosition.Of(utf8, found);
    }

    /// <summary>Writes a key as a token of a pointer (RFC 6901, section 3).</summary>
    public static string Escape(string key) =>
        key.Replace("~", "~0", StringComparison.Ordinal).Replace("/", "~1", StringComparison.Ordinal);

    /// <summary>The tokens of a pointer, unescaped (RFC 6901, section 4).</summary>
    internal static ReadOnlySpan<string> Tokens(string pointer)
    {
        if (pointer.Length == 0) return [];
        var tokens = pointer.Split('/');
        for (var i = 0; i < tokens.Length; i++)
            tokens[i] = tokens[i].Replace("~1", "/", StringComparison.Ordinal).Replace("~0", "~", StringComparison.Ordinal);
        return tokens.AsSpan(1);
    }

    private static bool Enter(ref Utf8JsonReader reader, string token)
    {
        if (reader.TokenType == JsonTokenType.StartObject)
        {
            while (reader.Read() && reader.TokenType == JsonTokenType.PropertyName)
            {
                var hit = reader.ValueTextEquals(token);
                reader.Read();
                if (hit) return true;
                reader.Skip();
            }
        }
        else if (reader.TokenType == JsonTokenType.StartArray
            && int.TryParse(token, NumberStyles.None, CultureInfo.InvariantCulture, out var index))
        {
            for (var i = 0; reader.Read() && reader.TokenType != JsonTokenType.EndArray; i++)
            {
                if (i == index) return true;
                reader.Skip();
            }
        }

        return false;
    }

    private static JsonProblem? FindProblem(byte[] utf8)
    {
        if (TextLimit.FindProblem(utf8.Length) is { } tooLong) return new JsonProblem(new TextPosition(1, 1), tooLong);
        if (utf8.AsSpan().StartsWith((ReadOnlySpan<byte>)[0xEF, 0xBB, 0xBF]))
            return new JsonProblem(new TextPosition(1, 1), "it begins with a byte order mark: save it as UTF-8 without one");
        if (!System.Text.Unicode.Utf8.IsValid(utf8))
            return new JsonProblem(TextPosition.Of(utf8, FirstInvalid(utf8)), "it is not UTF-8 here: save it in that encoding");
        var reader = new Utf8JsonReader(utf8, new JsonReaderOptions { MaxDepth = TextLimit.MostDeep });
        var open = new Stack<HashSet<string>?>();
        try
        {
            while (reader.Read())
            {
                switch (reader.TokenType)
                {
                    case JsonTokenType.StartObject:
                        open.Push(new HashSet<string>(StringComparer.Ordinal));
                        break;
                    case JsonTokenType.StartArray:
                        open.Push(null);
                        break;
                    case JsonTokenType.EndObject or JsonTokenType.EndArray:
                        open.Pop();
                        break;
                    case JsonTokenType.PropertyName:
                        var key = reader.GetString()!;
                        if (!open.Peek()!.Add(key))
                            return new JsonProblem(
                                TextPosition.Of(utf8, (int)reader.TokenStartIndex),
                                $"the key “{key}” stands twice in one object");
                        break;
                    case JsonTokenType.String when reader.ValueIsEscaped:
                        reader.GetString();
                        break;
                }
            }
        }
        catch (InvalidOperationException)
        {
            // The reader's way of saying that an escape names half a surrogate pair.
            return new JsonProblem(TextPosition.Of(utf8, (int)reader.TokenStartIndex), "an escape (\\u…) names half a character");
        }
        catch (JsonException problem)
        {
            return new JsonProblem(PositionOf(utf8, problem), Says(utf8, problem));
        }

        return null;
    }

    private static int FirstInvalid(ReadOnlySpan<byte> utf8)
    {
        var at = 0;
        while (at < utf8.Length)
        {
            if (System.Text.Rune.DecodeFromUtf8(utf8[at..], out _, out var used) != OperationStatus.Done) break;
            at += used;
        }

        return at;
    }

    private static TextPosition PositionOf(byte[] utf8, JsonException problem)
    {
        var line = (int)(problem.LineNumber ?? 0);
        var start = 0;
        for (var i = 0; i < line; i++)
        {
            var next = Array.IndexOf(utf8, (byte)'\n', start);
            if (next < 0) break;
            start = next + 1;
        }

        return TextPosition.Of(utf8, start + (int)(problem.BytePositionInLine ?? 0));
    }

    private static string Says(byte[] utf8, JsonException problem)
    {
        if (utf8.AsSpan().IndexOfAnyExcept(" \t\r\n"u8) < 0) return "it is empty";
        var text = problem.Message;
        if (text.Contains("depth", StringComparison.OrdinalIgnoreCase)) return $"it is nested more than {TextLimit.MostDeep} deep";
        if (text.Contains("trailing comma", StringComparison.Ordinal)) return "a comma stands before a closing bracket";
        if (text.Contains("'/' is", StringComparison.Ordinal)) return "a comment stands here, which JSON does not have";
        if (text.Contains("single JSON value", StringComparison.Ordinal)
            || text.Contains("expected end of data", StringComparison.OrdinalIgnoreCase))
            return "something stands after the end";
        if (text.Contains("invalid end of a number", StringComparison.Ordinal)
            || text.Contains("end of data", StringComparison.OrdinalIgnoreCase)
            || text.Contains("incomplete", StringComparison.OrdinalIgnoreCase)
            || text.Contains("but instead reached end", StringComparison.OrdinalIgnoreCase))
            return "it ends before its last bracket or quote is closed";
        if (text.Contains("after either ',', ']', or '}'", StringComparison.Ordinal)
            || text.Contains("Expected either ',', '}', or ']'", StringComparison.Ordinal)
            || text.Contains("is invalid after a value", StringComparison.Ordinal))
            return "a comma or a closing bracket is wanted here";
        if (text.Contains("start of a property name", StringComparison.Ordinal)
            || text.Contains("Expected a '\"'", StringComparison.Ordinal))
            return "a name in double quotes is wanted here";
        return "this is not JSON";
    }
}
