using System.Text.Json;

namespace Underlay.Core.Entries;

/// <summary>
/// What kinds may say of their fields beside the schema, for forms and checks (docs/host-profile.md). One that is not known, or says
/// something else than it may, is an error of the profile.
/// </summary>
internal static class Annotations
{
    private const string Lead = "x-underlay-";

    /// <summary>Whether a keyword is one of the annotations, and says what it may.</summary>
    public static bool Reads(string keyword, JsonElement value) =>
        keyword.StartsWith(Lead, StringComparison.Ordinal) && keyword[Lead.Length..] switch
        {
            "wanted" or "unit" or "refers-to" or "group" or "since" or "until" => value.ValueKind == JsonValueKind.String,
            "colour" => IsOneOf(value, "hex", "oklch"),
            "better" => IsOneOf(value, "more", "less"),
            "seen" => IsOneOf(value, "players", "nobody"),
            "usual" => value.ValueKind == JsonValueKind.Array
                && value.GetArrayLength() == 2
                && value.EnumerateArray().All(v => v.ValueKind == JsonValueKind.Number),
            "means" => value.ValueKind == JsonValueKind.Object
                && value.EnumerateObject().All(v => v.Value.ValueKind == JsonValueKind.String),
            // Read with what they stand at.
            "examples" or "inherits" or "ratios" or "scale" => true,
            _ => false,
        };

    private static bool IsOneOf(JsonElement value, params ReadOnlySpan<string> words) =>
        value.ValueKind == JsonValueKind.String && words.Contains(value.GetString());
}
