using System.Text;

namespace Underlay.Core.Formats.Json;

/// <summary>
/// Reads a JSON text from front to back and says what is wrong with it and where: as strict as hosts are, repeated keys and halves
/// of characters included. What it lets pass, every reader of JSON takes.
/// </summary>
/// <remarks>RFC 8259; the text has to be UTF-8.</remarks>
internal ref struct JsonScanner
{
    private readonly ReadOnlySpan<byte> utf8;
    private int at;
    private int depth;

    private JsonScanner(ReadOnlySpan<byte> utf8) => this.utf8 = utf8;

    /// <summary>The first problem, with the byte at which it stands; null for a text without one.</summary>
    public static (int At, string Says)? FindProblem(ReadOnlySpan<byte> utf8)
    {
        if (utf8.IndexOfAnyExcept(" \t\r\n"u8) < 0) return (utf8.Length, "it is empty");
        var scanner = new JsonScanner(utf8);
        var says = scanner.Value() ?? scanner.End();
        return says is null ? null : (scanner.at, says);
    }

    private readonly byte Here => at < utf8.Length ? utf8[at] : (byte)0;

    private readonly bool IsAtEnd => at >= utf8.Length;

    private static string TooEarly => "it ends before its last bracket or quote is closed";

    private string? End()
    {
        SkipSpace();
        return IsAtEnd ? null : Comment() ?? "something stands after the end";
    }

    private string? Value()
    {
        SkipSpace();
        if (IsAtEnd) return TooEarly;
        return Here switch
        {
            (byte)'{' => Object(),
            (byte)'[' => Array(),
            (byte)'"' => Text(out _),
            (byte)'-' or (>= (byte)'0' and <= (byte)'9') => Number(),
            (byte)'t' => Word("true"u8),
            (byte)'f' => Word("false"u8),
            (byte)'n' => Word("null"u8),
            _ => Comment() ?? "a value is wanted here",
        };
    }

    private string? Object()
    {
        if (Open() is { } tooDeep) return tooDeep;
        var keys = new HashSet<string>(StringComparer.Ordinal);
        SkipSpace();
        if (Here == '}') return Close();
        while (true)
        {
            SkipSpace();
            if (IsAtEnd) return TooEarly;
            if (Here != '"') return Comment() ?? "a name in double quotes is wanted here";
            var start = at;
            if (Text(out var key) is { } problem) return problem;
            if (!keys.Add(key))
            {
                at = start;
                return $"the key “{key}” stands twice in one object";
            }

            SkipSpace();
            if (IsAtEnd) return TooEarly;
            if (Here != ':') return Comment() ?? "a colon is wanted here";
            at++;
            if (Value() is { } inside) return inside;
            if (Next((byte)'}', out var closed) is { } wrong) return wrong;
            if (closed) return Close();
        }
    }

    private string? Array()
    {
        if (Open() is { } tooDeep) return tooDeep;
        SkipSpace();
        if (Here == ']') return Close();
        while (true)
        {
            if (Value() is { } inside) return inside;
            if (Next((byte)']', out var closed) is { } wrong) return wrong;
            if (closed) return Close();
        }
    }

    /// <summary>Passes the comma to the next member, or stops at the closing bracket.</summary>
    private string? Next(byte bracket, out bool closed)
    {
        SkipSpace();
        closed = Here == bracket;
        if (closed) return null;
        if (IsAtEnd) return TooEarly;
        if (Here != ',') return Comment() ?? "a comma or a closing bracket is wanted here";
        var comma = at++;
        SkipSpace();
        if (Here is not ((byte)'}' or (byte)']')) return null;
        at = comma;
        return "a comma stands before a closing bracket";
    }

    private string? Open()
    {
        if (++depth > TextLimit.MostDeep) return $"it is nested more than {TextLimit.MostDeep} deep";
        at++;
        return null;
    }

    private string? Close()
    {
        depth--;
        at++;
        return null;
    }

    private string? Text(out string text)
    {
        text = "";
        var start = ++at;
        while (true)
        {
            var next = utf8[at..].IndexOfAny((byte)'"', (byte)'\\');
            var until = next < 0 ? utf8.Length : at + next;
            if (utf8[at..until].IndexOfAnyInRange((byte)0, (byte)0x1F) is >= 0 and var control)
            {
                at += control;
                return "a line break or another control character stands within quotes";
            }

            at = until;
            if (next < 0) return TooEarly;
            if (Here == '"') break;
            if (Escape() is { } problem) return problem;
        }

        text = Plain(utf8[start..at++]);
        return null;
    }

    private string? Escape()
    {
        if (at + 1 >= utf8.Length)
        {
            at = utf8.Length;
            return TooEarly;
        }

        if (utf8[at + 1] != 'u')
        {
            if ("\"\\/bfnrt"u8.IndexOf(utf8[at + 1]) < 0) return "this escape is none that JSON knows";
            at += 2;
            return null;
        }

        if (Unit(at) is not { } unit) return at + 6 > utf8.Length ? TooEarly : "four digits from 0 to f are wanted after \\u";
        if (char.IsSurrogate(unit))
        {
            if (char.IsLowSurrogate(unit) || Unit(at + 6) is not { } second || !char.IsLowSurrogate(second))
                return "an escape (\\u…) names half a character";
            at += 6;
        }

        at += 6;
        return null;
    }

    /// <summary>The UTF-16 unit of the escape that begins at a byte; null where there is none.</summary>
    private readonly char? Unit(int start) =>
        start + 6 <= utf8.Length
        && utf8[start] == '\\'
        && utf8[start + 1] == 'u'
        && ushort.TryParse(
            utf8.Slice(start + 2, 4),
            System.Globalization.NumberStyles.AllowHexSpecifier,
            System.Globalization.CultureInfo.InvariantCulture,
            out var unit)
            ? (char)unit
            : null;

    private string? Number()
    {
        var start = at;
        if (Here == '-') at++;
        if (Here == '0') at++;
        else if (!Digits()) return NoNumber(start);
        if (Here == '.')
        {
            at++;
            if (!Digits()) return NoNumber(start);
        }

        if (Here is (byte)'e' or (byte)'E')
        {
            at++;
            if (Here is (byte)'+' or (byte)'-') at++;
            if (!Digits()) return NoNumber(start);
        }

        // 01, 1x and the like: what follows a number has to end it.
        return IsAtEnd || ",]} \t\r\n/"u8.IndexOf(Here) >= 0 ? null : NoNumber(start);
    }

    private string NoNumber(int start)
    {
        if (IsAtEnd) return TooEarly;
        at = start;
        return "this is no number as JSON writes it: 12, 0.5 or -3";
    }

    private bool Digits()
    {
        var start = at;
        while (Here is >= (byte)'0' and <= (byte)'9') at++;
        return at > start;
    }

    private string? Word(ReadOnlySpan<byte> word)
    {
        if (!utf8[at..].StartsWith(word)) return word.StartsWith(utf8[at..]) ? TooEarly : "a value is wanted here";
        at += word.Length;
        return null;
    }

    private readonly string? Comment() => Here is (byte)'/' or (byte)'#' ? "a comment stands here, which JSON does not have" : null;

    private void SkipSpace()
    {
        while (!IsAtEnd && utf8[at] is (byte)' ' or (byte)'\t' or (byte)'\r' or (byte)'\n') at++;
    }

    private static string Plain(ReadOnlySpan<byte> quoted)
    {
        if (!quoted.Contains((byte)'\\')) return Encoding.UTF8.GetString(quoted);
        var reader = new System.Text.Json.Utf8JsonReader([(byte)'"', .. quoted, (byte)'"']);
        reader.Read();
        return reader.GetString()!;
    }
}
