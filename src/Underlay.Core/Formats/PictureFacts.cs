using Underlay.Core.Images;

namespace Underlay.Core.Formats;

/// <summary>The facts of one picture file: a problem, or a header and, where a rule asked for them, pixel facts.</summary>
/// <param name="Problem">Why the file is no readable picture, as the end of a sentence: "its IDAT chunk has a wrong CRC".</param>
/// <param name="Header">The header. Given with a problem too when the header itself was sound.</param>
/// <param name="Pixels">Null when no rule asked, or when there is a problem.</param>
public sealed record PictureFacts(string? Problem, PictureHeader? Header, PixelFacts? Pixels) : ContentFacts
{
    /// <inheritdoc/>
    public override TextProblem? Unreadable => Problem is null ? null : new TextProblem(null, Problem);

    /// <summary>True when a host can read the picture.</summary>
    public bool IsReadable => Problem is null;
}
