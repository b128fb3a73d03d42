using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>A name for which the pack has files that want an entry, and the pack has none.</summary>
/// <param name="Name">The name, as it stands in their paths.</param>
/// <param name="For">One of them.</param>
public sealed record WantedName(string Name, PackPath For);

/// <summary>
/// Makes an entry of no other: the fields that it has to have, with the values that the base's usually have, and its name.
/// A table begins with the columns that it has to have, as a table of changes where there are such.
/// </summary>
public static class EntryMake
{
    /// <summary>Whether entries, or tables, of a place can be made: one name tells them apart, or none.</summary>
    public static bool CanMake(Place place, Edition edition) =>
        place.Editions.Holds(edition)
        && place.Pattern is { } pattern
        && (place.Kind is not null
            ? pattern.Placeholders.Count == 1 && !place.RulesOf<ListedInRule>(edition).Any(r => r.Else.Kind == ConsequenceKind.Drop)
            : place.Table?.LaysRows == true && pattern.Placeholders.Count <= 1);

    /// <summary>Names for which files of the pack want an entry of the place, in order of name.</summary>
    public static IReadOnlyList<WantedName> Wanted(Overlay overlay, Place place)
    {
        if (place is not { Kind: not null, Pattern: { Placeholders: [var hole] } pattern }) return [];
        return
        [
            .. overlay.Pack.Placements
                .Where(
                    p => p.Place != place
                        && p.Place.RulesOf<RequiresRule>(overlay.Edition).Any(r => !r.AtWanted && r.Places.Contains(place.Key))
                        && pattern.Fill(p.Bindings) is { } at
                        && overlay.Shown(at) is null
                        && !overlay.PackHas(at))
                .GroupBy(p => p.Bindings.Find(hole)!, StringComparer.Ordinal)
                .OrderBy(g => g.Key, StringComparer.Ordinal)
                .Select(g => new WantedName(g.Key, g.Min(p => p.Path))),
        ];
    }

    /// <summary>What is to be done.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="place">Where the entry will be.</param>
    /// <param name="name">Its name, as it will stand in its path; empty for a table whose path holds none.</param>
    public static EntryPlan Plan(Overlay overlay, Place place, string name)
    {
        var pattern = place.Pattern!;
        var bindings = Bindings.Of(pattern.Placeholders is [var hole] ? [(hole, name)] : []);
        if (pattern.Fill(bindings) is not { } path || pattern.Match(path) is null)
            return EntryPlan.Refused(default, $"“{name}” is no name for {place.One}.");
        if (overlay.PackHas(path)) return EntryPlan.Refused(path, $"{path} is there already.");
        var draft = new PlanDraft(overlay.Pack.Tree);
        return place.Kind is null ? MakeTable(overlay, place, path, draft) : MakeEntry(overlay, place, path, bindings, draft);
    }

    private static EntryPlan MakeTable(Overlay overlay, Place place, PackPath path, PlanDraft draft)
    {
        var shape = place.Table!;
        var below = overlay.Base.Find(path)?.Facts.Table?.Columns ?? [];
        var columns = shape.Columns.Select(c => c.Name).Prepend(shape.Key).Concat(below).Prepend(shape.Merge).OfType<string>().Distinct();
        var says = below.Count > 0
            ? "made with the base’s columns; its rows lie over the base’s"
            : "made with the columns that it has to have";
        var header = string.Join(',', columns.Select(c => CsvText.Quote(c, ','))) + "\n";
        draft.Add(path, says, new TreeEdit.Write(path, Encoding.UTF8.GetBytes(header)));
        return draft.Done(path);
    }

