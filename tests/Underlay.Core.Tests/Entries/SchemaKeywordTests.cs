using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Json.Schema;
using Underlay.Core.Entries;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Tests.Entries;

/// <summary>
/// The keywords of JSON Schema 2020-12 that kinds use, each with values that the standard accepts and refuses; the standard's words
/// decide, and a full implementation is asked as well.
/// </summary>
public class SchemaKeywordTests
{
    /// <summary>A schema, what it accepts and what it refuses: lists of values.</summary>
    public static TheoryData<string, string, string> Keywords => new()
    {
        { "{}", """[null, true, 1, -0.5, "a", [], {}]""", "[]" },
        { """{ "type": "string" }""", """["", "a", "1"]""", "[1, null, true, [], {}]" },
        { """{ "type": "number" }""", "[0, 1, 1.5, -1e3]", """["1", null, true, [], {}]""" },
        { """{ "type": "integer" }""", "[0, -7, 12.0, 1e2]", """[1.5, "1", null, true]""" },
        { """{ "type": "boolean" }""", "[true, false]", """[0, 1, "true", null]""" },
        { """{ "type": "null" }""", "[null]", """[0, "", false, {}]""" },
        { """{ "type": "object" }""", """[{}, { "a": 1 }]""", """[[], "a", null]""" },
        { """{ "type": "array" }""", "[[], [1, null]]", """[{}, "a", 1]""" },
        { """{ "type": ["string", "null"] }""", """["a", null]""", "[1, {}]" },
        { """{ "required": ["a", "b"] }""", """[{ "a": 1, "b": null }, [], "a"]""", """[{}, { "a": 1 }]""" },
        { """{ "properties": { "a": { "type": "string" } } }""", """[{}, { "a": "x" }, { "b": 1 }, 5]""", """[{ "a": 1 }]""" },
        { """{ "properties": { "a": { "required": ["b"] } } }""", """[{ "a": { "b": 1 } }, { "a": 3 }]""", """[{ "a": {} }]""" },
        {
            """{ "properties": { "a": {} }, "additionalProperties": { "type": "number" } }""",
            """[{ "a": "x" }, { "a": "x", "b": 2 }, {}]""",
            """[{ "b": "x" }, { "a": 1, "b": 2, "c": null }]"""
        },
        { """{ "items": { "type": "number" } }""", """[[], [1, 2.5], "a", { "0": "a" }]""", """[["a"], [1, null]]""" },
        { """{ "items": { "items": { "minimum": 1 } } }""", """[[[1, 2], []]]""", """[[[1], [0]]]""" },
        { """{ "minItems": 2 }""", """[[1, 1], [1, 2, 3], "a", {}]""", "[[], [1]]" },
        {
            """{ "enum": ["a", 1, null, [2], { "b": 3 }] }""",
            """["a", 1, 1.0, null, [2], { "b": 3 }]""",
            """["b", 2, false, [], { "b": 4 }]"""
        },
        { """{ "minimum": 1.5 }""", """[1.5, 2, "0", null]""", "[1.4, -3]" },
        { """{ "maximum": 1.5 }""", """[1.5, -2, "9"]""", "[1.6, 100]" },
        { """{ "exclusiveMinimum": 0 }""", """[0.001, 5, "0"]""", "[0, -1]" },
        { """{ "minimum": 1, "maximum": 3 }""", "[1, 2.5, 3]", "[0.99, 3.01]" },
        { """{ "multipleOf": 0.5 }""", """[0, 1.5, -2, "a"]""", "[0.7, 1.25]" },
        { """{ "minLength": 2 }""", """["ab", "äö", 1, []]""", """["", "a", "\uD83D\uDD25"]""" },
        { """{ "pattern": "^[a-z]+$" }""", """["abc", 5, null]""", """["", "aB", "a1"]""" },
        { """{ "pattern": "b" }""", """["abc", "b"]""", """["", "ac"]""" },
        { """{ "minLength": 1, "pattern": "^a" }""", """["ab"]""", """["", "b"]""" },
        {
            """{ "oneOf": [{ "type": "number", "minimum": 0 }, { "type": "string", "pattern": "^[0-9]+h[0-9]+$" }] }""",
            """[0, 95, "1h30"]""",
            """[-1, "soon", "", null, []]"""
        },
        { """{ "oneOf": [{ "minimum": 2 }, { "maximum": 4 }] }""", "[1, 5]", """[3, "a"]""" },
        {
            """{ "oneOf": [{ "required": ["a"] }, { "required": ["b"] }] }""",
            """[{ "a": 1 }, { "b": 1 }]""",
            """[{}, { "a": 1, "b": 2 }]"""
        },
        { """{ "type": "string", "oneOf": [{ "minLength": 3 }, { "pattern": "^x" }] }""", """["abc", "x"]""", """["a", "xyz", 4]""" },
        { """{ "type": "array", "minItems": 1, "oneOf": [{ "items": { "type": "string" } }] }""", """[["a"]]""", """[[], [1]]""" },
        { """{ "title": "T", "description": "D", "default": 4, "examples": [1], "$comment": "C" }""", """[null, "x"]""", "[]" },
    };

    private static bool Accepts(Kind kind, JsonElement value) =>
        kind.Judge(JsonText.Parse(Encoding.UTF8.GetBytes(value.GetRawText()))).Count == 0;

    [Theory]
    [MemberData(nameof(Keywords))]
    public void A_keyword_means_what_the_standard_says(string schema, string accepted, string refused)
    {
        var (kind, problems) = Kind.Read("kind", JsonDocument.Parse(schema).RootElement);
        Assert.Empty(problems);
        var full = JsonSchema.FromText(schema);
        foreach (var (values, wanted) in new[] { (accepted, true), (refused, false) })
            foreach (var value in JsonDocument.Parse(values).RootElement.EnumerateArray())
            {
                Assert.True(Accepts(kind, value) == wanted, $"{value.GetRawText()} is {(wanted ? "refused" : "accepted")}");
                Assert.Equal(wanted, full.Evaluate(JsonNode.Parse(value.GetRawText())).IsValid);
            }
    }

    [Fact]
    public void A_value_of_another_type_is_told_once() =>
        Assert.Single(
            Kind.Read("kind", JsonDocument.Parse("""{ "type": "object", "minItems": 3, "oneOf": [{}, {}] }""").RootElement).Kind
                .Judge(JsonText.Parse("[]"u8.ToArray())));

    /// <summary>Nothing is passed over in silence: a kind with a keyword that is not evaluated is refused where it stands.</summary>
    [Theory]
    [InlineData("""{ "properties": { "a": { "maxLength": 3 } } }""", "/properties/a/maxLength")]
    [InlineData("""{ "anyOf": [{}] }""", "/anyOf")]
    [InlineData("""{ "items": { "not": {} } }""", "/items/not")]
    [InlineData("""{ "type": 4 }""", "/type")]
    [InlineData("""{ "enum": [] }""", "/enum")]
    [InlineData("""{ "pattern": "(" }""", "/pattern")]
    [InlineData("""{ "multipleOf": 0 }""", "/multipleOf")]
    [InlineData("""{ "oneOf": {} }""", "/oneOf")]
    [InlineData("""{ "minItems": 1.5 }""", "/minItems")]
    [InlineData("""{ "required": "a" }""", "/required")]
    [InlineData("""{ "properties": { "a": true } }""", "/properties/a")]
    public void A_keyword_that_is_not_evaluated_is_refused_where_it_stands(string schema, string pointer) =>
        Assert.Equal([pointer], Kind.Read("kind", JsonDocument.Parse(schema).RootElement).Problems.Select(p => p.Pointer));
}
