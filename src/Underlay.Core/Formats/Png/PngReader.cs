using System.Buffers;
using Underlay.Core.Images;

namespace Underlay.Core.Formats.Png;

/// <summary>Reads PNG files as the hosts do: facts in one pass, pixels on request.</summary>
public static class PngReader
{
    /// <summary>The most pixels on a side; larger headers are refused before a pixel is decoded.</summary>
    public const int MaxSide = PackPictureFormat.MaxSide;

    /// <summary>True when the bytes begin as a PNG does.</summary>
    public static bool IsPng(ReadOnlySpan<byte> bytes) => PngChunks.Begins(bytes);

    /// <summary>
    /// Checks the whole structure and gathers the facts. Pixels are unfiltered and looked at only when asked for,
    /// and never before the header was found sound.
    /// </summary>
    /// <param name="file">The file's bytes.</param>
    /// <param name="need">Which pixel facts are wanted.</param>
    public static PictureFacts Inspect(ReadOnlyMemory<byte> file, PixelNeed need)
    {
        var (chunks, problem) = PngChunks.Read(file);
        if (problem is not null) return new PictureFacts(problem, chunks.Size.Width > 0 ? chunks.Header : null, null);
        var layout = new PngLayout(chunks);
        var rows = ArrayPool<byte>.Shared.Rent(layout.TotalBytes);
        try
        {
            var span = rows.AsSpan(0, layout.TotalBytes);
            problem = PngInflater.Inflate(chunks.Data, span) ?? layout.FindUnknownFilter(span);
            if (problem is null && chunks.Colour == PngColour.Palette)
            {
                layout.ReverseFilters(span);
                problem = layout.FindIndexOutside(span, chunks.Palette.Length / 3);
            }

            if (problem is not null) return new PictureFacts(problem, chunks.Header, null);
            if (need == PixelNeed.None) return new PictureFacts(null, chunks.Header, null);
            if (need == PixelNeed.Alpha && !chunks.HasAlpha)
                return new PictureFacts(null, chunks.Header, PixelMeasure.OfSolid(chunks.Size));
            if (chunks.Colour != PngColour.Palette) layout.ReverseFilters(span);
            var length = chunks.Size.Width * chunks.Size.Height * 4;
            var rgba = ArrayPool<byte>.Shared.Rent(length);
            try
            {
                layout.Expand(span, rgba.AsSpan(0, length));
                return new PictureFacts(null, chunks.Header, PixelMeasure.Take(rgba.AsSpan(0, length), chunks.Size, need));
            }
            finally
            {
                ArrayPool<byte>.Shared.Return(rgba);
            }
        }
        finally
        {
            ArrayPool<byte>.Shared.Return(rows);
        }
    }

    /// <summary>Decodes to red, green, blue, alpha, 8 bits each, alpha not multiplied in, rows from the top.</summary>
    /// <param name="file">The file's bytes.</param>
    /// <param name="takesDeep">Whether 16 bits a channel, which hosts do not read, are taken and rounded.</param>
    /// <returns>The pixels, or the problem.</returns>
    public static (byte[]? Rgba, PixelSize Size, string? Problem) Decode(ReadOnlyMemory<byte> file, bool takesDeep = false)
    {
        var (chunks, problem) = PngChunks.Read(file, takesDeep);
        if (problem is not null) return (null, default, problem);
        var layout = new PngLayout(chunks);
        var rented = ArrayPool<byte>.Shared.Rent(layout.TotalBytes);
        try
        {
            var rows = rented.AsSpan(0, layout.TotalBytes);
            problem = PngInflater.Inflate(chunks.Data, rows) ?? layout.FindUnknownFilter(rows);
            if (problem is not null) return (null, default, problem);
            layout.ReverseFilters(rows);
            if (chunks.Colour == PngColour.Palette) problem = layout.FindIndexOutside(rows, chunks.Palette.Length / 3);
            if (problem is not null) return (null, default, problem);
            var rgba = new byte[chunks.Size.Width * chunks.Size.Height * 4];
            layout.Expand(rows, rgba);
            return (rgba, chunks.Size, null);
        }
        finally
        {
            ArrayPool<byte>.Shared.Return(rented);
        }
    }
}
