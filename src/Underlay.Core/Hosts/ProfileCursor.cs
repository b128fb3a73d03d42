using System.Text.Json;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Hosts;

/// <summary>
/// Walks one object of a profile file: each field is asked for once; what is missing, of another type or unknown
/// becomes a <see cref="ProfileError"/> with its pointer, and reading goes on with a stand-in value.
/// </summary>
internal sealed class ProfileCursor
{
    private readonly JsonElement value;
    private readonly List<ProfileError> errors;
    private readonly HashSet<string> asked = new(StringComparer.Ordinal) { "$schema", "comment" };

    public ProfileCursor(string file, string pointer, JsonElement value, List<ProfileError> errors)
    {
        File = file;
        Pointer = pointer;
        this.errors = errors;
        this.value = value;
        if (value.ValueKind != JsonValueKind.Object) Fail("", "an object in { } was expected");
    }

    public string File { get; }

    public string Pointer { get; }

    public string PointerTo(string field) => $"{Pointer}/{JsonText.Escape(field)}";

    public void Fail(string field, string expected) =>
        errors.Add(new ProfileError(File, field.Length == 0 ? Pointer : PointerTo(field), expected));

    public bool Has(string field) => value.ValueKind == JsonValueKind.Object && value.TryGetProperty(field, out _);

    public string Text(string field) => Read(field, JsonValueKind.String, "text") is { } found ? NonEmpty(field, found.GetString()!) : "";

    public string? TextIfAny(string field)
    {
        asked.Add(field);
        return Has(field) ? Text(field) : null;
    }

    public int Whole(string field, int least)
    {
        if (Read(field, JsonValueKind.Number, "a whole number") is not { } found) return least;
        if (found.TryGetInt32(out var number) && number >= least) return number;
        Fail(field, $"a whole number of {least} or more was expected");
        return least;
    }

    public int WholeOr(string field, int otherwise, int least)
    {
        asked.Add(field);
        return Has(field) ? Whole(field, least) : otherwise;
    }

    public double Number(string field) => Read(field, JsonValueKind.Number, "a number")?.GetDouble() ?? 0;

    public double? NumberIfAny(string field)
    {
        asked.Add(field);
        return Has(field) ? Number(field) : null;
    }

    public IReadOnlyList<int> Wholes(string field)
    {
        if (Read(field, JsonValueKind.Array, "a list in [ ]") is not { } found) return [];
        var numbers = found
            .EnumerateArray()
            .Select(n => n.ValueKind == JsonValueKind.Number && n.TryGetInt32(out var whole) ? whole : 0)
            .ToList();
        if (numbers.Count == 0 || numbers.Exists(n => n < 1)) Fail(field, "a list of whole numbers from 1 was expected");
        return numbers;
    }

    public bool Flag(string field)
    {
        asked.Add(field);
        if (!Has(field)) return false;
        var found = value.GetProperty(field).ValueKind;
        if (found is not (JsonValueKind.True or JsonValueKind.False)) Fail(field, "true or false was expected");
        return found == JsonValueKind.True;
    }

    public T Choice<T>(string field, params ReadOnlySpan<(string Word, T Value)> choices)
    {
        var word = Text(field);
        foreach (var choice in choices)
            if (choice.Word == word) return choice.Value;
        if (word.Length > 0)
        {
            var words = new List<string>();
            foreach (var choice in choices) words.Add(choice.Word);
            Fail(field, $"one of {string.Join(", ", words)} was expected, not “{word}”");
        }

        return choices[0].Value;
    }

    public ProfileCursor Object(string field)
    {
        var found = Read(field, JsonValueKind.Object, "an object in { }");
        return new ProfileCursor(File, PointerTo(field), found ?? EmptyObject, errors);
    }

    public ProfileCursor? ObjectIfAny(string field)
    {
        asked.Add(field);
        return Has(field) ? Object(field) : null;
    }

    public IReadOnlyList<ProfileCursor> ObjectsIfAny(string field)
    {
        asked.Add(field);
        return Has(field) ? Objects(field) : [];
    }

    /// <summary>The fields of an object whose names are free and whose values are texts.</summary>
    public IReadOnlyList<(string Name, string Value)> TextMembers(string field)
    {
        if (Read(field, JsonValueKind.Object, "an object in { }") is not { } found) return [];
        var inner = new ProfileCursor(File, PointerTo(field), found, errors);
        return [.. found.EnumerateObject().Select(m => (m.Name, inner.Text(m.Name)))];
    }

