using Underlay.Core.Formats;
using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.Steps;

/// <summary>
/// Tells whether a picture that an author gives back is a new source, or what the steps made, drawn on further. Run through
/// the steps again, a result that was enlarged would be enlarged twice.
/// </summary>
public static class ReturnedResult
{
    private const double MostlySame = 0.5;

    /// <summary>True when it has the size, or most of the pixels, of what the steps made, and not of what they started from.</summary>
    /// <param name="tree">The pack.</param>
    /// <param name="path">The picture.</param>
    /// <param name="given">What the author saved.</param>
    public static bool Is(FileTree tree, PackPath path, byte[] given)
    {
        // The picture may have been given back before: what the steps made is made again.
        if (StepsFile.Read(tree, path) is not { Steps.Count: > 0 } known || Shaping.FindSource(tree, path, known.Source) is not { } from)
            return false;
        if (SourceReader.Describe(given) is not { Size: var size } || SourceReader.Read(from).Picture is not { } source) return false;
        if (Shaping.Run(from, known.Steps, FileFormats.Png).Bytes is not { } made
            || SourceReader.Read(made).Picture is not { } result
            || size != result.Size)
            return false;
        if (size != source.Size) return true;
        if (SourceReader.Read(given).Picture is not { } picture) return false;
        var toResult = Same(picture, result);
        return toResult >= MostlySame && toResult > Same(picture, source);
    }

    /// <summary>The edits that take it as what it is: the picture itself. Source and steps stay for the next new source.</summary>
    public static ShapingResult Take(FileTree tree, PackPath path, byte[] given)
    {
        var format = Shaping.FormatAt(path);
        if (format.Inspect(given, PixelNeed.None).IsReadable) return new ShapingResult([new TreeEdit.Write(path, given)], null);
        var (bytes, problem) = Shaping.Run(given, [], format);
        return bytes is null ? new ShapingResult([], problem) : new ShapingResult([new TreeEdit.Write(path, bytes)], null);
    }

    /// <summary>The share of pixels that two pictures of one size have alike; clear pixels are alike whatever their colours.</summary>
    private static double Same(RgbaPicture one, RgbaPicture other)
    {
        int same = 0, all = one.Rgba.Length / 4;
        for (var i = 0; i < one.Rgba.Length; i += 4)
        {
            ReadOnlySpan<byte> a = one.Rgba.AsSpan(i, 4), b = other.Rgba.AsSpan(i, 4);
            if (a.SequenceEqual(b) || (a[3] == 0 && b[3] == 0)) same++;
        }

        return (double)same / all;
    }
}
