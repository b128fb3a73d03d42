using System.Globalization;

namespace Underlay.Agreement.Tests;

/// <summary>
/// How many random packs are repaired: a few each time, others each day, and as many as <c>UNDERLAY_PACKS</c> asks for where somebody looks
/// for more.
/// </summary>
internal static class Rounds
{
    /// <summary>Packs of each host.</summary>
    public static int Packs { get; } =
        int.TryParse(Environment.GetEnvironmentVariable("UNDERLAY_PACKS"), CultureInfo.InvariantCulture, out var asked) ? asked : 75;

    /// <summary>Whole copies of a base, each of which takes as long as two packs.</summary>
    public static int Copies => Packs / 2;
}
