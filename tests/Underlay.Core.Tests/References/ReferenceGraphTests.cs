using Underlay.Core.Formats.Json;
using Underlay.Core.References;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.References;

/// <summary>What a file needs and what uses it, and what entries have from each other.</summary>
public class ReferenceGraphTests
{
    private static readonly APack Cups = APack.Of()
        .WithWare("tide_cup")
        .With(
            "wares/tide_cup/ware.json",
            """{ "id": "saltbrook.tide_cup", "shape": "jug", "made_of": "clay", "price": 3, "suits": { "fair": 2 }, "stall": "400" }""")
        .With("art/stalls/400.png", Picture.Of(96, 72))
        .WithWare("tide_mug")
        .With(
            "wares/tide_mug/ware.json",
            """{ "id": "saltbrook.tide_mug", "like": "saltbrook.tide_cup", "price": 4, "suits": { "market": 1 } }""")
        .WithTexts("saltbrook.fire/name")
        .With(
            "entries/recipes/fire.json",
            SmallBase.Recipe(
                "saltbrook.fire",
                """{ "material": "clay", "amount": 1 }""",
                """{ "ware": "saltbrook.tide_cup", "amount": 2 }"""));

    private static Overlay Over(APack pack) => pack.Check().Overlay!;

    private static Placement At(Overlay overlay, string path) => overlay.Shown(PackPath.Parse(path))!;

    [Fact]
    public void A_ware_needs_its_pictures_its_texts_its_number_and_what_it_names()
    {
        var overlay = Over(Cups);
        var needs = new ReferenceGraph(overlay).NeedsOf(At(overlay, "wares/tide_cup/ware.json"));
        Assert.All(needs, n => Assert.True(n.Holds, $"{n.Pointer} {n.Value}"));
        Assert.Contains(needs, n => n is { Kind: ReferenceKind.Code, Value: "clay", Book: "materials" });
        Assert.Contains(needs, n => n is { Kind: ReferenceKind.FoundBy, At.Value: "art/stalls/400.png" });
        Assert.Contains(needs, n => n is { Kind: ReferenceKind.Beside, At.Value: "wares/tide_cup/shelf.png" });
        Assert.Contains(needs, n => n is { Kind: ReferenceKind.Text, Value: "saltbrook.tide_cup/name" });
    }

    [Fact]
    public void What_is_not_there_is_looked_for_where_it_would_be()
    {
        var overlay = Over(Cups.Without("wares/tide_cup/shelf.png").Without("art/stalls/400.png"));
        var needs = new ReferenceGraph(overlay).NeedsOf(At(overlay, "wares/tide_cup/ware.json"));
        Assert.Equal(
            ["art/stalls/400.png", "wares/tide_cup/shelf.png"],
            needs.Where(n => !n.Holds).Select(n => n.At!.Value.Value).Order(StringComparer.Ordinal));
    }

    [Fact]
    public void A_ware_is_used_by_the_recipe_that_makes_it_and_the_ware_that_is_like_it()
    {
        var overlay = Over(Cups);
        var uses = new ReferenceGraph(overlay).UsesOf(At(overlay, "wares/tide_cup/ware.json"));
        Assert.Equal(
            [
                (ReferenceKind.Names, "entries/recipes/fire.json", "/makes/0/ware"),
                (ReferenceKind.TakesOver, "wares/tide_mug/ware.json", "/like"),
            ],
            uses
                .Where(u => u.From.Place.HoldsText)
                .Select(u => (u.Kind, u.From.Path.Value, u.Pointer))
                .OrderBy(u => u.Value, StringComparer.Ordinal));
    }

    [Fact]
    public void Need_and_use_are_two_ends_of_one_reference()
    {
        var overlay = Over(Cups);
        var graph = new ReferenceGraph(overlay);
        var files = overlay.Profile.Places.SelectMany(overlay.ShownIn).ToList();
        var forth = files
            .SelectMany(graph.NeedsOf)
            .Where(n => n is { To: { } to, Kind: not (ReferenceKind.Code or ReferenceKind.Text) } && to.Path != n.From.Path)
            // What is taken over is used by the entry that has it.
            .Where(n => n.Pointer.Length == 0 || n.From.Facts.Entry!.Text.Find(n.Pointer) is not null)
            .Select(n => (n.From.Path.Value, n.To!.Path.Value, n.Kind))
            .ToHashSet();
        var back = files
            .SelectMany(f => graph.UsesOf(f).Where(u => u.Kind != ReferenceKind.Row).Select(u => (u.From.Path.Value, f.Path.Value, u.Kind)))
            .ToHashSet();
        Assert.True(forth.Count > 20, "the stack has references");
        Assert.Empty(forth.Except(back));
    }

    [Fact]
    public void An_heir_has_objects_field_by_field_and_nothing_of_what_is_never_taken_over()
    {
        var overlay = Over(Cups);
        var taken = TakenOver.By(overlay, At(overlay, "wares/tide_mug/ware.json"));
        Assert.Equal(
            ["/made_of", "/shape", "/suits/fair"],
            taken.Select(t => t.Pointer).Order(StringComparer.Ordinal));
        Assert.All(taken, t => Assert.Equal("wares/tide_cup/ware.json", t.From.Path.Value));
        var heirs = TakenOver.Heirs(overlay, At(overlay, "wares/tide_cup/ware.json"));
        Assert.Equal(["/made_of", "/shape", "/suits/fair"], Assert.Single(heirs).Pointers.Order(StringComparer.Ordinal));
    }

    [Fact]
    public void Setting_all_that_is_taken_over_leaves_the_entry_as_it_is_shown()
    {
        // Over the base's wares, three deep: each value is the one that the host shows.
        var overlay = Over(APack.Of());
        var heirs = overlay.ShownIn(overlay.Profile.Place("wares")).Where(w => w.Field("/like") is not null).ToList();
        Assert.NotEmpty(heirs);
        foreach (var heir in heirs)
        {
            var text = heir.Facts.Entry!.Text;
            foreach (var taken in TakenOver.By(overlay, heir))
            {
                Assert.Null(text.Find(taken.Pointer));
                text = JsonText.Parse(JsonEdit.Set(text, taken.Pointer, System.Text.Encoding.UTF8.GetBytes(taken.Value.GetRawText())));
            }

            foreach (var field in new[] { "/shape", "/made_of", "/glaze" })
                Assert.Equal(overlay.Text(heir, field), text.FindString(field));
        }
    }
}
