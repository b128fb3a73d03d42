using System.Runtime.CompilerServices;
using Underlay.Core.Images;
namespace Underlay.Core.Formats.Png;

/// <summary>Where each pixel of a PNG stands in its inflated rows: one pass, or the seven of Adam7.</summary>
/// <remarks>PNG specification, section 8.2, "Interlaced data order".</remarks>
internal sealed class PngLayout
{
    private static readonly (int X, int Y, int StepX, int StepY)[] Adam7 =
    [
        (0, 0, 8, 8), (4, 0, 8, 8), (0, 4, 4, 8), (2, 0, 4, 4), (0, 2, 2, 4), (1, 0, 2, 2), (0, 1, 1, 2),
    ];

    private readonly PngChunks chunks;
    private readonly List<Pass> passes = [];

    public PngLayout(PngChunks chunks)
    {
        this.chunks = chunks;
        (int X, int Y, int StepX, int StepY)[] grids = chunks.Interlaced ? Adam7 : [(0, 0, 1, 1)];
        foreach (var (x, y, stepX, stepY) in grids)
        {
            var width = (chunks.Size.Width - x + stepX - 1) / stepX;
            var height = (chunks.Size.Height - y + stepY - 1) / stepY;
            if (width <= 0 || height <= 0) continue;
            var rowBytes = width * chunks.PixelBytes;
            passes.Add(new Pass(TotalBytes, rowBytes, width, height, x, y, stepX, stepY));
            TotalBytes += (rowBytes + 1) * height;
        }
    }

    /// <summary>Bytes of all rows with their filter types.</summary>
    public int TotalBytes { get; }

    public string? FindUnknownFilter(ReadOnlySpan<byte> rows)
    {
        foreach (var pass in passes)
            if (PngFilters.FirstUnknown(rows.Slice(pass.Start, pass.Bytes), pass.RowBytes) is { } filter)
                return $"a row has a filter type {filter}, which does not exist";
        return null;
    }

    public void ReverseFilters(Span<byte> rows)
    {
        foreach (var pass in passes) PngFilters.Reverse(rows.Slice(pass.Start, pass.Bytes), pass.RowBytes, chunks.PixelBytes);
    }

    /// <summary>The problem when an index of unfiltered palette rows points behind the palette.</summary>
    public string? FindIndexOutside(ReadOnlySpan<byte> rows, int colours)
    {
        if (colours == 256) return null;
        foreach (var pass in passes)
            for (var y = 0; y < pass.Height; y++)
            {
                var row = pass.Row(rows, y);
                var found = row.IndexOfAnyExceptInRange((byte)0, (byte)(colours - 1));
                if (found >= 0) return $"a pixel points to colour {row[found]} of a palette of {colours}";
            }

        return null;
    }

    /// <summary>Writes unfiltered rows as red, green, blue, alpha in picture order.</summary>
    public void Expand(ReadOnlySpan<byte> rows, Span<byte> rgba)
    {
        foreach (var pass in passes)
            for (var y = 0; y < pass.Height; y++)
            {
                var row = pass.Row(rows, y);
                var to = ((pass.Y + (y * pass.StepY)) * chunks.Size.Width + pass.X) * 4;
                if (chunks.IsDeep) ExpandDeepRow(row, rgba[to..], pass.StepX * 4);
                else ExpandRow(row, rgba[to..], pass.StepX * 4);
            }
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void ExpandRow(ReadOnlySpan<byte> row, Span<byte> to, int step)
    {
        var transparent = chunks.Transparency.Span;
        var at = 0;
        switch (chunks.Colour)
        {
            case PngColour.Rgba:
                if (step == 4)
                {
                    row.CopyTo(to);
                    return;
                }

                for (var i = 0; i < row.Length; i += 4, at += step) row.Slice(i, 4).CopyTo(to[at..]);
                return;
            case PngColour.Rgb:
                // 16-bit samples are stored even for 8-bit pictures; the upper byte must be 0 to match one.
                var keyed = transparent.Length == 6 && transparent[0] == 0 && transparent[2] == 0 && transparent[4] == 0;
                for (var i = 0; i < row.Length; i += 3, at += step)
                {
                    to[at] = row[i];
                    to[at + 1] = row[i + 1];
                    to[at + 2] = row[i + 2];
                    var clear = keyed && row[i] == transparent[1] && row[i + 1] == transparent[3] && row[i + 2] == transparent[5];
                    to[at + 3] = clear ? (byte)0 : (byte)255;
                }

                return;
            case PngColour.Grey:
                var grey = transparent.Length == 2 && transparent[0] == 0 ? transparent[1] : -1;
                for (var i = 0; i < row.Length; i++, at += step)
                {
                    to[at] = to[at + 1] = to[at + 2] = row[i];
                    to[at + 3] = row[i] == grey ? (byte)0 : (byte)255;
                }

                return;
            case PngColour.GreyAlpha:
                for (var i = 0; i < row.Length; i += 2, at += step)
                {
                    to[at] = to[at + 1] = to[at + 2] = row[i];
                    to[at + 3] = row[i + 1];
                }

                return;
            default:
                var palette = chunks.Palette.Span;
                for (var i = 0; i < row.Length; i++, at += step)
                {
                    palette.Slice(row[i] * 3, 3).CopyTo(to[at..]);
                    to[at + 3] = row[i] < transparent.Length ? transparent[row[i]] : (byte)255;
                }

                return;
        }
    }

    /// <summary>Rows of 16 bits a channel, rounded to 8; a transparent colour is compared before.</summary>
    private void ExpandDeepRow(ReadOnlySpan<byte> row, Span<byte> to, int step)
    {
        var transparent = chunks.Transparency.Span;
        for (int i = 0, at = 0; i < row.Length; i += chunks.PixelBytes, at += step)
        {
            var pixel = row.Slice(i, chunks.PixelBytes);
            var isGrey = chunks.Channels < 3;
            for (var c = 0; c < 3; c++) to[at + c] = Rounded(pixel, isGrey ? 0 : c);
            to[at + 3] = chunks.Colour is PngColour.GreyAlpha or PngColour.Rgba
                ? Rounded(pixel, chunks.Channels - 1)
                : !transparent.IsEmpty && pixel.SequenceEqual(transparent) ? (byte)0 : (byte)255;
        }
    }

    private static byte Rounded(ReadOnlySpan<byte> pixel, int channel) =>
        (byte)((((pixel[channel * 2] << 8) | pixel[(channel * 2) + 1]) + 128) / 257);

    private sealed record Pass(int Start, int RowBytes, int Width, int Height, int X, int Y, int StepX, int StepY)
    {
        public int Bytes => (RowBytes + 1) * Height;

        public ReadOnlySpan<byte> Row(ReadOnlySpan<byte> rows, int y) => rows.Slice(Start + (y * (RowBytes + 1)) + 1, RowBytes);
    }
}