    public IReadOnlyList<(string Name, string Value)> TextMembersIfAny(string field)
    {
        asked.Add(field);
        return Has(field) ? TextMembers(field) : [];
    }

    public IReadOnlyList<ProfileCursor> Objects(string field, int least = 1)
    {
        if (Read(field, JsonValueKind.Array, "a list in [ ]") is not { } found) return [];
        if (found.GetArrayLength() < least) Fail(field, $"a list of at least {least} was expected");
        var objects = new List<ProfileCursor>();
        foreach (var item in found.EnumerateArray())
            objects.Add(new ProfileCursor(File, $"{PointerTo(field)}/{objects.Count}", item, errors));
        return objects;
    }

    public IReadOnlyList<string> Texts(string field)
    {
        if (Read(field, JsonValueKind.Array, "a list in [ ]") is not { } found) return [];
        var texts = new List<string>();
        foreach (var item in found.EnumerateArray())
        {
            if (item.ValueKind == JsonValueKind.String) texts.Add(item.GetString()!);
            else errors.Add(new ProfileError(File, $"{PointerTo(field)}/{texts.Count}", "text was expected"));
        }

        if (texts.Count == 0) Fail(field, "a list of at least 1 was expected");
        return texts;
    }

    /// <summary>A list that may be left out; empty then.</summary>
    public IReadOnlyList<string> TextsIfAny(string field)
    {
        asked.Add(field);
        return Has(field) ? Texts(field) : [];
    }

    public (int Least, int Most) Range(string field)
    {
        if (Read(field, JsonValueKind.Array, "a list of two whole numbers") is not { } found) return (1, 1);
        if (found.GetArrayLength() == 2
            && found[0].TryGetInt32(out var least)
            && found[1].TryGetInt32(out var most)
            && least >= 1
            && most >= least)
            return (least, most);
        Fail(field, "a list of two whole numbers was expected, the second not below the first");
        return (1, 1);
    }

    /// <summary>The fields of an object whose names are free.</summary>
    public IReadOnlyList<(string Name, ProfileCursor Value)> Members(string field)
    {
        if (Read(field, JsonValueKind.Object, "an object in { }") is not { } found) return [];
        var members = new List<(string, ProfileCursor)>();
        foreach (var member in found.EnumerateObject())
            members.Add((member.Name, new ProfileCursor(File, $"{PointerTo(field)}/{JsonText.Escape(member.Name)}", member.Value, errors)));
        return members;
    }

    /// <summary>The fields of an object whose names are free and whose values are lists of objects.</summary>
    public IReadOnlyList<(string Name, IReadOnlyList<ProfileCursor> Values)> MemberLists(string field)
    {
        if (Read(field, JsonValueKind.Object, "an object in { }") is not { } found) return [];
        var inner = new ProfileCursor(File, PointerTo(field), found, errors);
        var lists = new List<(string, IReadOnlyList<ProfileCursor>)>();
        foreach (var member in found.EnumerateObject()) lists.Add((member.Name, inner.Objects(member.Name, least: 0)));
        return lists;
    }

    /// <summary>Reports the fields that nobody asked for: a misspelt rule must not be lost in silence.</summary>
    public void Done()
    {
        if (value.ValueKind != JsonValueKind.Object) return;
        foreach (var member in value.EnumerateObject())
            if (!asked.Contains(member.Name)) Fail(member.Name, "a known field was expected; nothing reads this one");
    }

    private static JsonElement EmptyObject { get; } = JsonDocument.Parse("{}").RootElement;

    private string NonEmpty(string field, string text)
    {
        if (text.Length == 0) Fail(field, "text that is not empty was expected");
        return text;
    }

    private JsonElement? Read(string field, JsonValueKind kind, string wanted)
    {
        asked.Add(field);
        if (value.ValueKind != JsonValueKind.Object) return null;
        if (!value.TryGetProperty(field, out var found)) Fail(field, $"{wanted} was expected, and there is none");
        else if (found.ValueKind != kind) Fail(field, $"{wanted} was expected");
        else return found;
        return null;
    }
}
