using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Checks;

/// <summary>One pack a mistake: the one finding it makes, its severity and where.</summary>
public class FindingsTests
{
    private const string Stone = SmallBase.Descriptor;
    private static readonly Picture Good = Picture.Of(64, 64);

    public static TheoryData<string, APack, string, string, Severity> Mistakes => new()
    {
        { "no manifest", APack.Empty, "manifest/missing", "firing.json", Severity.Blocker },
        { "broken manifest", APack.Of().With("firing.json", "{ \"id\": "), "manifest/unreadable", "firing.json", Severity.Blocker },
        { "manifest without title", APack.Of().With("firing.json", """{ "id": "a.b", "version": "1.0.0", "by": "x", "reads": { "from": "4.0", "to": "4.0" } }"""), "manifest/rejected", "firing.json", Severity.Blocker },
        { "editions the wrong way", APack.Of().With("firing.json", APack.Manifest.Replace("\"to\": \"4.0\"", "\"to\": \"3.0\"", StringComparison.Ordinal)), "manifest/rejected", "firing.json", Severity.Blocker },
        { "a file for nobody", APack.Of().With("plans.txt", "x"), "path/no-place", "plans.txt", Severity.Warning },
        { "folder one letter off", APack.Of().With("art/surface/flagstone.png", Good), "path/near-miss", "art/surface/flagstone.png", Severity.Warning },
        { "upper case", APack.Of().With("art/surfaces/Flagstone.PNG", Good), "path/near-miss", "art/surfaces/Flagstone.PNG", Severity.Warning },
        { "a folder too deep", APack.Of().With("new/art/surfaces/flagstone.png", Good), "path/near-miss", "new/art/surfaces/flagstone.png", Severity.Warning },
        { "two extensions", APack.Of().With("art/surfaces/flagstone.png.png", Good), "path/near-miss", "art/surfaces/flagstone.png.png", Severity.Warning },
        { "no extension", APack.Of().With("art/surfaces/flagstone", Good), "path/near-miss", "art/surfaces/flagstone", Severity.Warning },
        { "a plural", APack.Of().With("wares/milk_jugs/shelf.png", Picture.Shelf()), "path/near-miss", "wares/milk_jugs/shelf.png", Severity.Blocker },
        { "a name one letter off", APack.Of().With("art/surfaces/flagstne.png", Good), "path/near-miss", "art/surfaces/flagstne.png", Severity.Blocker },
        { "a misspelt companion", APack.Of().WithWare("tide_cup").Without("wares/tide_cup/shelf.png").With("wares/tide_cup/shelv.png", Picture.Shelf()), "path/near-miss", "wares/tide_cup/shelv.png", Severity.Blocker },
        { "a text under a picture's name", APack.Of().With("art/surfaces/flagstone.png", "hello"), "image/unreadable", "art/surfaces/flagstone.png", Severity.Blocker },
        { "a shelf picture of 48", APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf(48, 48)), "image/wrong-size", "wares/milk_jug/shelf.png", Severity.Blocker },
        { "an oblong surface", APack.Of().With("art/surfaces/flagstone.png", Picture.Of(64, 128)), "image/wrong-size", "art/surfaces/flagstone.png", Severity.Blocker },
        { "a surface of 1024", APack.Of().With("art/surfaces/flagstone.png", Picture.Filled(1024, 1024, new Pixel(1, 2, 3, 255))), "image/wrong-size", "art/surfaces/flagstone.png", Severity.Blocker },
        { "a surface of 100", APack.Of().With("art/surfaces/flagstone.png", Picture.Of(100, 100)), "image/not-power-of-two", "art/surfaces/flagstone.png", Severity.Blocker },
        { "a skin of 70", APack.Of().With("wares/milk_jug/skin.png", Picture.Of(70, 64)).With("wares/milk_jug/mask.png", Picture.Mask(70, 64)), "image/not-a-multiple", "wares/milk_jug/skin.png", Severity.Blocker },
        { "a border", APack.Of().With("wares/milk_jug/shelf.png", Picture.Of(56, 56)), "image/alpha-lost", "wares/milk_jug/shelf.png", Severity.Blocker },
        { "one border pixel", APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf().With(55, 20, new Pixel(0, 0, 0, 1))), "image/needs-clear-border", "wares/milk_jug/shelf.png", Severity.Blocker },
        { "a hole", APack.Of().With("art/surfaces/flagstone.png", Good.With(9, 9, new Pixel(1, 2, 3, 254))), "image/alpha", "art/surfaces/flagstone.png", Severity.Blocker },
        { "a soft edge", APack.Of().With("art/surfaces/fence.png", Good.With(9, 9, new Pixel(1, 2, 3, 128))), "image/alpha", "art/surfaces/fence.png", Severity.Blocker },
        { "a base picture behind a new descriptor", APack.Of().With("art/surfaces/water.surface.json", Stone), "image/alpha", "art/surfaces/water.png", Severity.Blocker },
        { "a clear mask", APack.Of().With("wares/milk_jug/mask.png", Picture.Mask().With(1, 1, new Pixel(0, 0, 255, 0))), "image/alpha", "wares/milk_jug/mask.png", Severity.Blocker },
        { "green in a mask", APack.Of().With("wares/milk_jug/mask.png", Picture.Mask().With(1, 1, new Pixel(0, 1, 255, 255))), "image/mask-colours", "wares/milk_jug/mask.png", Severity.Blocker },
        { "a new surface alone", APack.Of().With("art/surfaces/saltbrook_foam.png", Good), "companion/missing", "art/surfaces/saltbrook_foam.png", Severity.Blocker },
        { "a ware without shelf picture", APack.Of().WithWare("tide_cup").Without("wares/tide_cup/shelf.png"), "companion/missing", "wares/tide_cup/shelf.png", Severity.Blocker },
        { "a front that is not there", Front("front.png"), "companion/missing", "front.png", Severity.Blocker },
        { "a front of the wrong size", Front("front.png").With("front.png", Picture.Filled(320, 201, new Pixel(1, 2, 3, 255))), "image/wrong-size", "front.png", Severity.Blocker },
        { "a front in grey", Front("front.png").With("front.png", Picture.Of(320, 200) with { ColourType = 0 }), "image/colour-type", "front.png", Severity.Blocker },
        { "a front that is no picture", Front("front.png").With("front.png", "x"), "image/unreadable", "front.png", Severity.Blocker },
        { "a heavy front", Front("front.png").With("front.png", Heavy()), "image/too-heavy", "front.png", Severity.Blocker },
        { "a front that is a surface", Front("art/surfaces/flagstone.png").With("art/surfaces/flagstone.png", Good), "path/front-in-place", "art/surfaces/flagstone.png", Severity.Blocker },
        { "a bigger skin over the base's mask", APack.Of().With("wares/milk_jug/skin.png", Picture.Of(128, 128)), "companion/size-differs", "wares/milk_jug/mask.png", Severity.Blocker },
        { "a smaller mask", APack.Of().With("wares/milk_jug/mask.png", Picture.Mask(32, 32)), "companion/size-differs", "wares/milk_jug/mask.png", Severity.Blocker },
        { "a picture of no ware", APack.Of().With("wares/teapot/skin.png", Good), "companion/ownerless", "wares/teapot/skin.png", Severity.Blocker },
        { "a descriptor of no picture", APack.Of().With("art/surfaces/saltbrook_foam.surface.json", Stone), "companion/ownerless", "art/surfaces/saltbrook_foam.surface.json", Severity.Blocker },
        { "a comma too many", APack.Of().WithSurface("saltbrook_foam", Good, "{ \"made_of\": \"stone\", \"edge\": \"opaque\", "
            + "}"), "entry/unreadable", "art/surfaces/saltbrook_foam.surface.json", Severity.Blocker },
        { "a value out of range", APack.Of().WithSurface("saltbrook_foam", Good, """{ "made_of": "stone", "edge": "opaque", "rough": 2 }"""), "entry/rejected", "art/surfaces/saltbrook_foam.surface.json", Severity.Blocker },
        { "a surface under it of nowhere", APack.Of().WithSurface("saltbrook_foam", Good, """{ "made_of": "stone", "edge": "opaque", "under": { "surface": "flagstones", "share": 0.3 } }"""), "entry/dangling", "art/surfaces/saltbrook_foam.surface.json", Severity.Blocker },
        { "a material of nowhere", APack.Of().WithSurface("saltbrook_foam", Good, """{ "made_of": "glass", "edge": "opaque" }"""), "entry/dangling", "art/surfaces/saltbrook_foam.surface.json", Severity.Blocker },
        { "a shape of nowhere", APack.Of().WithWare("tide_cup").With("wares/tide_cup/ware.json", SmallBase.Ware("saltbrook.tide_cup", shape: "jugg")), "entry/dangling", "wares/tide_cup/ware.json", Severity.Blocker },
        { "an id of another folder", APack.Of().WithWare("tide_cup", id: "saltbrook.tidecup"), "entry/misnamed", "wares/tide_cup/ware.json", Severity.Blocker },
        { "somebody else's prefix", APack.Of().WithWare("tide_cup", id: "other.tide_cup"), "name/prefix", "wares/tide_cup/ware.json", Severity.Warning },
        { "the base's own bytes", APack.Of().With("art/surfaces/flagstone.png", SmallBase.Files["art/surfaces/flagstone.png"]), "pack/unchanged", "art/surfaces/flagstone.png", Severity.Note },
        { "alpha lost on a matte", APack.Of().With("wares/milk_jug/shelf.png", Picture.Filled(56, 56, new Pixel(255, 255, 255, 255)).With(20, 20, new Pixel(9, 9, 9, 255))), "image/alpha-lost", "wares/milk_jug/shelf.png", Severity.Blocker },
        { "a board without clear corners", Boards().With("art/boards/saltbrook_reed/96.png", Picture.Of(96, 48)), "image/no-alpha", "art/boards/saltbrook_reed/96.png", Severity.Blocker },
        { "a coloured ember map", APack.Of().With("art/embers/wares/soup_bowl.png", Picture.Of(64, 64)), "image/not-grey", "art/embers/wares/soup_bowl.png", Severity.Blocker },
        { "an ember map of a cold ware", APack.Of().With("art/embers/wares/milk_jug.png", Picture.Filled(64, 64, new Pixel(5, 5, 5, 255))), "companion/not-enabled", "art/embers/wares/milk_jug.png", Severity.Blocker },
        { "a PNG under a DDS", APack.Of().WithWare("tide_cup").With("wares/tide_cup/skin.dds", Dds.Of(64, 64)), "companion/outranked", "wares/tide_cup/skin.png", Severity.Blocker },
        { "a stall picture of nothing", APack.Of().With("art/stalls/007.png", Picture.Of(96, 72)), "companion/unwanted", "art/stalls/007.png", Severity.Blocker },
        { "two of three awnings", Awnings().Without("art/awnings/hill/lamp.png"), "set/incomplete", "art/awnings/hill/lamp.png", Severity.Blocker },
        { "a market that cannot be added", APack.Of().With("art/awnings/fair/noon.png", Picture.Of(150, 60)), "name/not-listed", "art/awnings/fair/noon.png", Severity.Blocker },
        { "a seal without a row", APack.Of().With("art/seals/saltbrook_tide.png", Seal()), "name/not-listed", "art/seals/saltbrook_tide.png", Severity.Blocker },
        { "a seal too faint", APack.Of().With("tables/seals.csv", "code,do\nsaltbrook_tide,add\n").With("art/seals/saltbrook_tide.png", Seal(90)), "image/fine-lettering", "art/seals/saltbrook_tide.png", Severity.Warning },
        { "a flame behind a gap", Flames(4).With("art/flames/updraught/06.png", Picture.Of(40, 40)), "series/gap", "art/flames/updraught/06.png", Severity.Blocker },
        { "a flame on another canvas", Flames(4).With("art/flames/updraught/03.png", Picture.Of(40, 44)), "series/canvas", "art/flames/updraught/03.png", Severity.Blocker },
        { "flames without the last", Flames(3), "series/mixed", "art/flames/updraught/04.png", Severity.Blocker },
        { "a circle of wares", APack.Of().With("wares/milk_jug/ware.json", """{ "id": "moor.milk_jug", "like": "moor.milk_jug" }"""), "entry/circular", "wares/milk_jug/ware.json", Severity.Blocker },
        { "a stall number twice", APack.Of().WithWare("tide_cup").With("wares/tide_cup/ware.json", """{ "id": "saltbrook.tide_cup", "shape": "jug", "made_of": "clay", "price": 3, "stall": "001" }"""), "entry/twice", "wares/tide_cup/ware.json", Severity.Blocker },
        { "the table of seals with a row of the base", APack.Of().With("tables/seals.csv", "code,do,name\nclay_mark,change,Clay mark\n"), "table/copied-rows", "tables/seals.csv", Severity.Note },
        { "a system's file", APack.Of().With("art/surfaces/Thumbs.db", "x"), "pack/leftover", "art/surfaces/Thumbs.db", Severity.Warning },
        { "a copy that was kept", APack.Of().With("art/surfaces/flagstone_old.png", Good), "pack/leftover", "art/surfaces/flagstone_old.png", Severity.Blocker },
        { "a source changed after its result", Stale(), "pack/stale-result", "art/surfaces/saltbrook_foam.png", Severity.Warning },
        { "the base's picture in another place", APack.Of().WithSurface("saltbrook_foam", Good).With("art/surfaces/saltbrook_foam.png", SmallBase.Files["art/surfaces/flagstone.png"]), "pack/same-as-other", "art/surfaces/saltbrook_foam.png", Severity.Note },
        { "a ribbon over a frieze", APack.Of().With("art/friezes/year.png", Picture.Filled(1190, 150, new Pixel(90, 80, 70, 255)) with { At = (x, y) => y is > 60 and < 90 ? new Pixel(230, 60, 80, 255) : new Pixel(90, 80, 70, 255) }), "image/crosses-field", "art/friezes/year.png", Severity.Warning },
        { "all to see in the corners", APack.Of().With("art/scenes/saltbrook_bay.png", Picture.Of(264, 150) with { At = (x, y) => y < 40 && (x < 40 || x > 224) && (x + y) % 2 == 0 ? new Pixel(255, 255, 255, 255) : new Pixel(90, 80, 70, 255) }), "image/outside-frame", "art/scenes/saltbrook_bay.png", Severity.Warning },
        { "a neighbour of another colour", APack.Of().With("art/surfaces/flagstone.png", Picture.Filled(64, 64, new Pixel(250, 250, 250, 255))), "image/neighbour-step", "art/surfaces/flagstone.png", Severity.Note },
        { "a picture like nothing before", APack.Of().With("art/stalls/001.png", Picture.Filled(96, 72, new Pixel(255, 255, 255, 255))), "image/unlike-base", "art/stalls/001.png", Severity.Note },
        { "a name without prefix", APack.Of().WithSurface("foam", Good), "name/prefix", "art/surfaces/foam.png", Severity.Warning },
        { "one folder around all", APack.Empty.With("tidepool/firing.json", APack.Manifest).With("tidepool/art/surfaces/flagstone.png", Good), "package/wrapped", "tidepool", Severity.Blocker },
        { "waivers that cannot be read", APack.Of().With(".underlay/waivers.json", "{"), "waiver/unreadable", ".underlay/waivers.json", Severity.Warning },
        { "a field one letter off", APack.Of().WithWare("tide_cup").With("wares/tide_cup/ware.json", """{ "id": "saltbrook.tide_cup", "shape": "jug", "made_of": "clay", "price": 3, "Glaze": "moor.celadon" }"""), "entry/near-field", "wares/tide_cup/ware.json", Severity.Warning },
        { "a row of nothing", APack.Of().With("tables/seals.csv", "code,do,name\nsaltbrook_tide,add,Tide\n"), "table/no-file", "tables/seals.csv", Severity.Warning },
        { "a row without its name", APack.Of().With("art/seals/saltbrook_tide.png", Seal()).With("tables/seals.csv", "code,do,name\nsaltbrook_tide,add,\n"), "table/empty-value", "tables/seals.csv", Severity.Warning },
        { "a sound that is a text", APack.Of().With("audio/bells/one.wav", "RIFF"), "sound/unreadable", "audio/bells/one.wav", Severity.Blocker },
        { "a sound of another rate", APack.Of().With("audio/bells/one.wav", TestSound.Wav(44_100)), "sound/rate", "audio/bells/one.wav", Severity.Blocker },
        { "a bell on two channels", APack.Of().With("audio/bells/one.wav", TestSound.Wav(channels: 2)), "sound/channels", "audio/bells/one.wav", Severity.Blocker },
        { "a sound of no group", APack.Of().With("audio/drums/saltbrook_one.wav", TestSound.Wav()).With("audio/drums.csv", Row("saltbrook_one")), "sound/never-played", "audio/drums/saltbrook_one.wav", Severity.Blocker },
        { "a sound without a row", APack.Of().With("audio/bells/saltbrook_two.wav", TestSound.Wav()), "sound/row", "audio/bells/saltbrook_two.wav", Severity.Blocker },
        { "a loop longer than its sound", APack.Of().With("audio/ambience/quay.wav", TestSound.Wav(seconds: 0.1)), "sound/row", "audio/ambience/quay.wav", Severity.Blocker },
        { "a row of no sound", APack.Of().With("audio/bells.csv", Row("saltbrook_two")), "sound/row-without-sound", "audio/bells.csv", Severity.Warning },
        { "a sound that begins late", APack.Of().With("audio/bells/one.wav", TestSound.Wav(lead: 0.2)), "sound/heard", "audio/bells/one.wav", Severity.Warning },
        { "a loop that clicks", APack.Of().With("audio/ambience/quay.wav", TestSound.Wav(channels: 2)).With("audio/ambience.csv", Row("quay", "10,4018,")), "sound/loop-clicks", "audio/ambience/quay.wav", Severity.Warning },
        { "a recipe of a ware of nowhere", APack.Of().WithTexts("saltbrook.fire/name").With("entries/recipes/saltbrook_fire.json", SmallBase.Recipe("saltbrook.fire", uses: """{ "ware": "moor.milk_jugg", "amount": 1 }""")), "entry/dangling", "entries/recipes/saltbrook_fire.json", Severity.Blocker },
        { "a lane too narrow", APack.Of().With("entries/plans/quay.json", SmallBase.Plan().Replace("\"width_m\": 2", "\"width_m\": 1.9", StringComparison.Ordinal)), "entry/unreachable", "entries/plans/quay.json", Severity.Blocker },
        { "a signal that rain silences", APack.Of().With("entries/towers/quay.json", SmallBase.Tower(weather: "clear")), "entry/not-covered", "entries/towers/quay.json#opening", Severity.Blocker },
        { "techniques without the base's", APack.Of().WithTexts("saltbrook.diving/name").With("entries/techniques.json", """{ "entries": [{ "id": "moor.throwing" }, { "id": "saltbrook.diving" }] }"""), "entry/hides-others", "entries/techniques.json", Severity.Warning },
        { "a reaction behind one that always fits", APack.Of().With("entries/glazes/celadon.json", """{ "id": "moor.celadon", "body": "#9ec2b4", "rim": "#2f6e63", "reactions": [{ "from_c": 900, "to_c": 1100, "air": "any", "gives": { "type": "drip" } }, { "from_c": 1100, "to_c": 1200, "air": "reducing", "gives": { "type": "drip" } }, { "from_c": 950, "to_c": 1180, "air": "reducing", "soak_min": 20, "gives": { "type": "crackle" } }] }"""), "entry/row-never-used", "entries/glazes/celadon.json", Severity.Warning },
        { "a glaze without a name", APack.Of().With("entries/glazes/saltbrook_tide.json", """{ "id": "saltbrook.tide", "body": "#2f8f86", "rim": "#e9efe4" }"""), "text/missing", "entries/glazes/saltbrook_tide.json#saltbrook.tide/name", Severity.Blocker },
        { "a text of nothing", APack.Of().WithTexts("saltbrook.tide/name"), "text/no-owner", "texts/pack.csv", Severity.Warning },
        { "a text in no French", APack.Of().With("texts/all.csv", "key,en,de,fr\nmoor.celadon/name,Celadon,Seladon,\n"), "text/untranslated", "texts/all.csv", Severity.Note },
        { "a name in the ware", APack.Of().With("wares/soup_bowl/ware.json", """{ "id": "moor.soup_bowl", "shape": "bowl", "made_of": "clay", "price": 12, "stall": "002", "ember": 0.5, "name": "Bowl" }"""), "text/literal", "wares/soup_bowl/ware.json", Severity.Warning },
        { "a placeholder", Placeholder(), "pack/placeholder", "art/surfaces/flagstone.png", Severity.Note },
        { "an author who is not named", APack.Of().With("firing.json", APack.Manifest.Replace("\"Saltbrook\"", "\"author\"", StringComparison.Ordinal)), "manifest/unnamed-author", "firing.json", Severity.Warning },
    };

    private static string Row(string name, string values = ",,") => $"name,loop_from,loop_to,gain_db\n{name},{values}\n";

    private static APack Placeholder()
    {
        var overlay = APack.Of().Check().Overlay!;
        var tree = overlay.Pack.Tree.With(
            Bring.Edits(overlay, overlay.Pack.Tree, Bring.Plan(overlay, [PackPath.Parse("art/surfaces/flagstone.png")])));
        return new APack(tree.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
    }

    [Fact]
    public void A_pack_of_nothing_that_the_host_reads_is_a_blocker()
    {
        Assert.Equal(
            ("pack/empty", "", Severity.Blocker),
            Assert.Single(APack.Of().Findings().Select(f => (f.Code.Value, f.Path, f.Severity))));
        Assert.Contains(APack.Of().With("plans.txt", "x").Findings(), f => f is { Code.Value: "pack/empty", Blocks: true });
        // What keeps the only file from being read is told in its place.
        Assert.Equal(["path/near-miss"], APack.Of().With("art/surfaces/flagstne.png", Good).Findings().Select(f => f.Code.Value));
    }

    [Theory]
    [MemberData(nameof(Mistakes))]
    public void A_mistake_is_found_once_where_it_is(string mistake, APack pack, string code, string path, Severity severity)
    {
        Assert.NotEmpty(mistake);
        var finding = pack.Finding(code);
        Assert.Equal((code, path, severity), (finding.Code.Value, finding.Path, finding.Severity));
    }

    [Fact]
    public void Every_check_of_the_engine_has_a_mistake_here_or_a_test_of_its_own() =>
        Assert.Equal(
            [
                // Tested with other editions, a richer base, archives or the other host.
                "edition/renamed", "entry/made-of-old", "entry/off-screen", "entry/unknown-key", "entry/unusual-number", "image/colour-bleeds", "index/missing-row", "index/order", "index/other-name", "index/twice", "index/unknown",
                "manifest/edition", "pack/empty", "pack/rolled-back", "package/damaged", "package/ending", "package/too-big", "package/unsafe", "path/not-judged", "path/unsafe", "recipe/free-gain", "recipe/nothing-makes", "recipe/out-of-reach", "recipe/same-things", "recipe/sold-at-loss", "sound/gap", "sound/length", "text/as-original", "text/long", "thing/half-changed",
            ],
            CheckList.Codes.Select(c => c.Value).Except(Mistakes.Select(m => m.Data.Item3)).Order());

    [Fact]
    public void A_sound_pack_has_no_findings() =>
        Assert.Empty(Front("front.png").With("front.png", Picture.Filled(320, 200, new Pixel(9, 9, 9, 255)) with { ColourType = 2 })
            .WithSurface(
                "saltbrook_foam",
                Good,
                """{ "made_of": "stone", "edge": "opaque", "under": { "surface": "saltbrook_foam", "share": 0.3 } }""")
            .WithWare("tide_cup")
            .Findings());

    [Fact]
    public void An_edition_that_the_pack_does_not_declare_is_a_blocker()
    {
        var finding = Assert.Single(APack.Of().Check(Repository.Kilnmoor.Editions[0]).Findings, f => f.Severity == Severity.Blocker);
        Assert.Equal(("manifest/edition", "/reads/from"), (finding.Code.Value, finding.Pointer));
    }

    [Fact]
    public void A_name_that_no_package_may_hold_is_told_with_its_control_characters_made_visible()
    {
        var tree = FileTree.Of(APack.Of().Tree.Files, [new RefusedName("a\u0007b", PathProblem.ControlCharacter)]);
        var finding = Assert.Single(CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, tree).Findings);
        Assert.Equal(("path/unsafe", "a\\u0007b"), (finding.Code.Value, finding.Path));
    }

    [Fact]
    public void What_follows_from_a_mistake_is_told_with_it()
    {
        var finding = APack.Of().WithWare("tide_cup").With("wares/tide_cup/ware.json", "{").Finding();
        Assert.Equal("entry/unreadable", finding.Code.Value);
        Assert.Equal(
            ["wares/tide_cup/shelf.png", "wares/tide_cup/skin.png", "wares/tide_cup/ware.json"],
            finding.Predicts.Select(p => p.Path).Order());
        Assert.Contains("also spoils wares/tide_cup/shelf.png, wares/tide_cup/skin.png", finding.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_rejected_entry_has_a_finding_for_each_fault_with_its_pointer_and_line()
    {
        var findings = APack.Of().WithSurface("saltbrook_foam", Good, "{\n  \"edge\": \"soft\" }").Findings();
        Assert.Equal([("", "made_of", null), ("/edge", "", 2)], findings.Select(f => (f.Pointer, f.Discriminator, f.At?.Line)));
    }

    [Fact]
    public void A_wrapped_pack_is_not_judged_further_and_says_what_was_skipped()
    {
        var report = APack.Empty.With("a/b/firing.json", "{").With("a/b/x.txt", "x").Check();
        Assert.Equal("a/b", Assert.Single(report.Findings).Path);
        Assert.Equal(CheckList.Codes.Count - 1, report.Skipped.Count);
    }

    private static APack Front(string path) =>
        APack.Of().With("firing.json", APack.Manifest.TrimEnd().TrimEnd('}') + $", \"front\": \"{path}\" }}");

    private static APack Awnings() =>
        new[] { "dawn", "noon", "lamp" }.Aggregate(APack.Of(), (pack, m) => pack.With($"art/awnings/hill/{m}.png", Picture.Of(150, 60)));

    private static APack Boards() =>
        new[] { 64, 96, 128, 192 }.Aggregate(
            APack.Of(),
            (pack, w) => pack.With($"art/boards/saltbrook_reed/{w}.png", Picture.Of(w, 48).WithClearRing()));

    private static APack Flames(int count) =>
        Enumerable.Range(1, count).Aggregate(APack.Of(), (pack, i) => pack.With($"art/flames/updraught/0{i}.png", Picture.Of(40, 40)));

    private static Picture Seal(byte ink = 250) =>
        (Picture.Filled(60, 44, new Pixel(40, 50, 60, 255)) with { At = (x, y) => x is > 14 and < 46 && y is > 10 and < 34 && x % 10 < 4 ? new Pixel(ink, ink, ink, 255) : new Pixel(40, 50, 60, 255) }).WithClearRing();

    private static APack Stale()
    {
        var pack = APack.Of().WithSurface("saltbrook_foam", Picture.Of(100, 100));
        var shaped = pack.Tree.With(
            Core.Steps.Shaping.Add(
                pack.Tree,
                PackPath.Parse("art/surfaces/saltbrook_foam.png"),
                new Core.Steps.FitToSize(new Core.Images.PixelSize(64, 64), Core.Steps.FitMode.Stretch, Exact: false)).Edits);
        return new APack(shaped.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll())).With(
            ".underlay/sources/art/surfaces/saltbrook_foam.png",
            Picture.Of(120, 120));
    }

    private static byte[] Heavy()
    {
        var parts = (Picture.Of(320, 200) with { ColourType = 2 }).Chunks();
        parts.Chunks.Insert(1, ("edIt", new byte[204_800]));
        return parts.ToBytes();
    }
}
