using System.Text.Json;
using System.Text.RegularExpressions;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Entries;

/// <summary>
/// The part of JSON Schema 2020-12 that kinds use, evaluated so that every fault has a pointer and plain words.
/// A keyword outside that part is an error of the profile, never passed over.
/// </summary>
/// <remarks>
/// Tests hold it against a full implementation. That one is not used here because preparing its first schema takes longer
/// than a whole check of a small pack may.
/// </remarks>
internal sealed class Schema
{
    private static readonly HashSet<string> Standard = new(
        StringComparer.Ordinal) { "$schema", "$id", "$comment", "title", "description", "default", "examples" };

    private readonly List<string> types = [];
    private readonly List<string> required = [];
    private readonly Dictionary<string, Schema> properties = new(StringComparer.Ordinal);
    private readonly List<JsonElement> choices = [];
    private readonly List<Schema> alternatives = [];
    private Schema? items;
    private Schema? otherProperties;
    private Regex? pattern;
    private double? minimum;
    private double? maximum;
    private double? above;
    private double? multipleOf;
    private int? minLength;
    private int? minItems;
    private string? wanted;

    private Schema()
    {
    }

    /// <summary>Fields that an object has to have.</summary>
    public IReadOnlyList<string> Required => required;

    /// <summary>What a field has to be; null where anything goes.</summary>
    public Schema? Field(string name) => properties.GetValueOrDefault(name) ?? otherProperties;

    /// <summary>A value that the schema itself names: its default, the first of its choices, or its least number.</summary>
    public JsonElement? Named { get; private set; }

    /// <summary>Reads a schema; what cannot be read is added to the problems with its pointer.</summary>
    public static Schema Read(JsonElement document, string pointer, List<(string Pointer, string Expected)> problems)
    {
        var schema = new Schema();
        if (document.ValueKind != JsonValueKind.Object)
        {
            problems.Add((pointer, "a schema in { } was expected"));
            return schema;
        }

        foreach (var keyword in document.EnumerateObject())
            schema.ReadKeyword(keyword, $"{pointer}/{JsonText.Escape(keyword.Name)}", problems);
        schema.Named = document.TryGetProperty("default", out var usual) ? usual
            : schema.choices.Count > 0 ? schema.choices[0]
            : document.TryGetProperty("minimum", out var least) ? least
            : null;
        if (document.TryGetProperty("x-underlay-examples", out var examples))
            SchemaExamples.Read(examples, schema.items, $"{pointer}/x-underlay-examples", problems);
        return schema;
    }

    /// <summary>Adds what the schema does not accept in a value.</summary>
    public void Judge(JsonElement value, string pointer, List<EntryFault> faults)
    {
        var before = faults.Count;
        if (types.Count > 0 && !types.Exists(t => IsOf(t, value))) Refuse(wanted ?? string.Join(" or ", types.Select(TypeWord)));
        else if (choices.Count > 0 && !choices.Exists(c => JsonElement.DeepEquals(c, value)))
            Refuse("one of " + string.Join(", ", choices));
        else if (value.ValueKind == JsonValueKind.String) JudgeText(value.GetString()!);
        else if (value.ValueKind == JsonValueKind.Number && !InRange(value.GetDouble())) Refuse(RangeWords());
        else if (value.ValueKind == JsonValueKind.Number && !IsMultiple(value.GetDouble()))
            Refuse(FormattableString.Invariant($"a multiple of {multipleOf}"));
        if (faults.Count > before) return;
        if (alternatives.Count > 0 && alternatives.Count(a => a.Accepts(value)) != 1)
            Refuse(wanted ?? "one form of several");
        else if (value.ValueKind == JsonValueKind.Array && minItems is { } least && value.GetArrayLength() < least)
            Refuse($"a list of at least {least}");
        if (faults.Count > before) return;
        if (value.ValueKind == JsonValueKind.Object) JudgeFields(value, pointer, faults);
        else if (value.ValueKind == JsonValueKind.Array && items is not null) JudgeItems(value, pointer, faults);

        void JudgeText(string text)
        {
            if (minLength is { } shortest && text.EnumerateRunes().Count() < shortest) Refuse("text that is not empty");
            else if (pattern?.IsMatch(text) == false) Refuse(wanted ?? $"text that fits {pattern}");
        }

        void Refuse(string words)
        {
            var last = pointer[(pointer.LastIndexOf('/') + 1)..];
            // A number alone, or nothing, names no field.
            var isNoName = last is [] or [>= '0' and <= '9', ..];
            var name = pointer.Length == 0 ? "the file" : isNoName ? FieldName.Quote(pointer) : $"“{last}”";
            faults.Add(new EntryFault(pointer, "", $"{name} is {FaultWords.Show(value)}; wanted is {words}"));
        }
    }

