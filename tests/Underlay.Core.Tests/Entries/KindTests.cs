using System.Text;
using System.Text.Json.Nodes;
using CsCheck;
using Json.Schema;
using Underlay.Core.Entries;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Tests.Entries;

public class KindTests
{
    private static readonly Kind Surface = Repository.Kilnmoor.Place("surface-descriptors").Kind!;
    private static readonly Kind Ware = Repository.Kilnmoor.Place("wares").Kind!;

    private static IReadOnlyList<EntryFault> Judge(Kind kind, string text) => kind.Judge(JsonText.Parse(Encoding.UTF8.GetBytes(text)));

    [Theory]
    [InlineData("""{ "made_of": "stone", "edge": "cut" }""")]
    [InlineData("""{ "made_of": "stone", "edge": "cut", "unknown": null, "rough": 1.0 }""")]
    public void Unknown_fields_are_ignored(string text) => Assert.Empty(Judge(Surface, text));

    [Fact]
    public void A_whole_number_may_be_written_with_a_point_and_a_zero() => Assert.Empty(Judge(Ware, SmallBase.Ware("a.b", price: "45.0")));

    [Theory]
    [InlineData("""{ "edge": "cut" }""", "", "made_of", "the field “made_of” is missing")]
    [InlineData(
        """{ "made_of": "stone", "edge": "loose" }""",
        "/edge",
        "",
        "“edge” is “loose”; wanted is one of solid, cut, soft")]
    [InlineData("""{ "made_of": "stone", "edge": "cut", "rough": 1.4 }""", "/rough", "", "“rough” is 1.4; wanted is 0 to 1")]
    [InlineData("""{ "made_of": "stone", "edge": "cut", "rough": "1" }""", "/rough", "", "“rough” is “1”; wanted is a number")]
    [InlineData("""{ "made_of": null, "edge": "cut" }""", "/made_of", "", "“made_of” is null; wanted is text in quotes")]
    [InlineData("""{ "made_of": "", "edge": "cut" }""", "/made_of", "", "“made_of” is empty; wanted is text that is not empty")]
    [
        InlineData(
            """{ "made_of": "stone", "edge": "cut", "under": { "surface": "Two Words", "share": 0 } }""",
            "/under/surface",
            "",
            "“surface” is “Two Words”; wanted is the name of a surface, in a to z, 0 to 9 and _"),
    ]
    [InlineData("[]", "", "", "the file is a list; wanted is an object in { }")]
    [InlineData("""{ "made_of": "stone", "edge": "cut", "x": [1e30] }""", "/x/0", "", "a number here is too large for the host to read")]
    public void A_fault_says_where_what_is_and_what_is_wanted(string text, string pointer, string field, string says) =>
        Assert.Equal(new EntryFault(pointer, field, says), Assert.Single(Judge(Surface, text)));

    [Fact]
    public void Several_faults_are_told_each() =>
        Assert.Equal(
            ["", "/price", "/shape"],
            Judge(Ware, """{ "shape": 4, "made_of": "clay", "price": 0 }""").Select(f => f.Pointer).Order());

    private static readonly Gen<JsonNode?> AnyValue = Gen.OneOfConst(
        "null",
        "true",
        "7",
        "0",
        "1.5",
        "12.0",
        "-1",
        "\"\"",
        "\"stone\"",
        "\"cut\"",
        "\"a.b\"",
        "\"A b\"",
        "\"1.0.0\"",
        "\"1.0\"",
        "\"4.0\"",
        "\"x.png\"",
        "[]",
        "[7]",
        "[{}]",
        "[\"a\"]",
        "{}")
        .Select(text => JsonNode.Parse(text));

    /// <summary>
    /// The schema in words of the standard alone: what may be taken over from another entry is not required of one that names it.
    /// </summary>
    private static string Standard(Kind kind)
    {
        var schema = JsonNode.Parse(kind.Document.GetRawText())!.AsObject();
        if (kind.Inherits is { } inherits)
            schema["anyOf"] = new JsonArray(
                new JsonObject { ["required"] = new JsonArray(inherits.By[1..]) },
                new JsonObject { ["required"] = new JsonArray([.. inherits.Required.Select(r => (JsonNode)r)]) });
        return schema.ToJsonString();
    }

