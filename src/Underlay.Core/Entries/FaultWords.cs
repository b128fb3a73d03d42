using System.Text.Json;

namespace Underlay.Core.Entries;

/// <summary>Shows values in sentences.</summary>
internal static class FaultWords
{
    private const int Longest = 40;

    /// <summary>The value as the end of "… is": short, and in words where it has no short form.</summary>
    public static string Show(JsonElement value) => value.ValueKind switch
    {
        JsonValueKind.Null => "null",
        JsonValueKind.Object => "an object",
        JsonValueKind.Array => "a list",
        JsonValueKind.String => value.GetString() is { Length: > 0 } text ? $"“{Cut(text)}”" : "empty",
        _ => Cut(value.GetRawText()),
    };

    private static string Cut(string text) => text.Length > Longest ? text[..Longest] + "…" : text;
}