    /// <summary>Adds fields that are not known and near one that is, of an object and of what is in it.</summary>
    public void FindNearFields(JsonElement value, string pointer, List<(string Pointer, string Near)> found)
    {
        if (value.ValueKind == JsonValueKind.Array && items is not null)
        {
            var index = 0;
            foreach (var item in value.EnumerateArray()) items.FindNearFields(item, $"{pointer}/{index++}", found);
        }

        if (value.ValueKind != JsonValueKind.Object) return;
        foreach (var member in value.EnumerateObject())
        {
            var at = $"{pointer}/{JsonText.Escape(member.Name)}";
            if (properties.TryGetValue(member.Name, out var known)) known.FindNearFields(member.Value, at, found);
            else if (otherProperties is not null) otherProperties.FindNearFields(member.Value, at, found);
            else if (
                Names.Slips.Nearest(
                    properties.Keys.Where(k => !value.TryGetProperty(k, out _)),
                    member.Name.Replace('-', '_').Replace(' ', '_')) is { } near)
                found.Add((at, near));
            else if (properties.ContainsKey(member.Name.Replace('-', '_').Replace(' ', '_')))
                found.Add((at, member.Name.Replace('-', '_').Replace(' ', '_')));
        }
    }

    private void JudgeFields(JsonElement value, string pointer, List<EntryFault> faults)
    {
        foreach (var field in required)
            if (!value.TryGetProperty(field, out _)) faults.Add(new EntryFault(pointer, field, $"the field “{field}” is missing"));
        foreach (var member in value.EnumerateObject())
            if ((properties.GetValueOrDefault(member.Name) ?? otherProperties) is { } schema)
                schema.Judge(member.Value, $"{pointer}/{JsonText.Escape(member.Name)}", faults);
    }

    private void JudgeItems(JsonElement value, string pointer, List<EntryFault> faults)
    {
        var index = 0;
        foreach (var item in value.EnumerateArray()) items!.Judge(item, $"{pointer}/{index++}", faults);
    }

    private void ReadKeyword(JsonProperty keyword, string pointer, List<(string Pointer, string Expected)> problems)
    {
        var value = keyword.Value;
        var read = keyword.Name switch
        {
            "type" => ReadTexts(value.ValueKind == JsonValueKind.Array ? value.EnumerateArray() : [value], types),
            "required" => value.ValueKind == JsonValueKind.Array && ReadTexts(value.EnumerateArray(), required),
            "properties" => ReadProperties(value, pointer, problems),
            "additionalProperties" => (otherProperties = Read(value, pointer, problems)) is not null,
            "enum" => ReadChoices(value),
            "items" => (items = Read(value, pointer, problems)) is not null,
            "pattern" => ReadPattern(value),
            "oneOf" => ReadAlternatives(value, pointer, problems),
            "minimum" => ReadNumber(value, ref minimum),
            "exclusiveMinimum" => ReadNumber(value, ref above),
            "multipleOf" => ReadNumber(value, ref multipleOf) && multipleOf > 0,
            "maximum" => ReadNumber(value, ref maximum),
            "minLength" => ReadWhole(value, ref minLength),
            "minItems" => ReadWhole(value, ref minItems),
            "x-underlay-wanted" => (wanted = value.ValueKind == JsonValueKind.String ? value.GetString() : null) is not null,
            _ => Standard.Contains(keyword.Name) || Annotations.Reads(keyword.Name, value),
        };
        if (!read)
            problems.Add(
                (
                    pointer,
                    "a keyword that Underlay reads, with a value that JSON Schema gives it, was expected (docs/host-profile.md lists "
                        + "them)"));
    }

