namespace Underlay.Core.Formats;

/// <summary>A place in a text file, both counted from 1; columns count characters.</summary>
public readonly record struct TextPosition(int Line, int Column)
{
    /// <summary>The position of a byte in UTF-8 text.</summary>
    /// <param name="utf8">The text.</param>
    /// <param name="offset">Bytes from the start.</param>
    public static TextPosition Of(ReadOnlySpan<byte> utf8, int offset)
    {
        var before = utf8[..Math.Clamp(offset, 0, utf8.Length)];
        var lineStart = before.LastIndexOf((byte)'\n') + 1;
        var column = 1;
        foreach (var b in before[lineStart..])
            if ((b & 0xC0) != 0x80) column++;
        return new TextPosition(before.Count((byte)'\n') + 1, column);
    }

    /// <summary>The position of a character in a text.</summary>
    /// <param name="text">The text.</param>
    /// <param name="offset">Characters from the start.</param>
    public static TextPosition In(string text, int offset)
    {
        var before = text.AsSpan(0, offset);
        return new TextPosition(before.Count('\n') + 1, offset - before.LastIndexOf('\n'));
    }

    /// <inheritdoc/>
    public override string ToString() => $"line {Line}, column {Column}";
}
