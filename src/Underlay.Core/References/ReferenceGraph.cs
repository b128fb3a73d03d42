using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.References;

/// <summary>
/// Who speaks of whom in a stack, over the entries, pictures, sounds, texts and codes of base and pack. Nothing is kept: each answer
/// is looked up in what the stack knows already.
/// </summary>
public sealed class ReferenceGraph(Overlay overlay)
{
    /// <summary>
    /// What a file needs: all that it names in fields of its own or taken over, what it takes over from, what it wants beside it, and
    /// the texts by which people know it.
    /// </summary>
    public IReadOnlyList<Reference> NeedsOf(Placement file)
    {
        var needs = new List<Reference>();
        if (file.Facts.Entry is { Text.Problem: null })
        {
            if (file.Place.Kind?.Inherits is { } inherits && file.Field(inherits.By) is { } id)
                needs.Add(Named(ReferenceKind.TakesOver, file, inherits.By, id, overlay.Links.Parent(file)));
            var found = FoundByFieldsOf(file).ToList();
            needs.AddRange(found);
            // A number by which a picture is found may be a name of it as well.
            foreach (var rule in file.Place.RulesOf<RefersToRule>(overlay.Edition))
                needs.AddRange(
                    overlay.References(rule, file)
                        .Select(r => Resolve(rule, file, r.Pointer, r.Value))
                        .Where(n => !found.Exists(f => f.At == n.At && f.Pointer == n.Pointer)));
            needs.AddRange(TextsOf(file));
        }

        foreach (var rule in file.Place.RulesOf<RequiresRule>(overlay.Edition).Where(r => overlay.Wants(r, file)))
            needs.Add(Beside(rule, file));
        return needs;
    }

    /// <summary>
    /// What uses a file: entries of base and pack that name it in a field of their own or take fields over from it, rows that name it,
    /// and what has to have it beside itself.
    /// </summary>
    public IReadOnlyList<Reference> UsesOf(Placement file)
    {
        var uses = new List<Reference>();
        if (file.Place.Id is { } pointer && file.Field(pointer) is { } id)
            foreach (var (owner, field) in overlay.Links.ReferringTo(file.Place))
                foreach (var user in overlay.Links.WithValue(owner, field, id).Where(u => u.Path != file.Path))
                    uses.Add(
                        Named(
                            field == owner.Kind?.Inherits?.By ? ReferenceKind.TakesOver : ReferenceKind.Names,
                            user,
                            PointerOf(user, field, id),
                            id,
                            file));
        foreach (var owner in overlay.Profile.Places.Where(p => p.Editions.Holds(overlay.Edition)))
        {
            foreach (var rule in owner.RulesOf<RefersToRule>(overlay.Edition))
                if (rule is { Placeholder: { } placeholder }
                    && Tied(rule.Place!).Contains(file.Place)
                    && file.Bindings.Spell(placeholder) is { } name)
                    foreach (var user in overlay.Links.WithValue(owner, rule.Field, name).Where(u => u.Path != file.Path))
                        uses.Add(Named(ReferenceKind.Names, user, PointerOf(user, rule.Field, name), name, file));
            foreach (var rule in owner.RulesOf<RequiresRule>(overlay.Edition))
                if (rule.Places.Contains(file.Place.Key)
                    && owner.Pattern?.Fill(file.Bindings) is { } at
                    && overlay.Shown(at) is { } user
                    && overlay.Wants(rule, user))
                    uses.Add(Named(ReferenceKind.Beside, user, "", "", file));
        }

        foreach (var rule in file.Place.RulesOf<WantedByRule>(overlay.Edition))
            if (file.Bindings.Find(rule.Placeholder) is { } number)
                foreach (var user in overlay.Links.WithValue(overlay.Profile.Place(rule.Place), rule.Field, number))
                    uses.Add(Named(ReferenceKind.FoundBy, user, rule.Field, number, file));
        foreach (var index in overlay.Profile.Places.Where(p => p.Content == PlaceContent.Index).SelectMany(overlay.Pack.In))
            if (index.Facts.Index is { Problem: null } rows && rows.Names(file.Path))
                uses.Add(Named(ReferenceKind.Row, index, "", file.Path.Value, file));
        return uses;
    }

    private static Reference Named(ReferenceKind kind, Placement from, string pointer, string value, Placement? to) =>
        new(kind, from, pointer, value, to?.Path, to, null, to is not null);

    /// <summary>The first field of a file with a value, by a pointer in which * stands for every item of a list.</summary>
    private static string PointerOf(Placement user, string field, string value) =>
        user.Facts.Entry!.Text.FindStrings(field).Where(t => t.Text == value).Select(t => t.Pointer).FirstOrDefault(field);

    private IReadOnlyList<Place> Tied(string place) => overlay.Profile.Groups.Of(overlay.Profile.Place(place));

    private Reference Resolve(RefersToRule rule, Placement owner, string pointer, string value)
    {
        if (rule.Codebook is { } book)
        {
            var table = overlay.Profile.SourceOf(overlay.Profile.Codebook(book));
            var file = table is null ? null : overlay.ShownIn(table).FirstOrDefault();
            return new Reference(ReferenceKind.Code, owner, pointer, value, file?.Path, file, book, overlay.Codebook(book).Has(value));
        }

        if (rule.Placeholder is null)
            return Named(ReferenceKind.Names, owner, pointer, value, overlay.Links.ById(overlay.Profile.Place(rule.Place!), value));
        var at = overlay.Target(rule, owner, value);
        var shown = at is { } path ? overlay.Shown(path) : null;
        return new Reference(ReferenceKind.Names, owner, pointer, value, at, shown, null, shown is not null);
    }

    private IEnumerable<Reference> FoundByFieldsOf(Placement owner)
    {
        foreach (var place in overlay.Profile.Places.Where(p => p.Editions.Holds(overlay.Edition)))
            foreach (var rule in place.RulesOf<WantedByRule>(overlay.Edition).Where(r => r.Place == owner.Place.Key))
                if (owner.Field(rule.Field) is { } number
                    && place.Pattern?.Fill(Bindings.Of([(rule.Placeholder, number)])) is { } at)
                    yield return new Reference(
                        ReferenceKind.FoundBy,
                        owner,
                        rule.Field,
                        number,
                        at,
                        overlay.Shown(at),
                        null,
                        overlay.Shown(at) is not null);
    }

    private IEnumerable<Reference> TextsOf(Placement owner)
    {
        foreach (var wanted in WantedText.Of(overlay, owner))
        {
            var row = overlay.Rows.Find(overlay.Profile.Place(wanted.Rule.Place), wanted.Key);
            var at = row?.From.Path ?? (PackPath.TryParse(wanted.Rule.File, out var usual, out _) ? usual : null);
            yield return new Reference(
                ReferenceKind.Text,
                owner,
                wanted.Pointer,
                wanted.Key,
                at,
                row?.From,
                null,
                wanted.Find(overlay) is not null);
        }
    }

    private Reference Beside(RequiresRule rule, Placement owner)
    {
        var shown = overlay.FirstShown(rule.Places, owner.Bindings);
        var at = shown?.Path ?? (overlay.Targets(rule.Places, owner.Bindings) is [var first, ..] ? first : (PackPath?)null);
        return new Reference(ReferenceKind.Beside, owner, "", "", at, shown, null, shown is not null || overlay.IsLent(rule, owner));
    }
}
