namespace Underlay.Core.Formats.Xml;

/// <summary>XML 1.0.</summary>
public sealed class XmlFormat : TextFormat
{
    /// <inheritdoc/>
    public override string Name => "XML";

    /// <inheritdoc/>
    public override string One => "an XML text";

    /// <inheritdoc/>
    public override string Language => "xml";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".xml"];
}
