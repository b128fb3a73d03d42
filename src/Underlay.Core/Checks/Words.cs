namespace Underlay.Core.Checks;

/// <summary>Small helps for sentences.</summary>
internal static class Words
{
    /// <summary>The text with its first letter in upper case.</summary>
    public static string Capitalised(this string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];
}
