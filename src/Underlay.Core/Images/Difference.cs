namespace Underlay.Core.Images;

/// <summary>Where and how much two pictures differ, as a picture.</summary>
public static class Difference
{
    /// <summary>
    /// Each pixel is black where both agree and brighter the more the strongest channel differs; alpha counts as a channel, and
    /// colours below clear alpha count as none. The smaller picture is enlarged to the larger by nearest neighbour.
    /// </summary>
    /// <returns>An opaque grey picture of the larger size, and the share of pixels that differ.</returns>
    public static (RgbaPicture Picture, double Share) Of(RgbaPicture one, RgbaPicture other)
    {
        var size = new PixelSize(Math.Max(one.Size.Width, other.Size.Width), Math.Max(one.Size.Height, other.Size.Height));
        var (a, b) = (Resampler.Nearest(one, size).Rgba, Resampler.Nearest(other, size).Rgba);
        var grey = new byte[a.Length];
        long differ = 0;
        for (var i = 0; i < a.Length; i += 4)
        {
            var most = Strongest(a.AsSpan(i, 4), b.AsSpan(i, 4));
            if (most > 0) differ++;
            // The least difference is still seen on black.
            var shade = (byte)(most == 0 ? 0 : 48 + (most * 207 / 255));
            grey[i] = grey[i + 1] = grey[i + 2] = shade;
            grey[i + 3] = 255;
        }

        return (new RgbaPicture(size, grey), (double)differ / (a.Length / 4));
    }

    private static int Strongest(ReadOnlySpan<byte> a, ReadOnlySpan<byte> b)
    {
        if (a[3] == 0 && b[3] == 0) return 0;
        var most = 0;
        for (var c = 0; c < 4; c++) most = Math.Max(most, Math.Abs(a[c] - b[c]));
        return most;
    }
}
