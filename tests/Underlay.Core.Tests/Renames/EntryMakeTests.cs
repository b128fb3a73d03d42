using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Renames;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Renames;

/// <summary>Entries and tables that are made of no other.</summary>
public class EntryMakeTests
{
    private static readonly Lazy<Dictionary<string, BaseCatalogue>> Bases = new(
        () => Repository.Kilnmoor.Editions.ToDictionary(
            e => e.Key,
            e => BaseCatalogue.Read(Repository.Kilnmoor, e, DemoFiles.Base("kilnmoor", e.Key))));

    private static readonly Lazy<Overlay> Checked = new(
        () => Check(DemoFiles.Of("packs/wintermarket")).Overlay!);

    private static Overlay Market => Checked.Value;

    public static TheoryData<string> Places =>
        [.. Repository.Kilnmoor.Places.Where(p => EntryMake.CanMake(p, Market.Edition)).Select(p => p.Key)];

    [Theory]
    [MemberData(nameof(Places))]
    public void What_is_made_is_accepted_by_its_kind_in_every_place(string key)
    {
        var place = Repository.Kilnmoor.Place(key);
        var plan = EntryMake.Plan(Market, place, place.Pattern!.Placeholders.Count > 0 ? "reed_bowl" : "");
        if (Market.PackHas(plan.Path))
        {
            Assert.EndsWith("is there already.", plan.Problem, StringComparison.Ordinal);
            return;
        }

        Assert.Null(plan.Problem);
        var after = Check(Market.Pack.Tree.With(plan.Edits));
        var made = after.Overlay!.OfPack(plan.Path)!;
        Assert.Null(made.Facts.Unreadable);
        Assert.Empty(made.Facts.Faults);
        Assert.Equal(place, made.Place);
        Assert.NotEmpty(plan.Lines);
        // What the author is still to bring may be missed; the file itself is taken.
        Assert.Equal(
            after.Overlay.FindDrop(plan.Path) is not null,
            plan.Lines.Any(l => l.Says.StartsWith("the host leaves it out until", StringComparison.Ordinal)));
    }

    [Fact]
    public void A_ware_has_the_middle_price_the_commonest_shape_an_id_of_its_own_and_a_name()
    {
        var plan = EntryMake.Plan(Market, Repository.Kilnmoor.Place("wares"), "reed_bowl");
        var text = Encoding.UTF8.GetString(Market.Pack.Tree.With(plan.Edits).Find(plan.Path)!.ReadAll());
        Assert.Contains("\"id\": \"saltbrook.reed_bowl\"", text, StringComparison.Ordinal);
        Assert.DoesNotContain("\"stall\"", text, StringComparison.Ordinal);
        Assert.Contains(plan.Lines, l => l.Says == "price: 12, the middle of 12 of the base");
        Assert.Contains(plan.Lines, l => l.Says == "shape: beaker, as in 1 of 12 of the base");
        Assert.Contains(plan.Lines, l => l.Says == "saltbrook.reed_bowl/name: “Reed bowl”, for you to change");
    }

    [Fact]
    public void A_recipe_makes_what_has_its_name_and_nothing_where_nothing_has()
    {
        var recipes = Repository.Kilnmoor.Place("recipes");
        var ware = EntryMake.Plan(Market, Repository.Kilnmoor.Place("wares"), "reed_bowl");
        var overlay = Check(Market.Pack.Tree.With(ware.Edits)).Overlay!;
        var plan = EntryMake.Plan(overlay, recipes, "reed_bowl");
        Assert.Contains(plan.Lines, l => l.Says == "it makes saltbrook.reed_bowl, which has its name");
        Assert.DoesNotContain(plan.Lines, l => l.Says.StartsWith("makes:", StringComparison.Ordinal));
        var made = Check(overlay.Pack.Tree.With(plan.Edits)).Overlay!.OfPack(plan.Path)!;
        Assert.Equal("saltbrook.reed_bowl", made.Field("/makes/0/ware"));
        Assert.Empty(made.Facts.Faults);
        Assert.Contains(EntryMake.Plan(overlay, recipes, "reed_vat").Lines, l => l.Says == "makes: [], empty, for you to fill");
    }

    [Fact]
    public void Files_that_want_an_entry_tell_its_name()
    {
        var pack = APack.Of().With("wares/lonely_jug/shelf.png", Picture.Shelf());
        var overlay = pack.Check().Overlay!;
        var wanted = Assert.Single(EntryMake.Wanted(overlay, overlay.Profile.Place("wares")));
        Assert.Equal(("lonely_jug", "wares/lonely_jug/shelf.png"), (wanted.Name, wanted.For.Value));
        var plan = EntryMake.Plan(overlay, overlay.Profile.Place("wares"), wanted.Name);
        var after = new APack(pack.Tree.With(plan.Edits).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll())).Check().Overlay!;
        Assert.Empty(EntryMake.Wanted(after, after.Profile.Place("wares")));
        Assert.NotNull(after.Shown(wanted.For));
    }

    [Fact]
    public void A_name_that_is_taken_or_is_none_is_refused_with_a_reason()
    {
        var wares = Repository.Kilnmoor.Place("wares");
        Assert.Contains("make yours of that one", EntryMake.Plan(Market, wares, "tea_cup").Problem, StringComparison.Ordinal);
        Assert.Contains("is no name for", EntryMake.Plan(Market, wares, "Tea Cup!").Problem, StringComparison.Ordinal);
        Assert.Contains("is no name for", EntryMake.Plan(Market, wares, "").Problem, StringComparison.Ordinal);
    }

    private static CheckReport Check(FileTree tree) =>
        CheckReport.Make(Repository.Kilnmoor, Repository.Kilnmoor.Newest, e => Bases.Value[e.Key], tree);
}
