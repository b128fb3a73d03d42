using System.Globalization;

namespace Underlay.Testing;

/// <summary>
/// What the random packs of a run are made from: another number each day, so that other packs are tried, and the same all day
/// long, so that what was found is found again. <c>UNDERLAY_SEED</c> goes back to a day.
/// </summary>
public static class DaySeed
{
    /// <summary>The days since the first of 1970, unless another number is given.</summary>
    public static uint Value { get; } = uint.TryParse(
        Environment.GetEnvironmentVariable("UNDERLAY_SEED"),
        NumberStyles.None,
        CultureInfo.InvariantCulture,
        out var given)
        ? given
        : (uint)(DateTime.UtcNow - DateTime.UnixEpoch).Days;

    /// <summary>How a failing test says what repeats it.</summary>
    public static string Repeats => $"(UNDERLAY_SEED={Value} repeats it)";
}
