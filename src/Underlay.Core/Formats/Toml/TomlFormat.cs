using Underlay.Core.Formats.Json;

namespace Underlay.Core.Formats.Toml;

/// <summary>TOML 1.0.</summary>
public sealed class TomlFormat : StructuredFormat
{
    /// <inheritdoc/>
    public override string Name => "TOML";

    /// <inheritdoc/>
    public override string Language => "toml";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".toml"];

    /// <inheritdoc/>
    public override JsonText Read(byte[] utf8) => TomlText.Parse(utf8);

    /// <inheritdoc/>
    public override byte[] Set(byte[] utf8, string pointer, byte[] value) => TomlEdit.Set(utf8, pointer, value);
}