    /// <summary>What this reads of JSON Schema means what the standard says.</summary>
    [Fact]
    public void A_kind_accepts_what_a_full_implementation_of_JSON_Schema_accepts()
    {
        var kinds = new[] { Surface, Ware, Repository.Kilnmoor.Manifest.Kind }
            .Select(
                k =>
                    (
                        Kind: k,
                        Schema: JsonSchema.FromText(Standard(k)),
                        Fields: k.Document.GetProperty("properties").EnumerateObject().Select(p => p.Name).ToArray()))
            .ToArray();
        var manifest = JsonNode.Parse(APack.Manifest)!.AsObject();
        var changes = Gen.Select(Gen.Int[0, 2], Gen.Int[0, 20], Gen.Int[0, 20], AnyValue, AnyValue, Gen.Bool, Gen.Bool);
        changes.Sample((which, first, second, a, b, remove, deep) =>
        {
            var (kind, schema, fields) = kinds[which];
            var entry = which switch
            {
                0 => new JsonObject { ["made_of"] = "stone", ["edge"] = "cut", ["rough"] = 0.5 },
                1 => JsonNode.Parse(SmallBase.Ware("a.b"))!.AsObject(),
                _ => manifest.DeepClone().AsObject(),
            };
            entry[fields[first % fields.Length]] = a?.DeepClone();
            if (remove) entry.Remove(fields[second % fields.Length]);
            if (deep && entry["reads"] is JsonObject reads) reads[second % 2 == 0 ? "from" : "to"] = b?.DeepClone();
            if (deep && which == 2)
                entry["needs"] = new JsonArray(new JsonObject { ["id"] = a?.DeepClone(), ["version"] = b?.DeepClone() });
            Assert.Equal(schema.Evaluate(entry).IsValid, Judge(kind, entry.ToJsonString()).Count == 0);
        });
    }

    [Theory]
    [InlineData("\"x-underlay-unit\": \"cm\"", true)]
    [InlineData("\"x-underlay-untit\": \"cm\"", false)]
    [InlineData("\"x-underlay-usual\": [4, 8]", true)]
    [InlineData("\"x-underlay-usual\": [4]", false)]
    [InlineData("\"x-underlay-means\": { \"#000000\": \"as the body\" }", true)]
    [InlineData("\"x-underlay-means\": { \"#000000\": 3 }", false)]
    [InlineData("\"x-underlay-seen\": \"players\"", true)]
    [InlineData("\"x-underlay-seen\": \"everybody\"", false)]
    [InlineData("\"x-underlay-since\": 4.0", false)]
    public void An_annotation_that_is_not_known_or_says_what_it_may_not_is_an_error_of_the_profile(string annotation, bool isRead)
    {
        using var document = System.Text.Json.JsonDocument.Parse(
            $$"""{ "properties": { "foot": { "type": "number", {{annotation}} } } }""");
        var (_, problems) = Kind.Read("thing", document.RootElement);
        Assert.Equal(isRead ? [] : [$"/properties/foot/{annotation.Split('"')[1]}"], problems.Select(p => p.Pointer));
    }

    [Theory]
    [InlineData("""[{ "title": "Two", "value": { "of": 2 }, "fill": ["/of"] }]""", true)]
    [InlineData("""[{ "title": "Two", "value": { "of": "two" }, "fill": [] }]""", false)]
    [InlineData("""[{ "title": "Two", "value": { "of": 2 }, "fill": ["/more"] }]""", false)]
    [InlineData("""[{ "value": { "of": 2 }, "fill": [] }]""", false)]
    [InlineData("3", false)]
    public void An_example_is_a_value_that_its_list_accepts(string examples, bool isRead)
    {
        const string Items = """{ "type": "object", "properties": { "of": { "type": "number" } } }""";
        using var document = System.Text.Json.JsonDocument.Parse(
            $$"""{ "properties": { "list": { "type": "array", "items": {{Items}}, "x-underlay-examples": {{examples}} } } }""");
        Assert.Equal(isRead, Kind.Read("thing", document.RootElement).Problems.Count == 0);
    }
}
