using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Renames;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Renames;

/// <summary>An entry gets another name wherever the name stands, and another like it one of its own.</summary>
public class EntryRenameTests
{
    private static readonly PackPath Jug = PackPath.Parse("wares/milk_jug/ware.json");

    private static readonly APack Cups = APack.Of()
        .WithWare("tide_cup")
        .With("wares/tide_cup/mask.png", Picture.Mask())
        .With(
            "wares/tide_cup/ware.json",
            """{ "id": "saltbrook.tide_cup", "shape": "jug", "made_of": "clay", "price": 3, "glaze": "moor.celadon" }""")
        .WithWare("tide_mug")
        .With(
            "wares/tide_mug/ware.json",
            """{ "id": "saltbrook.tide_mug", "like": "saltbrook.tide_cup", "lid": "saltbrook.tide_cup", "glaze": "moor.celadon" }""")
        .With("wares/tide_mug/mask.png", Picture.Mask())
        .WithTexts("saltbrook.fire/name", "saltbrook.turn/name")
        .With(
            "entries/recipes/turn.json",
            SmallBase.Recipe(
                "saltbrook.turn",
                """{ "material": "clay", "amount": 3 }""",
                """{ "ware": "saltbrook.tide_cup", "amount": 1 }"""))
        .With(
            "entries/recipes/fire.json",
            SmallBase.Recipe(
                "saltbrook.fire",
                """{ "material": "clay", "amount": 1 }, { "ware": "saltbrook.tide_cup", "amount": 1 }""",
                """{ "ware": "saltbrook.tide_cup", "amount": 2 }"""));

    private static Overlay Over(APack pack) => pack.Check().Overlay!;

