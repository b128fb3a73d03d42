namespace Underlay.Core.Images;

/// <summary>Finds the one colour on which a picture that lost its alpha was laid, and takes it away again.</summary>
public static class Matte
{
    // Editors round: a matte's pixels may be this far apart in a channel.
    private const int Slack = 4;
    private const double RingShare = 0.8;

    // The least side of a rectangle in which a subject can be told from its ground.
    private const int LeastSide = 8;

    /// <summary>The colour of most of the outer ring, when the ring has one; alpha 255.</summary>
    public static (byte R, byte G, byte B)? Find(RgbaPicture picture)
    {
        var ring = Ring(picture.Size).Select(p => picture.At(p.X, p.Y).ToArray()).ToList();
        var most = ring.GroupBy(p => (p[0], p[1], p[2])).OrderByDescending(g => g.Count()).First();
        var near = ring.Count(p => IsNear(p, most.Key));
        return near >= ring.Count * RingShare ? most.Key : null;
    }

    /// <summary>The part of a picture that is seen, where that is one solid rectangle; null where it is cut out around a form.</summary>
    public static RgbaPicture? BoxOf(RgbaPicture picture)
    {
        int left = picture.Size.Width, top = picture.Size.Height, right = -1, bottom = -1;
        for (var y = 0; y < picture.Size.Height; y++)
            for (var x = 0; x < picture.Size.Width; x++)
            {
                // Scaling leaves a faint rim around what was solid.
                if (picture.At(x, y)[3] < 128) continue;
                (left, right) = (Math.Min(left, x), Math.Max(right, x));
                (top, bottom) = (Math.Min(top, y), Math.Max(bottom, y));
            }

        if (right - left < LeastSide - 1 || bottom - top < LeastSide - 1) return null;
        var box = RgbaPicture.Clear(new PixelSize(right - left + 1, bottom - top + 1));
        var solid = 0;
        for (var y = top; y <= bottom; y++)
            for (var x = left; x <= right; x++)
            {
                var pixel = picture.At(x, y);
                pixel.CopyTo(box.At(x - left, y - top));
                if (pixel[3] >= 128) solid++;
            }

        return solid == box.Size.Width * box.Size.Height ? box : null;
    }

    /// <summary>How much of a picture is the matte around what it shows, 0 to 1.</summary>
    public static double ShareOf(RgbaPicture picture, (byte R, byte G, byte B) matte)
    {
        var outside = Flood(picture, matte);
        return outside.Count(o => o) / (double)outside.Length;
    }

    /// <summary>
    /// The picture without the matte: what is connected to the edge in its colour is clear; the pixels between that and the
    /// picture are taken apart into the nearest inner colour and as much alpha as the mixture shows.
    /// </summary>
    public static RgbaPicture Cut(RgbaPicture picture, (byte R, byte G, byte B) matte)
    {
        var (width, height) = (picture.Size.Width, picture.Size.Height);
        var outside = Flood(picture, matte);
        var result = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        for (var y = 0; y < height; y++)
            for (var x = 0; x < width; x++)
            {
                if (outside[(y * width) + x]) result.At(x, y)[3] = 0;
                else if (Touches(outside, picture.Size, x, y) && NearestInside(picture, outside, x, y, 3) is { } solid)
                {
                    var pixel = result.At(x, y);
                    pixel[3] = AlphaOf(picture.At(x, y), solid, matte);
                    if (pixel[3] < 255) solid.AsSpan(0, 3).CopyTo(pixel);
                }
            }

        CarryOutside(result, outside);
        return result;
    }

    /// <summary>
    /// Gives what is clear the colour of the nearest pixel that is seen, all the way out: the matte would show as a seam wherever the
    /// picture is scaled, by whatever factor.
    /// </summary>
    private static void CarryOutside(RgbaPicture picture, bool[] outside)
    {
        var (width, height) = (picture.Size.Width, picture.Size.Height);
        var open = new Queue<(int X, int Y)>();
        var coloured = new bool[outside.Length];
        for (var y = 0; y < height; y++)
            for (var x = 0; x < width; x++)
                if (!outside[(y * width) + x])
                {
                    coloured[(y * width) + x] = true;
                    if (Touches(outside, picture.Size, x, y)) open.Enqueue((x, y));
                }

        while (open.TryDequeue(out var at))
            foreach (var (x, y) in ((int X, int Y)[])[(at.X - 1, at.Y), (at.X + 1, at.Y), (at.X, at.Y - 1), (at.X, at.Y + 1)])
            {
                if (x < 0 || y < 0 || x >= width || y >= height || coloured[(y * width) + x]) continue;
                coloured[(y * width) + x] = true;
                picture.At(at.X, at.Y)[..3].CopyTo(picture.At(x, y));
                open.Enqueue((x, y));
            }
    }

