using System.Globalization;
using System.Text.Json.Nodes;
using Tomlyn;
using Tomlyn.Model;
using Tomlyn.Parsing;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Formats.Toml;

/// <summary>Reads TOML 1.0 as the JSON that says the same, so that kinds judge both alike.</summary>
public static class TomlText
{
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
            var table = TomlSerializer.Deserialize(text, TomlTypes.Default.TomlTable) ?? [];
            var tree = new Lazy<TomlTree>(() => TomlTree.Read(text));
            return JsonText.Of(
                JsonBytes.OnOneLine(Convert(table)!),
                pointer => TextPosition.In(text, tree.Value.StartOf(pointer)));
        }
        catch (TomlException problem)
        {
            var at = problem.Line is { } line && problem.Column is { } column ? new TextPosition(line, column) : new TextPosition(1, 1);
            return JsonText.Unreadable(utf8, "it is no TOML", at);
        }
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
