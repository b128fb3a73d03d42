namespace Underlay.Core.Manifests;

/// <summary>What an author says once of themselves, for every manifest that is written.</summary>
/// <param name="Name">For people; null where it was not said.</param>
/// <param name="Prefix">The leading name of ids and files; null where it was not said.</param>
public sealed record Author(string? Name, string? Prefix)
{
    private const int LongestName = 80, LongestPrefix = 30;

    /// <summary>Nothing was said.</summary>
    public static Author Unknown { get; } = new(null, null);

    /// <summary>What is wrong with a name, or null.</summary>
    public static string? FaultOfName(string name) =>
        name.Length is > 0 and <= LongestName ? null : $"The author’s name is wanted, of 1 to {LongestName} characters.";

    /// <summary>What is wrong with a prefix, or null.</summary>
    public static string? FaultOfPrefix(string prefix) =>
        prefix.Length is > 0 and <= LongestPrefix && prefix.All(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c) || c == '_')
            ? null
            : $"A prefix of 1 to {LongestPrefix} characters is wanted, made of a to z, 0 to 9 and _.";
}
