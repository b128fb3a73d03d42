using System.Globalization;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Entries;

/// <summary>Names fields in sentences.</summary>
public static class FieldName
{
    /// <summary>
    /// The field at a pointer, in quotes: “price”, “surface” of “under”, “ware” of number 2 of “uses”.
    /// </summary>
    public static string Quote(string pointer)
    {
        var tokens = JsonText.Tokens(pointer).ToArray();
        Array.Reverse(tokens);
        return string.Join(" of ", tokens.Where(t => t != "*").Select(Name));
    }

    /// <summary>The fields on the way to a value, without the numbers of lists: under · surface.</summary>
    public static string Words(string pointer) =>
        string.Join(
            " · ",
            JsonText.Tokens(pointer).ToArray().Where(t => t != "*" && !t.All(char.IsAsciiDigit)).Select(t => t.Replace('_', ' ')));

    /// <summary>A token; a number counts the items of a list from 0.</summary>
    private static string Name(string token) =>
        int.TryParse(token, NumberStyles.None, CultureInfo.InvariantCulture, out var index) ? $"number {index + 1L}"
            : token.Length == 0 ? "the field without a name"
            : $"“{token}”";
}
