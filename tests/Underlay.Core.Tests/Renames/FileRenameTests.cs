using System.Text;
using Underlay.Core.Decisions;
using Underlay.Core.Fixes;
using Underlay.Core.Renames;

namespace Underlay.Core.Tests.Renames;

/// <summary>A file that gets another path takes along what goes by its name, as an entry does.</summary>
public class FileRenameTests
{
    private static APack After(APack pack, string from, string to)
    {
        var plan = FileRename.Plan(pack.Check().Overlay!, PackPath.Parse(from), PackPath.Parse(to));
        Assert.Null(plan.Problem);
        Assert.NotEmpty(plan.Lines);
        return new APack(pack.Tree.With(plan.Edits).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
    }

    private static string Text(APack pack, string path) => Encoding.UTF8.GetString(pack.Files[path]);

    [Fact]
    public void A_surface_takes_its_descriptor_its_glow_and_those_that_name_it_along()
    {
        var pack = APack.Of()
            .WithSurface("saltbrook_kelp", Picture.Of(64, 64))
            .With("art/embers/surfaces/saltbrook_kelp.png", Picture.Filled(64, 64, new Pixel(9, 9, 9, 255)))
            .WithSurface("saltbrook_wet", Picture.Of(64, 64))
            .With(
                "art/surfaces/saltbrook_wet.surface.json",
                """{ "made_of": "clay", "edge": "soft", "under": { "surface": "saltbrook_kelp", "share": 0.5 } }""");
        var after = After(pack, "art/surfaces/saltbrook_kelp.png", "art/surfaces/saltbrook_weed.png");
        Assert.DoesNotContain(after.Files.Keys, p => p.Contains("kelp", StringComparison.Ordinal));
        Assert.Contains("art/surfaces/saltbrook_weed.surface.json", after.Files.Keys);
        Assert.Contains("art/embers/surfaces/saltbrook_weed.png", after.Files.Keys);
        Assert.Contains("saltbrook_weed", Text(after, "art/surfaces/saltbrook_wet.surface.json"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_sound_takes_its_row_its_strokes_and_its_note_in_the_script_along()
    {
        var pack = APack.Of()
            .With("audio/bells/saltbrook_low.wav", TestSound.Wav())
            .With("audio/bells.csv", "name,loop_from,loop_to,gain_db\nsaltbrook_low,,,-3\n")
            .With(
                "entries/towers/saltbrook_bell.json",
                """
                { "id": "saltbrook.bell", "occasions": ["market"],
                  "peals": [{ "signal": "open", "weather": "any",
                    "strokes": [{ "audio": "bells/saltbrook_low", "turns": 1, "rest_ms": 0 }] }] }
                """)
            .With(".underlay/script.csv", "sound,speaker,notes\nbells/saltbrook_low,Tove,soft\n");
        var after = After(pack, "audio/bells/saltbrook_low.wav", "audio/bells/saltbrook_deep.wav");
        Assert.Equal("name,loop_from,loop_to,gain_db\nsaltbrook_deep,,,-3\n", Text(after, "audio/bells.csv"));
        Assert.Contains("bells/saltbrook_deep", Text(after, "entries/towers/saltbrook_bell.json"), StringComparison.Ordinal);
        Assert.Equal(new ScriptNote("Tove", "soft"), ScriptFile.Read(after.Tree)["bells/saltbrook_deep"]);
        Assert.Single(ScriptFile.Read(after.Tree));
        // In another folder its row goes to that folder's table.
        var street = After(after, "audio/bells/saltbrook_deep.wav", "audio/street/saltbrook_deep.wav");
        Assert.Contains("saltbrook_deep,,,-3", Text(street, "audio/street.csv"), StringComparison.Ordinal);
        Assert.DoesNotContain("saltbrook_deep", Text(street, "audio/bells.csv"), StringComparison.Ordinal);
        Assert.Contains("street/saltbrook_deep", Text(street, "entries/towers/saltbrook_bell.json"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_picture_of_a_ware_of_the_packs_own_renames_the_ware_whole()
    {
        var pack = APack.Of().WithWare("tide_cup");
        var after = After(pack, "wares/tide_cup/shelf.png", "wares/ebb_cup/shelf.png");
        Assert.DoesNotContain(after.Files.Keys, p => p.Contains("tide_cup", StringComparison.Ordinal));
        Assert.Contains("saltbrook.ebb_cup", Text(after, "wares/ebb_cup/ware.json"), StringComparison.Ordinal);
    }

    [Fact]
    public void What_lies_over_the_base_goes_alone()
    {
        const string under = """{ "made_of": "clay", "edge": "soft", "under": { "surface": "flagstone", "share": 0.5 } }""";
        var pack = APack.Of()
            .WithSurface("flagstone", Picture.Of(64, 64))
            .WithSurface("saltbrook_wet", Picture.Of(64, 64))
            .With("art/surfaces/saltbrook_wet.surface.json", under);
        var after = After(pack, "art/surfaces/flagstone.png", "art/surfaces/fence.png");
        // The base's flagstone is still there, and named.
        Assert.Equal(under, Text(after, "art/surfaces/saltbrook_wet.surface.json"));
        Assert.Contains("art/surfaces/flagstone.surface.json", after.Files.Keys);
        Assert.Contains("art/surfaces/fence.png", after.Files.Keys);
    }

    [Fact]
    public void What_is_there_already_is_refused()
    {
        var pack = APack.Of().WithSurface("saltbrook_a", Picture.Of(64, 64)).WithSurface("saltbrook_b", Picture.Of(64, 64));
        var plan = FileRename.Plan(
            pack.Check().Overlay!,
            PackPath.Parse("art/surfaces/saltbrook_a.png"),
            PackPath.Parse("art/surfaces/saltbrook_b.png"));
        Assert.NotNull(plan.Problem);
        Assert.Empty(plan.Edits);
    }

    [Fact]
    public void One_press_puts_the_prefix_before_all_names_and_a_second_finds_nothing()
    {
        var pack = Enumerable.Range(0, 40).Aggregate(APack.Of(), (p, i) => p.WithSurface($"foam_{i}", Picture.Of(64, 64)));
        pack = pack.With(
            "art/surfaces/foam_3.surface.json",
            """{ "made_of": "clay", "edge": "soft", "under": { "surface": "foam_4", "share": 0.5 } }""");
        var all = Assert.Single(pack.Findings(), f => f.Code.Value == "name/prefix");
        Assert.Equal((40, "Put the prefix before all 40"), (all.Parts.Count, all.Fix!.Title));
        Assert.All(all.Parts, p => Assert.IsType<PutPrefix>(p.Fix));
        var outcome = Tests.Fixes.Fixing.Run(pack, "name/prefix");
        Assert.Single(outcome.Applied);
        Assert.DoesNotContain(outcome.Report.Findings, f => f.Code.Value is "name/prefix" or "companion/missing" or "entry/dangling");
        Assert.Contains(
            "saltbrook_foam_4",
            Encoding.UTF8.GetString(outcome.Tree.Find(PackPath.Parse("art/surfaces/saltbrook_foam_3.surface.json"))!.ReadAll()),
            StringComparison.Ordinal);
    }

    [Fact]
    public void Many_foreign_files_are_one_finding_and_set_aside_in_one_press()
    {
        var pack = Enumerable.Range(0, 30).Aggregate(APack.Of().WithWare("tide_cup"), (p, i) => p.With($"notes/{i}.odt", "x"));
        var all = Assert.Single(pack.Findings(), f => f.Code.Value == "path/no-place");
        Assert.Equal((30, "Set all 30 aside"), (all.Parts.Count, all.Fix!.Title));
        var after = Tests.Fixes.Fixing.Run(pack, "path/no-place").Tree;
        Assert.DoesNotContain(after.Files, f => f.Path.IsBelow("notes"));
        Assert.Equal(30, after.Files.Count(f => f.Path.IsBelow(".underlay/aside/notes")));
    }

    [Fact]
    public void Two_looks_of_one_path_are_a_choice_that_no_press_for_all_makes()
    {
        var pack = APack.Of()
            .With("blue/art/surfaces/flagstone.png", Picture.Filled(64, 64, new Pixel(9, 9, 200, 255)))
            .With("red/art/surfaces/flagstone.png", Picture.Filled(64, 64, new Pixel(200, 9, 9, 255)))
            .With("red/art/surfaces/fence.png", Picture.Of(64, 64));
        var told = pack.Findings().Where(f => f.Code.Value == "path/near-miss").ToList();
        const string rival = "red/art/surfaces/flagstone.png would go there too: choose one";
        Assert.Contains(told, f => f.Message.Contains(rival, StringComparison.Ordinal));
        foreach (var only in new[] { Array.Empty<string>(), ["path/near-miss"] })
            Assert.Null(Tests.Fixes.Fixing.Run(pack, only).Tree.Find(PackPath.Parse("art/surfaces/flagstone.png")));
    }

    [Fact]
    public void A_misspelt_member_of_a_set_is_led_back()
    {
        var pack = APack.Of()
            .With("art/awnings/hill/dawn.png", Picture.Of(150, 60))
            .With("art/awnings/hill/nooon.png", Picture.Of(150, 60))
            .With("art/awnings/hill/lamp.png", Picture.Of(150, 60));
        Assert.Contains(pack.Findings(), f => f.Fix is RenameToPlace { To.Value: "art/awnings/hill/noon.png" });
    }
}