    private static EntryPlan MakeEntry(Overlay overlay, Place place, PackPath path, Bindings bindings, PlanDraft draft)
    {
        var name = bindings.Find(place.Pattern!.Placeholders[0])!;
        if (overlay.Base.Find(path) is not null)
            return EntryPlan.Refused(path, $"The base has {path}; make yours of that one, or take another name.");
        var id = place.Id is null ? null : IdOf(overlay, name);
        if (place.Id is not null && id is null)
            return EntryPlan.Refused(path, "The manifest has no id yet, and with it no prefix for the entry’s own.");
        if (id is not null && overlay.Links.ById(place, id) is { } taken)
            return EntryPlan.Refused(path, $"The id “{id}” is that of {taken.Path} already.");
        var own = place.RulesOf<UniqueRule>(overlay.Edition).Select(r => r.Field).Append(place.Id).OfType<string>();
        var values = UsualValues.Of(overlay, place, own.Select(f => f[1..]).ToHashSet(StringComparer.Ordinal)).ToList();
        var text = JsonText.Parse("{}\n"u8.ToArray());
        void Set(string pointer, byte[] value) => text = JsonText.Parse(JsonEdit.Set(text, pointer, value));
        if (id is not null) Set(place.Id!, JsonEdit.Text(id));
        foreach (var value in values) Set($"/{value.Field}", JsonBytes.Of(value.Value));
        var makes = Makes(overlay, place, name);
        if (makes is not null) Set(overlay.Profile.Economy!.Makes, makes.Value.Json);
        draft.Add(path, id is null ? "made" : $"made with the id {id}", new TreeEdit.Write(path, text.Utf8));
        if (makes is not null) draft.Tell(path, $"it makes {makes.Value.Id}, which has its name");
        foreach (var value in values.Where(v => makes is null || $"/{v.Field}" != overlay.Profile.Economy!.Makes))
            draft.Tell(path, $"{value.Field}: {value.Value.ToString()}, {value.Says}");
        foreach (var rule in place.RulesOf<RequiresRule>(overlay.Edition).Where(r => !r.AtWanted && r.When is null))
            if (rule.Else.Kind == ConsequenceKind.Drop && overlay.FirstShown(rule.Places, bindings) is null)
                draft.Tell(
                    path,
                    $"the host leaves it out until there is {overlay.Profile.Place(rule.Places[0]).One} at "
                        + $"{overlay.Targets(rule.Places, bindings)[0]}");
        if (id is not null) AddName(overlay, place, id, name, draft);
        return draft.Done(path);
    }

    /// <summary>What a recipe makes that is called as something that can be made: one of it. Null for all else.</summary>
    private static (string Id, byte[] Json)? Makes(Overlay overlay, Place place, string name)
    {
        if (overlay.Profile.Economy is not { } economy || !economy.Recipes.Contains(place.Key)) return null;
        foreach (var good in economy.Goods.Where(g => g.Place is not null))
        {
            var goods = overlay.Profile.Place(good.Place!);
            if (goods is not { Id: { } pointer, Pattern.Placeholders: [var hole] }) continue;
            if (overlay.FirstShown([goods.Key], Bindings.Of([(hole, name)]))?.Field(pointer) is not { } id) continue;
            var part = JsonText.Parse(JsonEdit.Set(JsonText.Parse("{}"u8.ToArray()), good.Field, JsonEdit.Text(id)));
            return (id, [.. "["u8, .. JsonEdit.Set(part, economy.Amount, "1"u8.ToArray()), .. "]"u8]);
        }

        return null;
    }

    /// <summary>The id of the author's prefix and the name; null while the manifest has no id that tells the prefix.</summary>
    internal static string? IdOf(Overlay overlay, string name) => overlay.Pack.Manifest.Prefix is { } prefix ? $"{prefix}.{name}" : null;

    /// <summary>Its name in words to begin with; what else is wanted of it the author has to say.</summary>
    internal static void AddName(Overlay overlay, Place place, string id, string name, PlanDraft draft)
    {
        foreach (var rule in place.RulesOf<TextsRule>(overlay.Edition).Where(r => r.Field == place.Id))
        {
            string Value(string column) => column == rule.Column ? InWords(name) : "";
            NewText.Add(draft, overlay, place, rule, $"{id}/{rule.Keys[0]}", Value, "for you to change");
        }
    }

    private static string InWords(string name) =>
        name.Length == 0 ? name : char.ToUpperInvariant(name[0]) + name[1..].Replace('_', ' ').Replace('-', ' ');
}
