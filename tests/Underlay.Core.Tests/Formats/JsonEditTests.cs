using System.Text;
using System.Text.Json;
using CsCheck;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Tests.Formats;

/// <summary>An edit changes its value and nothing else: every other letter of the text stays.</summary>
public class JsonEditTests
{
    private static readonly byte[] New = "[ 1,2 ]"u8.ToArray();

    private static readonly Gen<string> Name = Gen.String[Gen.Char["abc/~\"é"], 1, 3];

    private static JsonText Parse(string text) => JsonText.Parse(Encoding.UTF8.GetBytes(text));

    [Fact]
    public void A_value_that_is_set_is_the_only_thing_that_changes() =>
        Gen.Int.Sample(seed =>
        {
            var (written, text) = Random(seed);
            var pointer = written.Any(Pointers(text.Root, "").ToList());
            var set = JsonText.Parse(JsonEdit.Set(text, pointer, New));
            var old = text.Find(pointer)!.Value.GetRawText();
            Assert.Equal("[ 1,2 ]", set.Find(pointer)!.Value.GetRawText());
            var (before, after) = (Encoding.UTF8.GetString(text.Utf8.Span), Encoding.UTF8.GetString(set.Utf8.Span));
            var start = before.Zip(after).TakeWhile(p => p.First == p.Second).Count();
            Assert.EndsWith(before[(Math.Min(start, before.Length - old.Length) + old.Length)..], after, StringComparison.Ordinal);
            Assert.Equal(before.Length - old.Length + 7, after.Length);
        });

    [Fact]
    public void What_is_added_is_there_and_taking_it_off_leaves_all_values() =>
        Gen.Int.Sample(seed =>
        {
            var (written, text) = Random(seed);
            var around = written.Any(Pointers(text.Root, "").Prepend("").Where(p => IsContainer(text, p)).ToList());
            var isList = text.Find(around)!.Value.ValueKind == JsonValueKind.Array;
            var added = JsonText.Parse(JsonEdit.Set(text, $"{around}/{(isList ? "-" : "new")}", New));
            Assert.Null(added.Problem);
            var at = isList ? $"{around}/{added.Find(around)!.Value.GetArrayLength() - 1}" : $"{around}/new";
            Assert.Equal("[ 1,2 ]", added.Find(at)!.Value.GetRawText());
            AssertSame(text, JsonText.Parse(JsonEdit.Remove(added, at)!));
        });

    [Fact]
    public void A_field_that_is_taken_out_leaves_all_others_as_they_stand() =>
        Gen.Int.Sample(seed =>
        {
            var (written, text) = Random(seed);
            if (Pointers(text.Root, "").ToList() is not { Count: > 0 } all) return;
            var pointer = written.Any(all);
            var removed = JsonText.Parse(JsonEdit.Remove(text, pointer)!);
            Assert.Null(removed.Problem);
            Assert.Equal(Tokens(text).Count - Tokens(text, pointer).Count, Tokens(removed).Count);
        });

    [Fact]
    public void An_item_is_put_in_before_another_and_a_field_gets_another_name()
    {
        Assert.Equal("[1, 0, 2]", Edit("[1, 2]", t => JsonEdit.Insert(t, "/1", "0"u8.ToArray())));
        Assert.Equal("[\n  0,\n  1,\n  2\n]", Edit("[\n  1,\n  2\n]", t => JsonEdit.Insert(t, "/0", "0"u8.ToArray())));
        Assert.Equal("{ \"b\" : 1 }", Edit("{ \"a\" : 1 }", t => JsonEdit.Rename(t, "/a", "b")!));
        Assert.Equal("[{ \"b\": 1 }]", Edit("[{ \"\\u0061\": 1 }]", t => JsonEdit.Rename(t, "/0/a", "b")!));
        Assert.Null(JsonEdit.Rename(Parse("{ \"a\": 1, \"b\": 2 }"), "/a", "b"));
        Assert.Null(JsonEdit.Remove(Parse("{}"), "/a"));
        Assert.Throws<InvalidOperationException>(() => JsonEdit.Insert(Parse("{}"), "/a", New));
    }

