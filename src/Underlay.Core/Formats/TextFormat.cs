namespace Underlay.Core.Formats;

/// <summary>A format of texts. Texts begin as they like, so their formats are told by where they lie.</summary>
public abstract class TextFormat : FileFormat
{
    /// <summary>What an editor is told to take it for: "json".</summary>
    public abstract string Language { get; }

    /// <inheritdoc/>
    public sealed override string MediaType => "text/plain; charset=utf-8";

    /// <inheritdoc/>
    public override string One => $"a {Name} text";

    /// <inheritdoc/>
    public sealed override bool Begins(ReadOnlySpan<byte> head) => false;
}
