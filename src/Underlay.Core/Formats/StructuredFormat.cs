using Underlay.Core.Formats.Json;

namespace Underlay.Core.Formats;

/// <summary>A format of texts that say what JSON says, so that kinds judge them alike.</summary>
public abstract class StructuredFormat : TextFormat
{
    /// <summary>How the profile names the format.</summary>
    public string Word => Language;

    /// <summary>Reads a text as hosts do.</summary>
    public abstract JsonText Read(byte[] utf8);

    /// <summary>
    /// The text with another value at a pointer, in place of the one there or as a new field; all else stays as the author wrote it.
    /// </summary>
    /// <param name="utf8">A text that can be read.</param>
    /// <param name="pointer">Pointer to a field.</param>
    /// <param name="value">The value as JSON.</param>
    /// <exception cref="InvalidOperationException">The pointer leads through something that has no fields.</exception>
    public abstract byte[] Set(byte[] utf8, string pointer, byte[] value);
}
