using System.Buffers;
using System.Globalization;
using System.Text.Json;

namespace Underlay.Core.Formats.Json;

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
    private readonly Remembered<JsonElement?> values = new();
    private readonly Remembered<IReadOnlyList<(string Pointer, string Text)>> texts = new();
    private readonly Func<string, TextPosition>? locate;

    private JsonText(byte[] utf8, JsonElement root, TextProblem? problem, Func<string, TextPosition>? locate = null)
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
    public TextProblem? Problem { get; }

    /// <summary>Reads a text.</summary>
    public static JsonText Parse(byte[] utf8)
    {
        if (FindProblem(utf8) is { } problem) return new JsonText(utf8, default, problem);
        using var document = JsonDocument.Parse(utf8, new JsonDocumentOptions { MaxDepth = TextLimit.MostDeep });
        return new JsonText(utf8, document.RootElement.Clone(), null);
    }

    /// <summary>A text of another language that cannot be read.</summary>
    internal static JsonText Unreadable(byte[] utf8, string says, TextPosition at) => new(utf8, default, new TextProblem(at, says));

    /// <summary>The value of a text in another language.</summary>
    /// <param name="utf8">The value as JSON.</param>
    /// <param name="locate">Where a pointer's value stands in the text that the author wrote.</param>
    internal static JsonText Of(byte[] utf8, Func<string, TextPosition> locate) =>
        Parse(utf8) is { Problem: null } read ? new JsonText(utf8, read.Root, null, locate) : Parse(utf8);

    /// <summary>The value at a pointer such as "/reads/from", or null.</summary>
    public JsonElement? Find(string pointer) => Problem is null ? values.Find(pointer, FindAnew) : null;

    private JsonElement? FindAnew(string pointer)
    {
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

    /// <summary>
    /// The values at a pointer in which a token * stands for every item of a list and every member of an object, each with its own
    /// pointer.
    /// </summary>
    public IEnumerable<(string Pointer, JsonElement Value)> FindAll(string pattern)
    {
        if (Problem is not null) return [];
        IEnumerable<(string Pointer, JsonElement Value)> found = [("", Root)];
        foreach (var token in Tokens(pattern).ToArray())
            found = token == "*"
                ? found.SelectMany(f => Children(f.Pointer, f.Value))
                : found.SelectMany(f => Child(f.Pointer, f.Value, token));
        return found;
    }

    /// <summary>The text at a pointer, or null where there is none or something else.</summary>
    public string? FindString(string pointer) => Find(pointer) is { ValueKind: JsonValueKind.String } found ? found.GetString() : null;

    /// <summary>The texts at a pointer in which a token * stands for any, each with its own pointer.</summary>
    public IEnumerable<(string Pointer, string Text)> FindStrings(string pattern) =>
        pattern.Contains('*', StringComparison.Ordinal)
            ? texts.Find(pattern, FindTextsAnew)
            : FindString(pattern) is { } text ? [(pattern, text)] : [];

    private List<(string Pointer, string Text)> FindTextsAnew(string pattern) =>
        [.. FindAll(pattern).Where(v => v.Value.ValueKind == JsonValueKind.String).Select(v => (v.Pointer, v.Value.GetString()!))];

    /// <summary>Where the value at a pointer begins; the start of the nearest value around it where there is none.</summary>
    public TextPosition Locate(string pointer)
    {
        if (locate is not null) return locate(pointer);
        if (Problem is not null) return new TextPosition(1, 1);
        var found = JsonSpan.Read(utf8);
        foreach (var token in Tokens(pointer))
        {
            if (found.Child(token) is not { } child) break;
            found = child;
        }

        return TextPosition.Of(utf8, found.Start);
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

    private static IEnumerable<(string Pointer, JsonElement Value)> Children(string pointer, JsonElement value) => value.ValueKind switch
    {
        JsonValueKind.Object => value.EnumerateObject().Select(m => ($"{pointer}/{Escape(m.Name)}", m.Value)),
        JsonValueKind.Array =>
            value.EnumerateArray().Select((item, i) => (string.Create(CultureInfo.InvariantCulture, $"{pointer}/{i}"), item)),
        _ => [],
    };

    private static IEnumerable<(string Pointer, JsonElement Value)> Child(string pointer, JsonElement value, string token) =>
        value.ValueKind == JsonValueKind.Object && value.TryGetProperty(token, out var member)
            ? [($"{pointer}/{Escape(token)}", member)]
            : [];

    private static TextProblem? FindProblem(byte[] utf8)
    {
        if (TextLimit.FindProblem(utf8.Length) is { } tooLong) return new TextProblem(new TextPosition(1, 1), tooLong);
        if (utf8.AsSpan().StartsWith((ReadOnlySpan<byte>)[0xEF, 0xBB, 0xBF]))
            return new TextProblem(new TextPosition(1, 1), "it begins with a byte order mark: save it as UTF-8 without one");
        if (!System.Text.Unicode.Utf8.IsValid(utf8))
            return new TextProblem(TextPosition.Of(utf8, FirstInvalid(utf8)), "it is not UTF-8 here: save it in that encoding");
        return JsonScanner.FindProblem(utf8) is var (at, says) ? new TextProblem(TextPosition.Of(utf8, at), says) : null;
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
}