    [Fact]
    public void A_string_is_set_or_added_and_all_else_stays()
    {
        string Set(string text, string pointer, string value) =>
            Encoding.UTF8.GetString(JsonEdit.Set(Parse(text), pointer, JsonEdit.Text(value)));
        Assert.Equal("{ \"a\": 1, \"b\": \"é\" }", Set("{ \"a\": 1 }", "/b", "é"));
        Assert.Equal("{\n  \"a\": 1,\n  \"b\": \"é\"\n}", Set("{\n  \"a\": 1\n}", "/b", "é"));
        Assert.Equal("{ \"b\": \"x\" }", Set("{}", "/b", "x"));
        Assert.Equal("{ \"b\": \"x\", \"c\": {\"b\": 2} }", Set("{ \"b\": [1, {}], \"c\": {\"b\": 2} }", "/b", "x"));
        Assert.Equal("{ \"b\": [1, {}], \"c\": {\"b\": \"x\"} }", Set("{ \"b\": [1, {}], \"c\": {\"b\": 2} }", "/c/b", "x"));
        Assert.Equal("{ \"c\": { \"d\": \"x\" } }", Set("{}", "/c/d", "x"));
        Assert.Throws<InvalidOperationException>(() => Set("[]", "/b", "x"));
        Assert.Throws<InvalidOperationException>(() => Set("{ \"b\": 1 }", "/b/c", "x"));
    }

    [Fact]
    public void A_set_string_is_found_again_and_other_fields_are_as_before() =>
        Gen.Select(Gen.Dictionary(Name, Gen.String[Gen.Char["xy\\\"\n"], 0, 4])[0, 5], Name, Gen.String).Sample((fields, name, value) =>
        {
            var before = JsonText.Parse(System.Text.Json.JsonSerializer.SerializeToUtf8Bytes(fields));
            var after = JsonText.Parse(JsonEdit.Set(before, $"/{JsonText.Escape(name)}", JsonEdit.Text(value)));
            fields[name] = value;
            Assert.Null(after.Problem);
            Assert.Equal(
                fields.OrderBy(f => f.Key, StringComparer.Ordinal),
                after.Root
                    .EnumerateObject()
                    .Select(p => KeyValuePair.Create(p.Name, p.Value.GetString()!))
                    .OrderBy(f => f.Key, StringComparer.Ordinal));
        });

    private static string Edit(string text, Func<JsonText, byte[]> edit) => Encoding.UTF8.GetString(edit(Parse(text)));

    private static (WrittenJson Written, JsonText Text) Random(int seed)
    {
        var written = new WrittenJson(seed);
        // An object with a field at least.
        var text = Parse(written.Write());
        return (written, text.Root.EnumerateObject().Any() ? text : Parse("{\t\"a\" : [ {}, -0.50 ] }\r\n"));
    }

    private static bool IsContainer(JsonText text, string pointer) =>
        text.Find(pointer)!.Value.ValueKind is JsonValueKind.Object or JsonValueKind.Array;

    private static IEnumerable<string> Pointers(JsonElement value, string at)
    {
        if (value.ValueKind == JsonValueKind.Object)
        {
            foreach (var field in value.EnumerateObject())
                foreach (var pointer in WithInside(field.Value, $"{at}/{JsonText.Escape(field.Name)}")) yield return pointer;
        }
        else if (value.ValueKind == JsonValueKind.Array)
        {
            foreach (var (i, item) in value.EnumerateArray().Index())
                foreach (var pointer in WithInside(item, $"{at}/{i}")) yield return pointer;
        }
    }

    private static IEnumerable<string> WithInside(JsonElement value, string at) => Pointers(value, at).Prepend(at);

    /// <summary>All values that hold no others, in the form in which they are written.</summary>
    private static List<string> Tokens(JsonText text, string pointer = "") =>
        [
            .. WithInside(text.Find(pointer)!.Value, pointer)
                .Where(p => !IsContainer(text, p))
                .Select(p => text.Find(p)!.Value.GetRawText()),
        ];

    private static void AssertSame(JsonText one, JsonText other)
    {
        var pointers = Pointers(one.Root, "").ToList();
        Assert.Equal(pointers, Pointers(other.Root, ""));
        Assert.Equal(Tokens(one), Tokens(other));
    }
}
