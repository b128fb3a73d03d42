namespace Underlay.Testing.Fuzzing;

/// <summary>A format that comes in from outside.</summary>
/// <param name="Name">Its name, such as "zip"; the folder of its seeds.</param>
/// <param name="Samples">Sound files of it, to be damaged.</param>
/// <param name="Read">
/// Reads bytes as it in every way that the product does, and throws where what comes out is no sound value and no problem in words.
/// </param>
/// <param name="Mend">
/// Puts the checksums of a damaged file right, so that what lies behind them is reached; null where there are none.
/// </param>
public sealed record Intake(string Name, IReadOnlyList<byte[]> Samples, Action<byte[]> Read, Func<byte[], byte[]>? Mend = null)
{
    /// <summary>All of them.</summary>
    public static IReadOnlyList<Intake> All { get; } =
    [
        .. ArchiveIntakes.All,
        .. PictureIntakes.All,
        .. SoundIntakes.All,
        .. TextIntakes.All,
    ];
}
