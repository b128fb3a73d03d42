using System.Text.Json;

namespace Underlay.Core.Formats.Json;

/// <summary>Finds the objects in a JSON text that as a whole cannot be read: a comma that is missing leaves them sound.</summary>
internal static class JsonSalvage
{
    /// <summary>
    /// The objects behind the first bracket of a list, in order, as offsets of bytes: each the largest that can be read by itself. What
    /// stands in none of them is damaged.
    /// </summary>
    /// <remarks>Each byte is looked at as many times as a text may be deep, at most.</remarks>
    public static IReadOnlyList<Range> Objects(ReadOnlySpan<byte> utf8)
    {
        var found = new List<Range>();
        var at = utf8.IndexOf((byte)'[') + 1;
        while (utf8[at..].IndexOf((byte)'{') is >= 0 and var ahead)
        {
            at += ahead;
            if (LengthOf(utf8[at..]) is not { } length)
            {
                at++;
                continue;
            }

            found.Add(at..(at + length));
            at += length;
        }

        return found;
    }

    /// <summary>How many bytes the value has that a text begins with; null where it cannot be read.</summary>
    private static int? LengthOf(ReadOnlySpan<byte> utf8)
    {
        var options = new JsonReaderOptions { MaxDepth = TextLimit.MostDeep };
        var reader = new Utf8JsonReader(utf8, isFinalBlock: true, new JsonReaderState(options));
        try
        {
            reader.Read();
            return reader.TrySkip() ? (int)reader.BytesConsumed : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
