using System.Text;
using Underlay.Core.Findings;
using static Underlay.Core.Tests.Fixes.Fixing;

namespace Underlay.Core.Tests.Fixes;

/// <summary>Repairs that hold only together are made together, and what is held back says what it would take.</summary>
public class RepairChainTests
{
    /// <summary>Each would be wrong where it belongs, where the base's is right now.</summary>
    public static TheoryData<string> Cases => ["jpeg", "sound", "surface", "seal"];

    private static (APack Pack, string[] Codes, string Target) Case(string name) => name switch
    {
        "jpeg" => (
            APack.Of().With("art/awning/quay/noon.png", Picture.Of(300, 140)),
            ["path/near-miss", "image/wrong-size", "set/incomplete"],
            "art/awnings/quay/noon.png"),
        "sound" => (
            APack.Of().With("audio/bels/one.wav", TestSound.Wav(rate: 22050)),
            ["sound/never-played", "sound/rate"],
            "audio/bells/one.wav"),
        "surface" => (
            APack.Of().With("art/surface/saltbrook_sand.png", Picture.Of(100, 100)),
            ["path/near-miss", "image/not-power-of-two", "companion/missing"],
            "art/surfaces/saltbrook_sand.png"),
        _ => (
            APack.Of().With("art/seal/saltbrook_tide.png", Picture.Of(90, 60).WithClearRing()),
            ["path/near-miss", "image/wrong-size", "name/not-listed"],
            "art/seals/saltbrook_tide.png"),
    };

    [Theory]
    [MemberData(nameof(Cases))]
    public void With_their_codes_named_all_are_made_and_nothing_is_left(string name)
    {
        var (pack, codes, target) = Case(name);
        var (tree, applied, held, report) = Run(pack, codes);
        Assert.Empty(held);
        Assert.True(applied.Count >= 2, string.Join(", ", applied.Select(a => a.Finding.Fix!.Title)));
        Assert.NotNull(tree.Find(PackPath.Parse(target)));
        Assert.Equal([], report.Findings.Where(f => f.Severity == Severity.Blocker).Select(f => f.Message));
        Assert.Empty(Run(new APack(tree.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll())), codes).Applied);
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void Alone_it_is_held_back_and_says_what_would_hold_with_it(string name)
    {
        var (pack, codes, _) = Case(name);
        var (tree, applied, held, _) = Run(pack, codes[0]);
        if (applied.Count > 0) return;
        Assert.Equal(pack.Files.Keys.Order(StringComparer.Ordinal), tree.Files.Select(f => f.Path.Value).Order(StringComparer.Ordinal));
        var chain = Assert.Single(held).Chain;
        Assert.Equal(codes[0], chain[0].Finding.Code.Value);
        Assert.Subset(codes.ToHashSet(), chain.Select(t => t.Finding.Code.Value).ToHashSet());
    }

    [Fact]
    public void Where_the_end_would_be_worse_nothing_is_changed_and_nothing_is_promised()
    {
        var pack = APack.Of().With("art/awning/quay/noon.png", Encoding.UTF8.GetBytes("no picture at all"));
        var (tree, applied, held, _) = Run(pack, "path/near-miss", "image/unreadable");
        Assert.Empty(applied);
        Assert.All(held, h => Assert.Empty(h.Chain));
        Assert.Equal(pack.Files.Count, tree.Files.Count);
    }
}