    private static bool ReadTexts(IEnumerable<JsonElement> values, List<string> to)
    {
        foreach (var value in values)
        {
            if (value.ValueKind != JsonValueKind.String) return false;
            to.Add(value.GetString()!);
        }

        return to.Count > 0;
    }

    private bool ReadProperties(JsonElement value, string pointer, List<(string Pointer, string Expected)> problems)
    {
        if (value.ValueKind != JsonValueKind.Object) return false;
        foreach (var property in value.EnumerateObject())
            properties[property.Name] = Read(property.Value, $"{pointer}/{JsonText.Escape(property.Name)}", problems);
        return true;
    }

    private bool ReadAlternatives(JsonElement value, string pointer, List<(string Pointer, string Expected)> problems)
    {
        if (value.ValueKind != JsonValueKind.Array) return false;
        foreach (var item in value.EnumerateArray()) alternatives.Add(Read(item, $"{pointer}/{alternatives.Count}", problems));
        return alternatives.Count > 0;
    }

    private bool ReadChoices(JsonElement value)
    {
        if (value.ValueKind != JsonValueKind.Array) return false;
        choices.AddRange(value.EnumerateArray());
        return choices.Count > 0;
    }

    private bool ReadPattern(JsonElement value)
    {
        if (value.ValueKind != JsonValueKind.String) return false;
        try
        {
            pattern = new Regex(value.GetString()!, RegexOptions.CultureInvariant, TimeSpan.FromSeconds(1));
            return true;
        }
        catch (ArgumentException)
        {
            return false;
        }
    }

    private static bool ReadNumber(JsonElement value, ref double? to)
    {
        if (value.ValueKind != JsonValueKind.Number) return false;
        to = value.GetDouble();
        return true;
    }

    private static bool ReadWhole(JsonElement value, ref int? to)
    {
        if (value.ValueKind != JsonValueKind.Number || !value.TryGetInt32(out var number)) return false;
        to = number;
        return true;
    }

    private static bool IsOf(string type, JsonElement value) => type switch
    {
        "string" => value.ValueKind == JsonValueKind.String,
        "number" => value.ValueKind == JsonValueKind.Number,
        "integer" => value.ValueKind == JsonValueKind.Number && value.GetDouble() is var number && number == Math.Floor(number),
        "boolean" => value.ValueKind is JsonValueKind.True or JsonValueKind.False,
        "array" => value.ValueKind == JsonValueKind.Array,
        "object" => value.ValueKind == JsonValueKind.Object,
        "null" => value.ValueKind == JsonValueKind.Null,
        _ => false,
    };

    private static string TypeWord(string type) => type switch
    {
        "integer" => "a whole number",
        "number" => "a number",
        "string" => "text in quotes",
        "boolean" => "true or false",
        "array" => "a list in [ ]",
        "object" => "an object in { }",
        _ => type,
    };

    /// <summary>Whether a value has no fault.</summary>
    public bool Accepts(JsonElement value)
    {
        var faults = new List<EntryFault>();
        Judge(value, "", faults);
        return faults.Count == 0;
    }

    private bool InRange(double number) => !(number < minimum) && !(number > maximum) && !(number <= above);

    /// <summary>Tenths have no exact form in binary; what is as near as a reader can write it counts.</summary>
    private bool IsMultiple(double number) =>
        multipleOf is not { } step || Math.Abs((number / step) - Math.Round(number / step)) < 1e-9 * Math.Max(1, Math.Abs(number / step));

    private string RangeWords() => (minimum ?? above, maximum) switch
    {
        ({ } least, null) when above is not null => FormattableString.Invariant($"more than {least}"),
        ({ } least, { } most) => FormattableString.Invariant($"{least} to {most}"),
        ({ } least, null) => FormattableString.Invariant($"{least} or more"),
        _ => FormattableString.Invariant($"{maximum} or less"),
    };
}
