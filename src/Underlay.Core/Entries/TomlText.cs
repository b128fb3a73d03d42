using System.Globalization;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Tomlyn;
using Tomlyn.Model;
using Tomlyn.Parsing;

namespace Underlay.Core.Entries;

/// <summary>Reads TOML 1.0 as the JSON that says the same, so that kinds judge both alike.</summary>
public static class TomlText
{
    private static readonly JsonSerializerOptions Plain = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>
    /// Reads a text. Dates and numbers that JSON does not have become objects, which no field of a kind accepts.
    /// </summary>
    public static JsonText Parse(byte[] utf8)
    {
        if (TextLimit.FindProblem(utf8.Length) is { } tooLong) return JsonText.Unreadable(utf8, tooLong, new TextPosition(1, 1));
        if (!System.Text.Unicode.Utf8.IsValid(utf8)) return JsonText.Unreadable(utf8, "it is not UTF-8", new TextPosition(1, 1));
        var text = System.Text.Encoding.UTF8.GetString(utf8);
        try
        {
            // The serializer alone takes keys and tables that stand twice.
            _ = SyntaxParser.ParseStrict(text, validate: true);
            var table = TomlSerializer.Deserialize<TomlTable>(text) ?? [];
            return JsonText.Of(JsonSerializer.SerializeToUtf8Bytes(Convert(table), Plain), pointer => Locate(text, pointer));
        }
        catch (TomlException problem)
        {
            var at = problem.Line is { } line && problem.Column is { } column ? new TextPosition(line, column) : new TextPosition(1, 1);
            return JsonText.Unreadable(utf8, "it is no TOML", at);
        }
    }

    /// <summary>
    /// The text with a value of a table "[a]" and key "b" at the pointer "/a/b", in place of the one there or as a new line of the
    /// table; all else stays as the author wrote it.
    /// </summary>
    /// <param name="utf8">TOML that can be read.</param>
    /// <param name="pointer">Pointer to a key of a table.</param>
    /// <param name="value">The value as TOML writes it: <c>3</c>, <c>"text"</c>.</param>
    public static byte[] WithValue(byte[] utf8, string pointer, string value)
    {
        var text = System.Text.Encoding.UTF8.GetString(utf8);
        var lines = text.Split('\n').ToList();
        var (header, key) = FindLines(lines, pointer);
        var line = $"{pointer[(pointer.LastIndexOf('/') + 1)..]} = {value}";
        if (text.Contains("\r\n", StringComparison.Ordinal)) line += "\r";
        if (key >= 0) lines[key] = line;
        else if (header >= 0) lines.Insert(header + 1, line);
        else lines.AddRange([$"[{pointer.Split('/')[1]}]", line]);
        return System.Text.Encoding.UTF8.GetBytes(string.Join('\n', lines));
    }

    private static TextPosition Locate(string text, string pointer)
    {
        var (header, key) = FindLines([.. text.Split('\n')], pointer);
        return new TextPosition(Math.Max(0, key >= 0 ? key : header) + 1, 1);
    }

    /// <summary>The lines of a pointer's table and key, counted from 0; -1 where there is none.</summary>
    private static (int Header, int Key) FindLines(List<string> lines, string pointer)
    {
        var words = pointer.Split('/');
        var header = words.Length > 1 ? lines.FindIndex(l => l.Trim().StartsWith($"[{words[1]}]", StringComparison.Ordinal)) : -1;
        if (header < 0 || words.Length < 3) return (header, -1);
        for (var i = header + 1; i < lines.Count && !lines[i].TrimStart().StartsWith('['); i++)
            if (lines[i].TrimStart().StartsWith(words[2], StringComparison.Ordinal)
                && lines[i].TrimStart()[words[2].Length..].TrimStart().StartsWith('='))
                return (header, i);
        return (header, -1);
    }

    private static JsonNode? Convert(object? value) => value switch
    {
        TomlTable table => new JsonObject(table.Select(m => KeyValuePair.Create(m.Key, Convert(m.Value)))),
        TomlTableArray tables => new JsonArray([.. tables.Select(t => Convert(t))]),
        TomlArray list => new JsonArray([.. list.Select(Convert)]),
        string text => JsonValue.Create(text),
        bool flag => JsonValue.Create(flag),
        long whole => JsonValue.Create(whole),
        double number when double.IsFinite(number) => JsonValue.Create(number),
        _ => new JsonObject { ["value"] = System.Convert.ToString(value, CultureInfo.InvariantCulture) },
    };
}
