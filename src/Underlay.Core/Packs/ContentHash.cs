using System.Security.Cryptography;

namespace Underlay.Core.Packs;

/// <summary>The SHA-256 of a file's bytes, as 64 lower-case hexadecimal digits.</summary>
public readonly record struct ContentHash
{
    private readonly string? hex;

    private ContentHash(string hex) => this.hex = hex;

    /// <summary>The 64 digits.</summary>
    public string Hex => hex ?? "";

    /// <summary>Hashes the bytes.</summary>
    public static ContentHash Of(ReadOnlySpan<byte> bytes)
    {
        Span<byte> hash = stackalloc byte[SHA256.HashSizeInBytes];
        SHA256.HashData(bytes, hash);
        return new ContentHash(Convert.ToHexStringLower(hash));
    }

    /// <summary>Reads the 64 digits back.</summary>
    /// <exception cref="FormatException">The text is not 64 lower-case hexadecimal digits.</exception>
    public static ContentHash Parse(string hex) =>
        TryParse(hex, out var hash) ? hash : throw new FormatException($"“{hex}” is not a SHA-256.");

    /// <summary>Reads the 64 digits back, if they are sound.</summary>
    public static bool TryParse(string? hex, out ContentHash hash)
    {
        var sound = hex is { Length: 64 } && hex.All(char.IsAsciiHexDigitLower);
        hash = sound ? new ContentHash(hex!) : default;
        return sound;
    }

    /// <inheritdoc/>
    public override string ToString() => Hex;
}
