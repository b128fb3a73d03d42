namespace Underlay.Core.Formats.Xml;

/// <summary>What stands before the root of an XML text.</summary>
/// <remarks>XML 1.0, production 22, "prolog".</remarks>
internal static class XmlProlog
{
    private static readonly (string Opens, string Closes)[] Passed = [("<?", "?>"), ("<!--", "-->")];

    /// <summary>Where a document type stands, in characters from the start; null where there is none.</summary>
    public static int? FindDocumentType(string text)
    {
        var at = 0;
        while (true)
        {
            while (at < text.Length && (char.IsWhiteSpace(text[at]) || text[at] == '\uFEFF')) at++;
            var rest = text.AsSpan(at);
            if (rest.StartsWith("<!DOCTYPE", StringComparison.Ordinal)) return at;
            if (Length(rest) is not { } length) return null;
            at += length;
        }
    }

    private static int? Length(ReadOnlySpan<char> rest)
    {
        foreach (var (opens, closes) in Passed)
        {
            if (rest.StartsWith(opens, StringComparison.Ordinal)
                && rest[opens.Length..].IndexOf(closes, StringComparison.Ordinal) is >= 0 and var end)
                return opens.Length + end + closes.Length;
        }

        return null;
    }
}
