namespace Underlay.Demo.Art;

/// <summary>What a surface is at one point: how high, and in what colour before light falls on it.</summary>
internal readonly record struct Spot(double Height, Tint Colour);

/// <summary>Lights a height field from the upper left, repeating at the edges.</summary>
internal static class Relief
{
    public static Raster Paint(int size, double depth, Func<double, double, Spot> spot)
    {
        var spots = new Spot[size * size];
        for (var y = 0; y < size; y++)
            for (var x = 0; x < size; x++) spots[(y * size) + x] = spot((x + 0.5) / size, (y + 0.5) / size);
        double Height(int x, int y) => spots[((y + size) % size * size) + ((x + size) % size)].Height;
        var raster = new Raster(size, size);
        for (var y = 0; y < size; y++)
            for (var x = 0; x < size; x++)
            {
                var slopeX = (Height(x + 1, y) - Height(x - 1, y)) * depth;
                var slopeY = (Height(x, y + 1) - Height(x, y - 1)) * depth;
                var light = 1 - ((slopeX * 0.62) + (slopeY * 0.78));
                raster.Set(x, y, spots[(y * size) + x].Colour.Lit(Math.Clamp(light, 0.45, 1.5)));
            }

        return raster;
    }
}
