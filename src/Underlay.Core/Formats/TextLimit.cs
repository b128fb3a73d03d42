namespace Underlay.Core.Formats;

/// <summary>How much text a host reads: definitions, tables and indexes are short, and a hostile one is not to fill the memory.</summary>
public static class TextLimit
{
    /// <summary>The most bytes of a text.</summary>
    public const int MostBytes = 16 * 1024 * 1024;

    /// <summary>How deep a text may nest.</summary>
    public const int MostDeep = 64;

    /// <summary>Why a text is too long, as the end of a sentence; null when it is not.</summary>
    public static string? FindProblem(int length) => length > MostBytes ? "it is longer than 16 MiB" : null;
}
