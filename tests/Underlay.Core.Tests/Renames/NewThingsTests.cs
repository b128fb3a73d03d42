using Underlay.Core.Findings;
using Underlay.Core.Manifests;
using Underlay.Core.Placements;
using Underlay.Core.Renames;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Renames;

/// <summary>Pictures that are called by the parts of something that is not there yet begin it: its entry, and each in its place.</summary>
public class NewThingsTests
{
    private static readonly Core.Hosts.HostProfile Profile = Repository.Kilnmoor;

    private static Overlay Over(FileTree pack) => Overlay.Of(
        PackReading.Read(Profile, Profile.Newest, pack, ManifestFacts.Read(Profile, pack)),
        DemoBase.Kilnmoor);

    private static readonly Picture Shelf = Picture.Shelf();

    private static APack Tray(params (string Name, Picture Picture)[] files) =>
        files.Aggregate(APack.Of(), (pack, f) => pack.With($"{ReservedFolder.Tray}/{f.Name}", f.Picture));

    private static IReadOnlyList<PlacementAdvice> Advise(APack pack) => new AdviceMemory().Advise(
        Over(pack.Tree),
        [.. pack.Tree.Files.Where(f => f.Path.IsBelow(ReservedFolder.Tray))]);

    [Theory]
    [InlineData("kelp_bowl_shelf.png", "kelp_bowl_skin.png", "kelp_bowl_mask.png")]
    [InlineData("Kelp Bowl (shelf) last.png", "KelpBowl skin 2.png", "kelp-bowl-mask copy.png")]
    [InlineData("new/kelp bowl/shelf.png", "new/kelp bowl/skin.png", "new/kelp bowl/mask.png")]
    [InlineData("saltbrook_kelp_bowl_icon.png", "kelp_bowl.png", "kelp_bowl_regions.png")]
    public void Three_pictures_of_one_name_are_one_new_ware(string shelf, string skin, string mask)
    {
        var advice = Advise(Tray((shelf, Shelf), (skin, Picture.Of(64, 64)), (mask, Picture.Mask(64, 64))));
        Assert.Equal(
            ["glaze-masks kelp_bowl", "shelf kelp_bowl", "skins kelp_bowl"],
            advice.Select(a => $"{a.NewThing?.Part.Key} {a.NewThing?.Name}").Order(StringComparer.Ordinal));
        Assert.All(advice, a => Assert.False(a.IsSure));
    }

    [Fact]
    public void What_is_there_is_nothing_new()
    {
        var advice = Advise(Tray(("water jug shelf.png", Shelf), ("tea_cup_glow.png", Picture.Of(64, 64))));
        Assert.All(advice, a => Assert.Null(a.NewThing));
    }

    [Fact]
    public void A_ware_that_was_begun_is_shown_by_the_host_whole()
    {
        var pack = Tray(
            ("kelp bowl shelf.png", Shelf),
            ("kelp bowl skin.png", Picture.Of(64, 64)),
            ("kelp bowl mask.png", Picture.Mask(64, 64)),
            ("kelp bowl glow.png", Picture.Of(64, 64) with { At = (x, _) => new Pixel((byte)x, (byte)x, (byte)x, 255) }));
        var seats = Advise(pack).Select(a => (a.File.Path, Seat: a.NewThing!)).ToList();
        var plan = NewThings.Begin(
            Over(pack.Tree),
            seats[0].Seat.Owner,
            "kelp_bowl",
            [.. seats.Select(s => new WantedPart(s.Path, s.Seat.Part))]);
        Assert.Null(plan.Problem);
        Assert.Equal("wares/kelp_bowl/ware.json", plan.Path.Value);
        var after = pack.Tree.With(plan.Edits);
        Assert.DoesNotContain(after.Files, f => f.Path.IsBelow(ReservedFolder.Tray));
        Assert.DoesNotContain(
            CheckReport.Make(Profile, null, _ => DemoBase.Kilnmoor, after).Findings,
            f => f.Severity == Severity.Blocker
                && f.Code.Value != "text/missing"
                && f.Path.Contains("kelp_bowl", StringComparison.Ordinal));
        foreach (var path in new[] { "shelf.png", "skin.png", "mask.png" })
            Assert.NotNull(after.Find(PackPath.Parse($"wares/kelp_bowl/{path}")));
    }

    [Fact]
    public void A_surface_is_begun_with_its_glow_and_the_authors_prefix()
    {
        var grey = Picture.Of(64, 64) with { At = (x, _) => new Pixel((byte)x, (byte)x, (byte)x, 255) };
        var advice = Advise(Tray(("kelp.png", Picture.Of(64, 64)), ("kelp_glow.png", grey)));
        Assert.Equal(
            ["ember-surfaces saltbrook_kelp", "surfaces saltbrook_kelp"],
            advice.Select(a => $"{a.NewThing?.Part.Key} {a.NewThing?.Name}").Order(StringComparer.Ordinal));
    }

    [Fact]
    public void A_name_that_cannot_be_is_refused_and_nothing_is_done()
    {
        var pack = Tray(("kelp bowl shelf.png", Shelf));
        var seat = Advise(pack)[0].NewThing!;
        var wanted = new[] { new WantedPart(PackPath.Parse($"{ReservedFolder.Tray}/kelp bowl shelf.png"), seat.Part) };
        Assert.Contains("is no name", NewThings.Begin(Over(pack.Tree), seat.Owner, "Kelp Bowl", wanted).Problem, StringComparison.Ordinal);
        var taken = NewThings.Begin(Over(pack.Tree), seat.Owner, "tea_cup", wanted);
        Assert.NotNull(taken.Problem);
        Assert.Empty(taken.Edits);
    }
}
