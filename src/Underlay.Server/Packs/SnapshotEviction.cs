namespace Underlay.Server.Packs;

/// <summary>Something kept in memory that may be let go of.</summary>
/// <param name="Id">What it is of.</param>
/// <param name="LastUsed">When, on any clock.</param>
/// <param name="Weight">Bytes.</param>
internal readonly record struct Kept(Guid Id, long LastUsed, long Weight);

/// <summary>Decides which snapshots stay in memory.</summary>
internal static class SnapshotEviction
{
    /// <summary>What is to go: what was used longest ago, until the rest fits. The one used last stays, however large.</summary>
    /// <param name="kept">All that is kept.</param>
    /// <param name="mostBytes">How much may be.</param>
    public static IEnumerable<Guid> Surplus(IEnumerable<Kept> kept, long mostBytes)
    {
        var bytes = 0L;
        foreach (var (one, place) in kept.OrderByDescending(k => k.LastUsed).Select((k, i) => (k, i)).ToList())
        {
            bytes += one.Weight;
            if (place > 0 && bytes > mostBytes) yield return one.Id;
        }
    }
}
