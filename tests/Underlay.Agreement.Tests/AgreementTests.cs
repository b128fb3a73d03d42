using CsCheck;
using Underlay.Core.Checks;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>The check and the stand-in are written apart from one page; here they have to say the same.</summary>
public class AgreementTests
{
    [Fact]
    public void Every_outcome_and_drop_of_random_packs_is_predicted_and_every_blocker_confirmed() =>
        PackGen.Files.Sample(AssertAgreement, iter: 2500, threads: Environment.ProcessorCount);

    [Fact]
    public void Every_reason_for_an_unlisted_package_is_predicted() =>
        PackGen.Manifests.Sample(AssertAgreement, iter: 3000, threads: Environment.ProcessorCount);

    [Fact]
    public void Every_blocker_predicts_something_and_nothing_else_does() =>
        PackGen.Files.Sample(
            pack =>
            {
                foreach (var finding in pack.Findings())
                    Assert.Equal(finding.Severity == Severity.Blocker, finding.Predicts.Count > 0);
            },
            iter: 300,
            threads: Environment.ProcessorCount);

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

    private static void AssertAgreement(APack pack)
    {
        if (Disagreement.Of(pack).Agree) return;
        var small = Disagreement.Shrink(pack, p => !Disagreement.Of(p).Agree);
        var findings = string.Join("\n", small.Findings().Select(f => $"{f.Code} {f.Path}: {f.Message}"));
        Assert.Fail($"{Disagreement.Of(small)}\nfiles: {string.Join(", ", small.Files.Select(f => $"{f.Key} ({f.Value.Length} bytes)"))}\n{findings}");
    }
}
