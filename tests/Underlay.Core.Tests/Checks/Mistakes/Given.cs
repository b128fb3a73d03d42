namespace Underlay.Core.Tests.Checks.Mistakes;

/// <summary>What several mistakes begin with.</summary>
internal static class Given
{
    /// <summary>A pack whose manifest names a front picture.</summary>
    public static APack Front(string path) =>
        APack.Of().With("firing.json", APack.Manifest.TrimEnd().TrimEnd('}') + $", \"front\": \"{path}\" }}");

    /// <summary>A picture that has a mark on one colour, where <paramref name="isMarked"/> says so.</summary>
    public static Picture Marked(int width, int height, Pixel ground, Pixel mark, Func<int, int, bool> isMarked) =>
        Picture.Filled(width, height, ground) with { At = (x, y) => isMarked(x, y) ? mark : ground };

    /// <summary>A seal whose lettering has this brightness.</summary>
    public static Picture Seal(byte ink = 250) =>
        Marked(60, 44, new Pixel(40, 50, 60, 255), new Pixel(ink, ink, ink, 255), IsLettering).WithClearRing();

    private static bool IsLettering(int x, int y) => x is > 14 and < 46 && y is > 10 and < 34 && x % 10 < 4;
}
