using CsCheck;
using Underlay.Core.Checks;
using Underlay.Core.Findings;
using Underlay.Core.Mending;
using Underlay.Core.Packs;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>
/// Whatever is repaired, nothing goes wrong in the host that was right before: over random packs and random whole copies of
/// a base, judged by the hosts' stand-ins.
/// </summary>
public class FixesDoNoHarmTests
{
    private static readonly string[] FixableCodes = [.. CheckList.Codes.Select(c => c.Value)];

    [Fact]
    public void Fixes_that_lose_nothing_do_no_harm() =>
        PackGen.Files.Sample(pack => AssertNoHarm(pack), iter: Rounds.Packs, threads: Environment.ProcessorCount);

    [Fact]
    public void Fixes_that_are_asked_for_do_no_harm() =>
        Gen.Select(PackGen.Files, Gen.OneOfConst(FixableCodes).List[1, 3])
            .Sample((pack, only) => AssertNoHarm(pack, [.. only]), iter: Rounds.Packs, threads: Environment.ProcessorCount);

    [Fact]
    public void Slimming_does_no_harm() =>
        WholeCopies.Sample(pack => AssertNoHarm(pack, "pack/unchanged"), iter: Rounds.Copies, threads: Environment.ProcessorCount);

    [Fact]
    public void All_that_is_found_in_a_whole_copy_is_repaired_without_harm() =>
        Gen.Select(WholeCopies, Gen.OneOfConst(FixableCodes))
            .Sample((pack, code) => AssertNoHarm(pack, "pack/unchanged", code), iter: Rounds.Copies, threads: Environment.ProcessorCount);

    [Fact]
    public void What_the_author_changed_in_a_whole_copy_stays_when_it_is_slimmed() =>
        WholeCopies.Sample(
            pack =>
            {
                var after = Run(pack, ["pack/unchanged"]).Tree;
                foreach (
                    var (path, bytes) in pack.Files.Where(
                        f => SmallBase.Files.GetValueOrDefault(f.Key) is not { } own || !f.Value.AsSpan().StartsWith(own)))
                    Assert.Equal(bytes, after.Find(PackPath.Parse(path))!.ReadAll());
            },
            iter: 40,
            threads: Environment.ProcessorCount);

    [Theory]
    [InlineData("art/awnings/quay/noon.png", 150, 60, false)]
    [InlineData("art/flames/updraught/02.png", 40, 40, false)]
    [InlineData("art/boards/oak/96.png", 96, 48, true)]
    public void A_set_or_series_with_one_change_in_it_stays_whole(string changed, int width, int height, bool hasRing)
    {
        var folder = changed[..(changed.LastIndexOf('/') + 1)];
        var whole = SmallBase.Files.Where(f => f.Key.StartsWith(folder, StringComparison.Ordinal))
            .Aggregate(APack.Of(), (pack, file) => pack.With(file.Key, file.Value));
        var pack = whole.With(changed, hasRing ? Picture.Of(width, height).WithClearRing() : Picture.Of(width, height));
        Assert.DoesNotContain(pack.Findings(), f => f.Severity == Severity.Blocker || f.Code.Value == "pack/unchanged");
        Assert.Empty(Run(pack, ["pack/unchanged"]).Applied);
        // Beside something else the whole of it may go, without a change in it, and does; alone, it would leave an empty pack.
        var beside = whole.With("wares/milk_jug/shelf.png", Picture.Shelf());
        Assert.Equal(["firing.json", "wares/milk_jug/shelf.png"], Run(beside, ["pack/unchanged"]).Tree.Files.Select(f => f.Path.Value));
        Assert.Empty(Run(whole, ["pack/unchanged"]).Applied);
    }

