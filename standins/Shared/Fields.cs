using System.Text.Json;
using System.Text.RegularExpressions;

namespace StandIns;

/// <summary>A JSON object as a host reads it.</summary>
public sealed class Fields
{
    private const double Largest = 1e28;

    private readonly JsonElement root;

    private Fields(JsonElement root) => this.root = root;

    /// <summary>Reads a file: "unreadable" when it is no JSON, "rejected" when it is no object or has a number beyond reading.</summary>
    public static (Fields? Fields, string? Problem) Read(byte[] file)
    {
        if (file.Length > 16 * 1024 * 1024) return (null, "unreadable");
        if (file.AsSpan().StartsWith((ReadOnlySpan<byte>)[0xEF, 0xBB, 0xBF]) || !System.Text.Unicode.Utf8.IsValid(file))
            return (null, "unreadable");
        try
        {
            using var document = JsonDocument.Parse(file, new JsonDocumentOptions { MaxDepth = 64, AllowDuplicateProperties = false });
            var root = document.RootElement.Clone();
            var numbersFit = Walk(root);
            return root.ValueKind == JsonValueKind.Object && numbersFit ? (new Fields(root), null) : (null, "rejected");
        }
        catch (Exception problem) when (problem is JsonException or InvalidOperationException or ArgumentException)
        {
            return (null, "unreadable");
        }
    }

    /// <summary>The text of a field, or null when it is absent or something else.</summary>
    public string? Text(string field) =>
        root.TryGetProperty(field, out var value) && value.ValueKind == JsonValueKind.String ? value.GetString() : null;

    /// <summary>The number in a field, or null.</summary>
    public double? Number(string field) =>
        root.TryGetProperty(field, out var value) && value.ValueKind == JsonValueKind.Number ? value.GetDouble() : null;

    /// <summary>The fields, each an object or null for another value.</summary>
    public IEnumerable<(string Name, Fields? Value)> Members() =>
        root.EnumerateObject().Select(m => (m.Name, m.Value.ValueKind == JsonValueKind.Object ? new Fields(m.Value) : null));

    /// <summary>The value of a field as JSON, or null.</summary>
    public JsonElement? Value(string field) => root.TryGetProperty(field, out var value) ? value : null;

    /// <summary>True when the field is there.</summary>
    public bool Has(string field) => root.TryGetProperty(field, out _);

    /// <summary>True when the field is text that fits; an absent field does when it is optional.</summary>
    public bool IsText(string field, bool required, string pattern = ".") =>
        root.TryGetProperty(field, out var value)
            ? value.ValueKind == JsonValueKind.String && Regex.IsMatch(value.GetString()!, pattern, RegexOptions.Singleline)
            : !required;

    /// <summary>True when the field is one of the words.</summary>
    public bool IsOneOf(string field, params string[] words) => Text(field) is { } text && words.Contains(text);

    /// <summary>True when the field is a number in a range; an absent field does when it is optional.</summary>
    public bool IsNumber(string field, bool required, double least, double most, bool whole = false)
    {
        if (!root.TryGetProperty(field, out var value)) return !required;
        if (value.ValueKind != JsonValueKind.Number) return false;
        var number = value.GetDouble();
        return number >= least && number <= most && (!whole || number == Math.Floor(number));
    }

    /// <summary>The object in a field, or null.</summary>
    public Fields? Object(string field) =>
        root.TryGetProperty(field, out var value) && value.ValueKind == JsonValueKind.Object ? new Fields(value) : null;

    /// <summary>The objects of a list; null when the field is no list of objects, empty when it is absent.</summary>
    public IReadOnlyList<Fields>? Objects(string field)
    {
        if (!root.TryGetProperty(field, out var value)) return [];
        if (value.ValueKind != JsonValueKind.Array || value.EnumerateArray().Any(v => v.ValueKind != JsonValueKind.Object)) return null;
        return [.. value.EnumerateArray().Select(v => new Fields(v))];
    }

    /// <summary>The texts of a list; null when the field is no list of texts, empty when it is absent.</summary>
    public IReadOnlyList<string>? Texts(string field) =>
        IsTexts(field) ? [.. root.TryGetProperty(field, out var list) ? list.EnumerateArray().Select(v => v.GetString()!) : []] : null;

    /// <summary>True when the field is absent or a list of texts.</summary>
    public bool IsTexts(string field) =>
        !root.TryGetProperty(field, out var value)
            || (value.ValueKind == JsonValueKind.Array && value.EnumerateArray().All(v => v.ValueKind == JsonValueKind.String));

    /// <summary>Looks at every text, which fails on half characters, and says whether all numbers can be read.</summary>
    private static bool Walk(JsonElement value)
    {
        var fits = true;
        switch (value.ValueKind)
        {
            case JsonValueKind.Object:
                foreach (var member in value.EnumerateObject())
                {
                    _ = member.Name;
                    fits &= Walk(member.Value);
                }

                break;
            case JsonValueKind.Array:
                foreach (var item in value.EnumerateArray()) fits &= Walk(item);
                break;
            case JsonValueKind.String:
                _ = value.GetString();
                break;
            case JsonValueKind.Number:
                fits = value.TryGetDouble(out var number) && Math.Abs(number) < Largest;
                break;
        }

        return fits;
    }
}
