using System.Globalization;
using System.Text;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Recipes;
using Underlay.Core.Renames;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>
/// Writes the recipe that makes an entry, after that of the base's entry most like it. It takes a little more of the first thing, since
/// of two recipes that the same things satisfy the host makes but one.
/// </summary>
/// <param name="Entry">What nothing makes.</param>
public sealed record WriteRecipe(PackPath Entry)
    : Fix("Write a recipe as that of the base’s most like it", LosesNothing: true, LeavesNoChoice: false)
{
    // Small enough to be changed by hand or left, and told in whole thousandths.
    private const double Step = 0.05;

    /// <inheritdoc/>
    public override bool IsOffer => true;

    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (context.Overlay is not { } overlay || Target(overlay, Entry) is not { } target || tree.Find(target.Path) is not null) return [];
        var (economy, model, place, path, id, made) = target;
        var text = JsonText.Parse(overlay.Base.Read(model.From.Path)!);
        void Set(string at, byte[] value) => text = JsonText.Parse(JsonEdit.Set(text, at, value));
        Set(place.Id!, JsonEdit.Text(id));
        Set($"{economy.Rule!.Makes}/0{economy.Rule.Goods.First(g => g.Of == overlay.OfPack(Entry)!.Place.Key).Field}", JsonEdit.Text(made));
        Set(model.Uses[0].Pointer + economy.Rule.Amount, Encoding.UTF8.GetBytes(FreeAmount(economy, model, tree)));
        var draft = new PlanDraft(tree);
        draft.Add([new TreeEdit.Write(path, text.Utf8.ToArray())]);
        EntryMake.AddName(overlay, place, id, Id.NameIn(id), draft);
        return draft.Done(path).Edits;
    }

    /// <summary>The fix, where a recipe can be written: its path and its id are free, and there is one to go by.</summary>
    public static WriteRecipe? For(Overlay overlay, PackPath entry) =>
        Target(overlay, entry) is { } target && !overlay.PackHas(target.Path) ? new WriteRecipe(entry) : null;

    private static Written? Target(Overlay overlay, PackPath path)
    {
        if (overlay.OfPack(path) is not { Place: { Id: { } own, Pattern.Placeholders: [var hole] } } entry) return null;
        var economy = Economy.Of(overlay);
        if (entry.Field(own) is not { } made || RecipeModel.For(economy, entry) is not { } model) return null;
        var (place, name) = (model.From.Place, entry.Bindings.Find(hole)!);
        return place is { Id: not null, Pattern: { Placeholders: [var named] } pattern }
            && pattern.Fill(Bindings.Of([(named, name)])) is { } target
            && overlay.Base.Find(target) is null
            && EntryMake.IdOf(overlay, name) is { } id
            && overlay.Links.ById(place, id) is null
            ? new Written(economy, model, place, target, id, made)
            : null;
    }

    /// <summary>What is written, and after what.</summary>
    private sealed record Written(Economy Economy, Recipe Model, Hosts.Place Place, PackPath Path, string Id, string Made);

    /// <summary>An amount that no recipe beside the model takes of its first thing, those counted that were written just before.</summary>
    private static string FreeAmount(Economy economy, Recipe model, FileTree tree)
    {
        var place = model.From.Place;
        int Count(FileTree files) => files.Files.Count(f => place.Pattern!.Match(f.Path) is not null);
        var taken = economy.Recipes
            .Where(r => r.Station == model.Station && r.Uses.Count == model.Uses.Count)
            .Select(r => r.Uses[0].Amount)
            .ToHashSet();
        for (var steps = 1 + Math.Max(0, Count(tree) - Count(economy.Overlay.Pack.Tree)); ; steps++)
        {
            var amount = Math.Round(model.Uses[0].Amount.ToDouble() * (1 + (steps * Step)), 3);
            if (!taken.Contains(Rational.Of(amount))) return amount.ToString(CultureInfo.InvariantCulture);
        }
    }
}
