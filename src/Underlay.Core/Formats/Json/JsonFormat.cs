namespace Underlay.Core.Formats.Json;

/// <summary>JSON, RFC 8259.</summary>
public sealed class JsonFormat : StructuredFormat
{
    /// <inheritdoc/>
    public override string Name => "JSON";

    /// <inheritdoc/>
    public override string Language => "json";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".json"];

    /// <inheritdoc/>
    public override JsonText Read(byte[] utf8) => JsonText.Parse(utf8);

    /// <inheritdoc/>
    public override byte[] Set(byte[] utf8, string pointer, byte[] value) => JsonEdit.Set(JsonText.Parse(utf8), pointer, value);
}
