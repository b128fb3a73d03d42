using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Hosts;
using Underlay.Core.Mending;
using Underlay.Core.Packs;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>
/// Files with two to four flaws each, repaired with every code named: nothing that was right is wrong afterwards in the host, nothing is
/// left that a chain of repairs could mend, and a second press finds nothing to do.
/// </summary>
public class ChainsDoNoHarmTests
{
    private static readonly string[] AllCodes = [.. CheckList.Codes.Select(c => c.Value)];

    private static readonly Dictionary<string, RandomPacks<IReadOnlyDictionary<string, byte[]>, Judged>> Packs = new()
    {
        ["kilnmoor"] = new(
            FlawGen.Packs,
            6,
            Rounds.Packs,
            files => Judge(
                files,
                Repository.Kilnmoor,
                SmallBase.Of,
                (was, now) => FixesDoNoHarmTests.HarmOf(new APack(was), new APack(now)))),
        ["wrenfield"] = new(
            FlawGen.Guides,
            7,
            Rounds.Packs,
            files => Judge(
                files,
                Repository.Wrenfield,
                SmallLibrary.Of,
                (was, now) => FixesDoNoHarmTests.HarmOf(new AGuide(was), new AGuide(now)))),
    };

    private sealed record Judged(string Files, string? Harm, string? StillToMend, string? Again);

    private static Judged Judge(
        IReadOnlyDictionary<string, byte[]> files,
        HostProfile profile,
        Func<Edition, BaseCatalogue> baseOf,
        Func<IReadOnlyDictionary<string, byte[]>, IReadOnlyDictionary<string, byte[]>, string?> harmOf)
    {
        var first = Mended(files);
        var after = first.Tree.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll());
        return new Judged(
            string.Join(", ", files.Select(f => $"{f.Key} ({f.Value.Length})"))
                + string.Concat(first.Applied.Select(a => $"\n    {a.Finding.Code} {a.Finding.Path}: {a.Finding.Fix!.Title}")),
            harmOf(files, after),
            first.Held.FirstOrDefault(h => h.Chain.Count > 0) is { } held ? $"{held.Finding.Path}: {held.Finding.Fix!.Title}" : null,
            Mended(after).Applied is [var again, ..] ? $"{again.Finding.Code} {again.Finding.Path}: {again.Finding.Fix!.Title}" : null);

        FixOutcome Mended(IReadOnlyDictionary<string, byte[]> pack)
        {
            var tree = FileTree.OfBytes(pack.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value)));
            var session = CheckSession.Open(profile, null, baseOf, tree);
            return FixRunner.Run("p", tree, t => (session = session.MovedTo(t)).Report, profile, AllCodes);
        }
    }

    [Theory]
    [InlineData("kilnmoor")]
    [InlineData("wrenfield")]
    public void Nothing_that_was_right_is_wrong_afterwards(string host) => AssertNone(host, p => p.Harm);

    [Theory]
    [InlineData("kilnmoor")]
    [InlineData("wrenfield")]
    public void Nothing_is_left_that_a_chain_could_mend(string host) => AssertNone(host, p => p.StillToMend);

    [Theory]
    [InlineData("kilnmoor")]
    [InlineData("wrenfield")]
    public void A_second_press_finds_nothing_to_do(string host) => AssertNone(host, p => p.Again);

    private static void AssertNone(string host, Func<Judged, string?> fault)
    {
        var found = Packs[host].All.Where(p => fault(p) is not null).ToList();
        Assert.True(
            found.Count == 0,
            $"{found.Count} of {Packs[host].All.Count} {DaySeed.Repeats}\n"
                + string.Join("\n", found.Take(6).Select(p => $"{fault(p)}\n    of {p.Files}")));
    }
}
