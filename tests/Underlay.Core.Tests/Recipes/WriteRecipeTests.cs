using System.Text;
using Underlay.Core.Findings;
using Underlay.Core.Mending;
using Underlay.Core.Renames;

namespace Underlay.Core.Tests.Recipes;

/// <summary>A recipe is written for what nothing makes, after that of the base's entry most like it.</summary>
public class WriteRecipeTests
{
    private static FileTree Like(string original, params string[] names) => names.Aggregate(
        APack.Of().Tree,
        (tree, name) =>
        {
            var plan = EntryAnother.Plan(DemoBase.Check(tree).Overlay!, PackPath.Parse($"wares/{original}/ware.json"), name);
            Assert.Null(plan.Problem);
            return tree.With(plan.Edits);
        });

    private static FixOutcome Mended(FileTree tree) =>
        FixRunner.Run("pack", tree, DemoBase.Check, Repository.Kilnmoor, ["recipe/nothing-makes"]);

    private static string Text(FileTree tree, string path) => Encoding.UTF8.GetString(tree.Find(PackPath.Parse(path))!.ReadAll());

    [Fact]
    public void It_is_that_of_the_most_similar_and_makes_the_new_one()
    {
        var after = Mended(Like("tea_cup", "ebb_cup")).Tree;
        var recipe = Text(after, "entries/recipes/ebb_cup.json");
        Assert.Contains("\"id\": \"saltbrook.ebb_cup\"", recipe, StringComparison.Ordinal);
        Assert.Contains("\"ware\": \"saltbrook.ebb_cup\"", recipe, StringComparison.Ordinal);
        Assert.Contains("\"material\": \"white_clay\",\n      \"amount\": 0.189", recipe, StringComparison.Ordinal);
        Assert.DoesNotContain("moor.tea_cup", recipe, StringComparison.Ordinal);
    }

    /// <summary>Written at once or one by one, none takes what another takes; nothing of the author's is lost or worse.</summary>
    [Fact]
    public void Those_of_many_are_told_apart_by_the_host()
    {
        var before = Like("tea_cup", "ebb_cup", "flood_cup", "neap_cup");
        var outcome = Mended(before);
        Assert.Equal(3, outcome.Applied.Count);
        Assert.Empty(outcome.Held);
        Assert.DoesNotContain(outcome.Report.Findings, f => f.Code.Value.StartsWith("recipe/", StringComparison.Ordinal));
        Assert.DoesNotContain(outcome.Report.Findings, f => f.Blocks);
        Assert.All(before.Files, f => Assert.NotNull(outcome.Tree.Find(f.Path)));
        var more = outcome.Tree.With(
            EntryAnother.Plan(outcome.Report.Overlay!, PackPath.Parse("wares/tea_cup/ware.json"), "spring_cup").Edits);
        Assert.DoesNotContain(Mended(more).Report.Findings, f => f.Code.Value.StartsWith("recipe/", StringComparison.Ordinal));
    }

    /// <summary>A ware with no text of its own: the recipe is called after it, and not as the one that it was made of.</summary>
    [Fact]
    public void It_is_called_after_what_it_makes_and_leaves_no_warning()
    {
        const string Ware =
            """
            {
                "id": "saltbrook.ebb_cup", "shape": "cup", "made_of": "white_clay",
                "price": 9, "shelf_of": "moor.tea_cup", "name": "Ebb"
            }
            """;
        var tree = APack.Of().WithWare("ebb_cup").With("wares/ebb_cup/ware.json", Ware).Without("texts/pack.csv").Tree;
        var outcome = Mended(tree);
        Assert.Single(outcome.Applied);
        IEnumerable<string> Told(CheckReport report) => report.Findings.Where(f => f.Severity != Severity.Note).Select(f => f.Code.Value);
        Assert.Empty(Told(outcome.Report).Except(Told(DemoBase.Check(tree))));
        Assert.Contains("saltbrook.ebb_cup/name,Ebb cup,", Text(outcome.Tree, "texts/entries.csv"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_recipe_of_another_kind_of_that_name_stays()
    {
        var tree = Like("tea_cup", "ebb_cup").With(
            [
                new TreeEdit.Write(
                    PackPath.Parse("entries/recipes/ebb_cup.json"),
                    Encoding.UTF8.GetBytes(SmallBase.Recipe("saltbrook.other"))),
            ]);
        Assert.Empty(Mended(tree).Applied);
    }

    /// <summary>Each other of one original with a recipe of its own: all are made, and the host tells them apart.</summary>
    [Fact]
    public void Another_takes_its_recipe_along()
    {
        var tree = APack.Of().Tree;
        foreach (var (original, name) in new[] { ("tea_cup", "ebb_cup"), ("tea_cup", "flood_cup"), ("ebb_cup", "neap_cup") })
        {
            var plan = EntryAnother.Plan(
                DemoBase.Check(tree).Overlay!,
                PackPath.Parse($"wares/{original}/ware.json"),
                name,
                withRecipe: true);
            Assert.Null(plan.Problem);
            tree = tree.With(plan.Edits);
        }

        Assert.Contains("\"ware\": \"saltbrook.neap_cup\"", Text(tree, "entries/recipes/neap_cup.json"), StringComparison.Ordinal);
        Assert.DoesNotContain(
            DemoBase.Check(tree).Findings,
            f => f.Blocks || f.Code.Value.StartsWith("recipe/", StringComparison.Ordinal) || f.Code.Value == "text/missing");
    }

    [Fact]
    public void What_no_recipe_makes_has_none_to_take_along() =>
        Assert.Null(
            EntryAnother.RecipeOf(DemoBase.Check(APack.Of().Tree).Overlay!, PackPath.Parse("art/surfaces/clay_raked.surface.json")));
}
