namespace Kilnmoor;

/// <summary>The editions of the game, oldest first.</summary>
public static class Editions
{
    /// <summary>All of them.</summary>
    public static IReadOnlyList<string> All { get; } = ["3.0", "3.1", "4.0"];

    /// <summary>Where an edition stands, 0 for the oldest.</summary>
    public static int Order(string edition) => All.ToList().IndexOf(edition);
}