    private static APack After(APack pack, EntryPlan plan)
    {
        Assert.Null(plan.Problem);
        return new APack(pack.Tree.With(plan.Edits).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
    }

    private static string Text(APack pack, string path) => Encoding.UTF8.GetString(pack.Files[path]);

    [Fact]
    public void A_renamed_ware_takes_its_files_its_id_its_texts_and_all_that_name_it_along()
    {
        Assert.Empty(Cups.Faults());
        var plan = EntryRename.Plan(Over(Cups), PackPath.Parse("wares/tide_cup/ware.json"), "ebb_cup");
        var after = After(Cups, plan);
        Assert.Empty(after.Faults());
        Assert.DoesNotContain(after.Files, f => f.Key.Contains("tide_cup", StringComparison.Ordinal));
        Assert.DoesNotContain(
            after.Files.Where(f => !f.Key.EndsWith(".png", StringComparison.Ordinal)),
            f => Text(after, f.Key).Contains("tide_cup", StringComparison.Ordinal));
        Assert.Contains(
            "\"ware\": \"saltbrook.ebb_cup\", \"amount\": 2",
            Text(after, "entries/recipes/fire.json"),
            StringComparison.Ordinal);
        Assert.Equal("wares/ebb_cup/ware.json", plan.Path.Value);
        // Everything that is changed is told before.
        Assert.Subset(
            plan.Lines.Select(l => l.Path.Value).ToHashSet(),
            new HashSet<string> { "wares/tide_mug/ware.json", "entries/recipes/fire.json", "texts/pack.csv", "wares/tide_cup/shelf.png" });
    }

    [Fact]
    public void A_surface_that_shows_through_another_is_named_there_by_its_new_name()
    {
        var pack = APack.Of()
            .WithSurface("saltbrook_foam", Picture.Of(64, 64))
            .WithSurface(
                "saltbrook_reef",
                Picture.Of(64, 64),
                """{ "made_of": "stone", "edge": "solid", "under": { "surface": "saltbrook_foam", "share": 0.3 } }""");
        var after = After(pack, EntryRename.Plan(Over(pack), PackPath.Parse("art/surfaces/saltbrook_foam.surface.json"), "saltbrook_surf"));
        Assert.Empty(after.Faults());
        Assert.True(after.Files.ContainsKey("art/surfaces/saltbrook_surf.png"));
        Assert.Contains(
            "\"surface\": \"saltbrook_surf\"",
            Text(after, "art/surfaces/saltbrook_reef.surface.json"),
            StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("tide_mug", "is there already")]
    [InlineData("milk_jug", "is there already")]
    [InlineData("Tide Cup", "is no name")]
    [InlineData("", "is no name")]
    [InlineData("tide_cup", "has that name already")]
    public void A_name_that_cannot_be_is_refused_with_the_reason(string name, string says)
    {
        var plan = EntryRename.Plan(Over(Cups), PackPath.Parse("wares/tide_cup/ware.json"), name);
        Assert.Contains(says, plan.Problem, StringComparison.Ordinal);
        Assert.Empty(plan.Edits);
    }

    [Fact]
    public void A_ware_of_the_base_is_not_renamed() =>
        Assert.Contains(
            "make another like it",
            EntryRename.Plan(Over(Cups), PackPath.Parse("wares/milk_jug/ware.json"), "x").Problem,
            StringComparison.Ordinal);

    [Fact]
    public void A_clone_of_a_base_ware_is_whole_with_its_own_prefix_number_and_texts()
    {
        var pack = APack.Of();
        var plan = EntryAnother.Plan(Over(pack), Jug, "cream_jug");
        var after = After(pack, plan);
        Assert.DoesNotContain(after.Faults(), f => f.Blocks);
        var ware = Text(after, "wares/cream_jug/ware.json");
        Assert.Contains("\"id\": \"saltbrook.cream_jug\"", ware, StringComparison.Ordinal);
        Assert.Contains("\"stall\": \"003\"", ware, StringComparison.Ordinal);
        Assert.True(after.Files.ContainsKey("art/stalls/003.png"));
        Assert.Contains("saltbrook.cream_jug/about,Old,Alt,Vieux", Text(after, "texts/wares.csv"), StringComparison.Ordinal);
        // Its pictures are still the original's.
        Assert.Contains(
            after.Findings(),
            f => f.Code.Value == "pack/placeholder" && f.Parts.Any(p => p.Path == "wares/cream_jug/shelf.png"));
    }

    [Fact]
    public void Two_made_like_one_original_do_not_meet()
    {
        var once = After(APack.Of(), EntryAnother.Plan(Over(APack.Of()), Jug, "cream_jug"));
        var twice = After(once, EntryAnother.Plan(Over(once), Jug, "curd_jug"));
        Assert.DoesNotContain(twice.Faults(), f => f.Blocks);
        Assert.Contains("\"stall\": \"004\"", Text(twice, "wares/curd_jug/ware.json"), StringComparison.Ordinal);
        Assert.NotNull(EntryAnother.Plan(Over(twice), Jug, "curd_jug").Problem);
    }

    [Fact]
    public void A_number_that_another_pack_has_is_not_taken()
    {
        var others = TakenNumber.Of(After(APack.Of(), EntryAnother.Plan(Over(APack.Of()), Jug, "whey_jug")).Check().Overlay!).ToList();
        Assert.Equal([new TakenNumber("wares", "/stall", "003")], others);
        var after = After(APack.Of(), EntryAnother.Plan(Over(APack.Of()), Jug, "cream_jug", elsewhere: others));
        Assert.Contains("\"stall\": \"004\"", Text(after, "wares/cream_jug/ware.json"), StringComparison.Ordinal);
        Assert.True(after.Files.ContainsKey("art/stalls/004.png"));
        Assert.False(after.Files.ContainsKey("art/stalls/003.png"));
    }

    /// <summary>In the older edition 003 is somebody else's stall: there the other's picture would be seen as that.</summary>
    [Fact]
    public void A_number_that_another_edition_uses_is_the_last_to_be_taken()
    {
        var old = new Dictionary<string, byte[]>(SmallBase.FilesOf("3.1")) { ["art/stalls/003.png"] = Picture.Of(96, 72).ToPng() };
        var older = BaseCatalogue.Read(
            Repository.Kilnmoor,
            Repository.Kilnmoor.Editions.Single(e => e.Key == "3.1"),
            FileTree.OfBytes(old.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value))));
        var overlay = CheckReport
            .Make(Repository.Kilnmoor, null, e => e == older.Edition ? older : SmallBase.Of(e), APack.Of().Tree)
            .Overlay!;
        var plan = EntryAnother.Plan(overlay, Jug, "cream_jug");
        Assert.Contains("\"stall\": \"004\"", Text(After(APack.Of(), plan), "wares/cream_jug/ware.json"), StringComparison.Ordinal);
    }

    [Fact]
    public void Another_recipe_has_its_text() =>
        Assert.Equal(
            ["entries/recipes/fire_again.json", "entries/recipes/fire_again.json", "texts/pack.csv"],
            EntryAnother.Plan(Over(Cups), PackPath.Parse("entries/recipes/fire.json"), "fire_again").Lines.Select(l => l.Path.Value));

    [Fact]
    public void A_text_that_two_entries_share_stays_with_the_other()
    {
        var pack = Cups.With(
            "entries/recipes/tide_cup.json",
            SmallBase.Recipe(
                "saltbrook.tide_cup",
                """{ "material": "clay", "amount": 4 }""",
                """{ "ware": "saltbrook.tide_cup", "amount": 1 }"""));
        Assert.Empty(pack.Faults());
        var after = After(pack, EntryRename.Plan(Over(pack), PackPath.Parse("wares/tide_cup/ware.json"), "ebb_cup"));
        Assert.Empty(after.Faults());
        Assert.Contains("saltbrook.tide_cup/name,One,Eins,Un", Text(after, "texts/pack.csv"), StringComparison.Ordinal);
        Assert.Contains("saltbrook.ebb_cup/name,One,Eins,Un", Text(after, "texts/pack.csv"), StringComparison.Ordinal);
    }
}
