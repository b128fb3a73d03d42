using Underlay.Core.Formats.Json;
namespace Underlay.Core.Entries;

/// <summary>Names fields in sentences.</summary>
public static class FieldName
{
    /// <summary>The field at a pointer, in quotes: “price”, “surface” of “under”.</summary>
    public static string Quote(string pointer)
    {
        var tokens = JsonText.Tokens(pointer).ToArray();
        Array.Reverse(tokens);
        return string.Join(" of ", tokens.Select(t => $"“{t}”"));
    }
}
