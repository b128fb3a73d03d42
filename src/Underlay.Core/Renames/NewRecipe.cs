using System.Globalization;
using System.Text;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Core.Recipes;

namespace Underlay.Core.Renames;

/// <summary>
/// The recipe of something new, after one that makes something else. It takes a little more of the first thing, since of two recipes
/// that the same things satisfy the host makes but one.
/// </summary>
/// <param name="Model">The recipe that it is made after.</param>
/// <param name="Part">The place in the model's list of products of what is made otherwise.</param>
/// <param name="Path">Where it goes.</param>
/// <param name="Id">Its id.</param>
/// <param name="Made">The id of what it makes.</param>
internal sealed record NewRecipe(Recipe Model, int Part, PackPath Path, string Id, string Made)
{
    // Small enough to be changed by hand or left, and told in whole thousandths.
    private const double Step = 0.05;

    /// <summary>The recipe, where one can be written: its path and its id are free in the base, and nothing has its id.</summary>
    /// <param name="economy">The economy of the stack.</param>
    /// <param name="model">The recipe that it is made after.</param>
    /// <param name="of">What the model makes, of which the new one is another.</param>
    /// <param name="name">What the recipe is called in its path and its id.</param>
    /// <param name="made">The id of what it makes.</param>
    public static NewRecipe? Of(Economy economy, Recipe model, Good of, string name, string made)
    {
        var (overlay, place) = (economy.Overlay, model.From.Place);
        var part = model.Makes.ToList().FindIndex(m => m.Good == of);
        return part >= 0
            && model.Uses.Count > 0
            && place is { Id: not null, Pattern: { Placeholders: [var named] } pattern }
            && pattern.Fill(Bindings.Of([(named, name)])) is { } path
            && pattern.Match(path) is not null
            && overlay.Base.Find(path) is null
            && EntryMake.IdOf(overlay, name) is { } id
            && overlay.Links.ById(place, id) is null
            ? new NewRecipe(model, part, path, id, made)
            : null;
    }

    /// <summary>Writes it, with a name in words.</summary>
    public void AddTo(PlanDraft draft, Economy economy)
    {
        var (place, rule) = (Model.From.Place, economy.Rule!);
        var good = rule.Goods.First(g => g.Of == Model.Makes[Part].Good.Of);
        var text = JsonText.Parse(economy.Overlay.Read(Model.From)!);
        void Set(string at, byte[] value) => text = JsonText.Parse(JsonEdit.Set(text, at, value));
        Set(place.Id!, JsonEdit.Text(Id));
        Set($"{rule.Makes}/{Part}{good.Field}", JsonEdit.Text(Made));
        Set(Model.Uses[0].Pointer + rule.Amount, Encoding.UTF8.GetBytes(FreeAmount(economy, draft.Tree)));
        draft.Add(
            Path,
            $"made of {Model.From.Path}, with a little more of the first thing that it takes",
            new TreeEdit.Write(Path, text.Utf8));
        EntryMake.AddName(economy.Overlay, place, Id, Names.Id.NameIn(Id), draft);
    }

    /// <summary>An amount that no recipe beside the model takes of its first thing, those counted that were written just before.</summary>
    private string FreeAmount(Economy economy, FileTree tree)
    {
        var place = Model.From.Place;
        int Count(FileTree files) => files.Files.Count(f => place.Pattern!.Match(f.Path) is not null);
        var taken = economy.Recipes
            .Where(r => r.Station == Model.Station && r.Uses.Count == Model.Uses.Count)
            .Select(r => r.Uses[0].Amount)
            .ToHashSet();
        for (var steps = 1 + Math.Max(0, Count(tree) - Count(economy.Overlay.Pack.Tree)); ; steps++)
        {
            var amount = Math.Round(Model.Uses[0].Amount.ToDouble() * (1 + (steps * Step)), 3);
            if (!taken.Contains(Rational.Of(amount))) return amount.ToString(CultureInfo.InvariantCulture);
        }
    }
}