    [Fact]
    public void Fixes_of_guides_do_no_harm() =>
        Gen.Select(GuideGen.Guides, Gen.OneOfConst(FixableCodes).List[0, 3]).Sample(
            (guide, only) =>
            {
                var after = FixRunner.Run(
                    "g",
                    guide.Tree,
                    t => CheckReport.Make(Repository.Wrenfield, null, SmallLibrary.Of, t),
                    Repository.Wrenfield,
                    [.. only]).Tree;
                var harm = HarmOf(guide, new AGuide(after.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll())));
                Assert.True(harm is null, $"{string.Join(", ", only)}: {harm}\nof {string.Join(", ", guide.Files.Keys)}");
            },
            iter: Rounds.Copies,
            threads: Environment.ProcessorCount);

    /// <summary>All files of the base, some of them changed or replaced, some left out.</summary>
    private static Gen<APack> WholeCopies { get; } =
        Gen.Select(
            PackGen.Files,
            Gen.OneOfConst(SmallBase.Files.Keys.Where(p => p.EndsWith(".png", StringComparison.Ordinal)).ToArray()).List[0, 4],
            Gen.OneOfConst([.. SmallBase.Files.Keys]).List[0, 2],
            Gen.Bool)
            .Select((others, touched, left, withOthers) =>
            {
                var pack = SmallBase.Files.Where(f => !left.Contains(f.Key)).Aggregate(APack.Empty, (p, f) => p.With(f.Key, f.Value));
                if (withOthers) pack = others.Files.Take(4).Aggregate(pack, (p, f) => p.With(f.Key, f.Value));
                // The same picture, saved by another editor.
                foreach (var path in touched.Where(pack.Files.ContainsKey)) pack = pack.With(path, [.. pack.Files[path], 0]);
                return pack.With("firing.json", PackGen.Manifest());
            });

    private static FixOutcome Run(APack pack, IReadOnlyCollection<string> only) =>
        FixRunner.Run("p", pack.Tree, t => CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, t), Repository.Kilnmoor, only);

    private static void AssertNoHarm(APack pack, params string[] only)
    {
        var after = new APack(Run(pack, only).Tree.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
        Assert.True(
            HarmOf(pack, after) is null,
            $"{string.Join(", ", only)}: {HarmOf(pack, after)}\nof {string.Join(", ", pack.Files.Keys)}");
    }

    /// <summary>What is wrong in the host after a change that was not before, or null.</summary>
    internal static string? HarmOf(APack pack, APack after) => Harm(
        Wrongs(Disagreement.Try(Disagreement.Zip(pack))),
        Wrongs(Disagreement.Try(Disagreement.Zip(after))),
        OnlyHere(after.Findings()).Except(OnlyHere(pack.Findings())));

    /// <inheritdoc cref="HarmOf(APack, APack)"/>
    internal static string? HarmOf(AGuide guide, AGuide after) => Harm(
        Wrongs(WrenfieldAgreementTests.Try(WrenfieldAgreementTests.Zip(guide), "2")),
        Wrongs(WrenfieldAgreementTests.Try(WrenfieldAgreementTests.Zip(after), "2")),
        OnlyHere(after.Findings()).Except(OnlyHere(guide.Findings())));

    private static string? Harm(Dictionary<string, int>? before, Dictionary<string, int>? after, IEnumerable<string> ownBlockers)
    {
        if (before is null) return null;
        if (after is null) return "not listed";
        var worse = Worse(before, after).Concat(ownBlockers).ToList();
        return worse.Count == 0 ? null : $"made worse: {string.Join(", ", worse)}";
    }

    /// <summary>Blockers of Underlay's own, of which the host says nothing.</summary>
    private static IEnumerable<string> OnlyHere(IEnumerable<Finding> findings) =>
        findings.Where(f => f.Severity == Severity.Blocker && !f.Predicts.Any()).Select(f => f.Code.Value);

    /// <summary>One wrong may become another as its cause is mended; no path has more wrong with it than before.</summary>
    private static List<string> Worse(Dictionary<string, int> before, Dictionary<string, int> after) =>
        [.. after.Where(w => w.Value > before.GetValueOrDefault(w.Key)).Select(w => w.Key)];

    /// <summary>How much is wrong at which path; null where the package is not listed.</summary>
    private static Dictionary<string, int>? Wrongs(StandIns.Report report) =>
        report.Packages[0].Listed
            ? report.Shown.Where(s => s.As != "right").SelectMany(s => s.Also.Prepend(s.As).Select(code => (s.Path, code)))
                .Concat(report.Dropped.Select(d => (d.Path, d.Code)))
                // Said of the base's file and of the pack's over it, it is one wrong.
                .Distinct()
                .CountBy(w => w.Path)
                .ToDictionary()
            : null;
}
