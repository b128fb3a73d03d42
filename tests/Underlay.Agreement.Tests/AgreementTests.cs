using CsCheck;
using Underlay.Core.Checks;
using Underlay.Core.Findings;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>The check and the stand-in are written apart from one page; here they have to say the same.</summary>
public class AgreementTests
{
    /// <summary>The packs of the newest edition, with what each of the tests below asks of them.</summary>
    private static readonly RandomPacks<APack, Judged> Packs = new(PackGen.Files, 1, 1000, Judge);

    private sealed record Judged(APack? Disagreeing, string? FoundTwice, string? WronglyPredicting, IReadOnlyList<string> Broken);

    private static Judged Judge(APack pack)
    {
        var findings = pack.Findings();
        // An empty pack is listed: its blocker is Underlay's own.
        var ill = findings.FirstOrDefault(f => f.Code.Value != "pack/empty" && f.Severity == Severity.Blocker != f.Predicts.Count > 0);
        return new Judged(
            Disagreement.Compare(findings, Disagreement.Try(Disagreement.Zip(pack))).Agree ? null : pack,
            findings.CountBy(f => f.Key).FirstOrDefault(k => k.Value > 1).Key?.ToString(),
            ill is null ? null : $"{ill.Code} {ill.Path}: {ill.Message}",
            [.. findings.Where(f => f.Severity == Severity.Blocker).Select(f => f.Code.Value).Distinct()]);
    }

    [Fact]
    public void Every_outcome_and_drop_of_random_packs_is_predicted_and_every_blocker_confirmed()
    {
        if (Packs.All.FirstOrDefault(p => p.Disagreeing is not null) is { Disagreeing: { } pack }) AssertAgreement(pack, "4.0");
    }

    [Theory]
    [InlineData("3.1", 2)]
    [InlineData("3.0", 3)]
    public void Every_outcome_and_drop_is_predicted_in_older_editions_too(string edition, uint stream) =>
        Assert.All(
            new RandomPacks<APack, APack?>(
                PackGen.Files,
                stream,
                200,
                pack => Disagreement.Of(pack, edition: edition).Agree ? null : pack).All.OfType<APack>(),
            pack => AssertAgreement(pack, edition));

    [Fact]
    public void No_two_findings_of_a_pack_are_the_same() => Assert.Empty(Packs.All.Select(p => p.FoundTwice).OfType<string>());

    [Theory]
    [InlineData("tables/seals.csv", "code,do\n")]
    [InlineData("art/surfaces/flagstone.surface.json", SmallBase.Descriptor)]
    [InlineData("firing.json", APack.Manifest)]
    public void Texts_that_are_too_long_are_read_by_neither(string path, string text)
    {
        AssertAgreement(APack.Of().With(path, text), "4.0");
        AssertAgreement(APack.Of().With(path, text + new string('\n', 16 * 1024 * 1024)), "4.0");
    }

    [Fact]
    public void Every_reason_for_an_unlisted_package_is_predicted() =>
        PackGen.Manifests.Sample(pack => AssertAgreement(pack, "4.0"), iter: 800, threads: Environment.ProcessorCount);

    [Fact]
    public void Every_blocker_predicts_something_and_nothing_else_does() =>
        Assert.Empty(Packs.All.Select(p => p.WronglyPredicting).OfType<string>());

    private static readonly string[] Rules =
    [
        "companion/missing", "companion/not-enabled", "companion/outranked", "companion/ownerless", "companion/size-differs",
        "companion/unwanted", "entry/circular", "entry/dangling", "entry/misnamed", "entry/rejected", "entry/twice",
        "entry/unreadable", "image/alpha", "image/mask-colours", "image/needs-clear-border", "image/no-alpha",
        "image/not-a-multiple", "image/not-grey", "image/not-power-of-two", "image/unreadable", "image/wrong-size",
        "name/not-listed", "series/canvas", "series/gap", "series/mixed", "set/incomplete",
    ];

    /// <summary>Random packs break every rule that the stand-in judges, so that agreement over them says something of each.</summary>
    [Fact]
    public void Random_packs_break_every_rule()
    {
        Assert.Empty(Rules.Except(Packs.All.SelectMany(p => p.Broken)));
    }

    /// <summary>A check that does not look is found out: without it, some pack that breaks its rule is predicted wrongly.</summary>
    [Theory]
    [InlineData("companion/outranked", "wares/milk_jug/skin.png+dds")]
    [InlineData("set/incomplete", "art/awnings/quay/noon.png")]
    [InlineData("series/mixed", "art/flames/updraught/01.png")]
    [InlineData("series/gap", "art/flames/updraught/07.png")]
    [InlineData("companion/unwanted", "art/stalls/009.png")]
    [InlineData("name/not-listed", "art/seals/saltbrook_tide.png")]
    [InlineData("companion/not-enabled", "art/embers/wares/milk_jug.png")]
    public void An_engine_without_a_check_disagrees(string code, string path)
    {
        var pack = path switch
        {
            "wares/milk_jug/skin.png+dds" =>
                APack.Of().With("wares/milk_jug/skin.png", Picture.Of(64, 64)).With("wares/milk_jug/skin.dds", Dds.Of(64, 64)),
            _ when path.StartsWith("art/awnings", StringComparison.Ordinal) => APack.Of().With(path, Picture.Of(150, 60)),
            _ when path.StartsWith("art/stalls", StringComparison.Ordinal) => APack.Of().With(path, Picture.Of(96, 72)),
            _ when path.StartsWith("art/seals", StringComparison.Ordinal) => APack.Of().With(path, Picture.Of(60, 44).WithClearRing()),
            _ when path.StartsWith("art/embers", StringComparison.Ordinal) =>
                APack.Of().With(path, Picture.Filled(64, 64, new Pixel(7, 7, 7, 255))),
            _ => APack.Of().With(path, Picture.Of(40, 40)),
        };
        Assert.True(Disagreement.Of(pack).Agree);
        Assert.False(Disagreement.Of(pack, new CheckEngine([.. CheckList.Engine.Where(c => c.Code.Value != code)])).Agree);
    }

    [Fact]
    public void A_case_in_which_they_disagree_shrinks_to_the_few_files_that_matter()
    {
        var blind = new CheckEngine([.. CheckList.Engine.Where(c => c is not WrongSize)]);
        bool Fails(APack pack) => !Disagreement.Of(pack, blind).Agree;
        var pack = APack.Of()
            .WithSurface("saltbrook_loam", Picture.Of(64, 64))
            .WithWare("tide_cup")
            .With("wares/milk_jug/shelf.png", Picture.Shelf(48, 48))
            .With("notes.txt", "later");
        Assert.True(Fails(pack));
        var small = Disagreement.Shrink(pack, Fails);
        Assert.Equal(["firing.json", "wares/milk_jug/shelf.png"], small.Files.Keys.Order());
    }

    private static void AssertAgreement(APack pack, string edition)
    {
        if (Disagreement.Of(pack, edition: edition).Agree) return;
        var small = Disagreement.Shrink(pack, p => !Disagreement.Of(p, edition: edition).Agree);
        var findings = string.Join(
            "\n",
            small.Check(Repository.Kilnmoor.FindEdition(edition)).Findings.Select(f => $"{f.Code} {f.Path}: {f.Message}"));
        Assert.Fail(
            $"{Disagreement.Of(small, edition: edition)} {DaySeed.Repeats}\nfiles: "
                + $"{string.Join(", ", small.Files.Select(f => $"{f.Key} ({f.Value.Length} bytes)"))}\n{findings}");
    }
}
