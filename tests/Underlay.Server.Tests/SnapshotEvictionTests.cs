using CsCheck;
using Underlay.Server.Packs;

namespace Underlay.Server.Tests;

public class SnapshotEvictionTests
{
    private static readonly Gen<Kept> AKept =
        Gen.Select(Gen.Guid, Gen.Long[0, 1000], Gen.Long[0, 100], (id, used, weight) => new Kept(id, used, weight));

    [Fact]
    public void What_stays_fits_and_was_used_last() =>
        Gen.Select(AKept.Array[0, 12], Gen.Long[0, 300]).Sample((kept, most) =>
        {
            var gone = SnapshotEviction.Surplus(kept, most).ToHashSet();
            var stay = kept.Where(k => !gone.Contains(k.Id)).ToList();
            Assert.True(stay.Count <= 1 || stay.Sum(k => k.Weight) <= most);
            if (kept.Length > 0) Assert.NotEmpty(stay);
            foreach (var one in kept.Where(k => gone.Contains(k.Id))) Assert.All(stay, s => Assert.True(s.LastUsed >= one.LastUsed));
        });

    [Fact]
    public void The_one_used_last_stays_however_large()
    {
        var (old, large) = (new Kept(Guid.NewGuid(), 1, 10), new Kept(Guid.NewGuid(), 2, 1000));
        Assert.Equal([old.Id], SnapshotEviction.Surplus([old, large], 100));
        Assert.Empty(SnapshotEviction.Surplus([old, large], 1010));
    }
}
