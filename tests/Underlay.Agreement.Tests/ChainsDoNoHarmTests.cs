using Underlay.Core.Checks;
using Underlay.Core.Mending;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>
/// Files with two to four flaws each, repaired with every code named: nothing that was right is wrong afterwards in the host, nothing is
/// left that a chain of repairs could mend, and a second press finds nothing to do.
/// </summary>
public class ChainsDoNoHarmTests
{
    private static readonly string[] AllCodes = [.. CheckList.Codes.Select(c => c.Value)];

    private static readonly RandomPacks<APack, Judged> Packs = new(FlawGen.Packs, 6, 250, Judge);

    private sealed record Judged(string Files, string? Harm, string? StillToMend, string? Again);

    private static Judged Judge(APack pack)
    {
        var files = string.Join(", ", pack.Files.Select(f => $"{f.Key} ({f.Value.Length})"));
        var first = Run(pack);
        var after = new APack(first.Tree.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
        return new Judged(
            files,
            FixesDoNoHarmTests.HarmOf(pack, after),
            first.Held.FirstOrDefault(h => h.Together.Count > 0) is { } held ? $"{held.Finding.Path}: {held.Finding.Fix!.Title}" : null,
            Run(after).Applied is [var again, ..] ? $"{again.Finding.Code} {again.Finding.Path}: {again.Finding.Fix!.Title}" : null);
    }

    private static FixOutcome Run(APack pack)
    {
        var session = CheckSession.Open(Repository.Kilnmoor, null, SmallBase.Of, pack.Tree);
        return FixRunner.Run("p", pack.Tree, t => (session = session.MovedTo(t)).Report, Repository.Kilnmoor, AllCodes);
    }

    [Fact]
    public void Nothing_that_was_right_is_wrong_afterwards() => AssertNone(p => p.Harm);

    [Fact]
    public void Nothing_is_left_that_a_chain_could_mend() => AssertNone(p => p.StillToMend);

    [Fact]
    public void A_second_press_finds_nothing_to_do() => AssertNone(p => p.Again);

    private static void AssertNone(Func<Judged, string?> fault)
    {
        var found = Packs.All.Where(p => fault(p) is not null).ToList();
        Assert.True(
            found.Count == 0,
            $"{found.Count} of {Packs.All.Count} {DaySeed.Repeats}\n"
                + string.Join("\n", found.Take(6).Select(p => $"{fault(p)}\n    of {p.Files}")));
    }
}