    private static bool[] Flood(RgbaPicture picture, (byte R, byte G, byte B) matte)
    {
        var (width, height) = (picture.Size.Width, picture.Size.Height);
        var outside = new bool[width * height];
        var open = new Stack<(int X, int Y)>();
        foreach (var (x, y) in Ring(picture.Size)) open.Push((x, y));
        while (open.TryPop(out var at))
        {
            if (at.X < 0
                || at.Y < 0
                || at.X >= width
                || at.Y >= height
                || outside[(at.Y * width) + at.X]
                || !IsOutside(picture.At(at.X, at.Y), matte))
                continue;
            outside[(at.Y * width) + at.X] = true;
            open.Push((at.X + 1, at.Y));
            open.Push((at.X - 1, at.Y));
            open.Push((at.X, at.Y + 1));
            open.Push((at.X, at.Y - 1));
        }

        return outside;
    }

    private static IEnumerable<(int X, int Y)> Ring(PixelSize size)
    {
        for (var x = 0; x < size.Width; x++)
        {
            yield return (x, 0);
            if (size.Height > 1) yield return (x, size.Height - 1);
        }

        for (var y = 1; y < size.Height - 1; y++)
        {
            yield return (0, y);
            if (size.Width > 1) yield return (size.Width - 1, y);
        }
    }

    private static bool Touches(bool[] outside, PixelSize size, int x, int y)
    {
        for (var dy = -1; dy <= 1; dy++)
            for (var dx = -1; dx <= 1; dx++)
                if (x + dx >= 0 && y + dy >= 0 && x + dx < size.Width && y + dy < size.Height && outside[((y + dy) * size.Width) + x + dx])
                    return true;
        return false;
    }

    /// <summary>The nearest pixel inside that does not touch the outside, so that it is no mixture.</summary>
    private static byte[]? NearestInside(RgbaPicture picture, bool[] outside, int x, int y, int reach)
    {
        byte[]? found = null;
        var nearest = int.MaxValue;
        for (var dy = -reach; dy <= reach; dy++)
            for (var dx = -reach; dx <= reach; dx++)
            {
                int px = x + dx, py = y + dy, distance = (dx * dx) + (dy * dy);
                if (px < 0 || py < 0 || px >= picture.Size.Width || py >= picture.Size.Height || distance >= nearest) continue;
                if (outside[(py * picture.Size.Width) + px] || Touches(outside, picture.Size, px, py)) continue;
                nearest = distance;
                found = picture.At(px, py).ToArray();
            }

        return found;
    }

    /// <summary>How much of the solid colour is in a mixture with the matte, by the channels in which they differ.</summary>
    private static byte AlphaOf(ReadOnlySpan<byte> mixture, byte[] solid, (byte R, byte G, byte B) matte)
    {
        double along = 0, length = 0;
        ReadOnlySpan<byte> ground = [matte.R, matte.G, matte.B];
        for (var c = 0; c < 3; c++)
        {
            along += (mixture[c] - ground[c]) * (double)(solid[c] - ground[c]);
            length += (solid[c] - ground[c]) * (double)(solid[c] - ground[c]);
        }

        return length == 0 ? (byte)255 : (byte)Math.Round(Math.Clamp(along / length, 0, 1) * 255);
    }

    /// <summary>What is clear already is outside too: a rim around the matte does not keep it.</summary>
    private static bool IsOutside(ReadOnlySpan<byte> pixel, (byte R, byte G, byte B) matte) => pixel[3] == 0 || IsNear(pixel, matte);

    private static bool IsNear(ReadOnlySpan<byte> pixel, (byte R, byte G, byte B) colour) =>
        Math.Abs(pixel[0] - colour.R) <= Slack && Math.Abs(pixel[1] - colour.G) <= Slack && Math.Abs(pixel[2] - colour.B) <= Slack;
}
