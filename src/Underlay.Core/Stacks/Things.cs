using Underlay.Core.Hosts;

namespace Underlay.Core.Stacks;

/// <summary>What players know as one: a kind of thing and its name.</summary>
/// <param name="Rule">The kind.</param>
/// <param name="Name">The name.</param>
public sealed record Thing(ThingRule Rule, string Name);

/// <summary>Answers which files make a thing, and to which things a file belongs.</summary>
public sealed class Things(Overlay overlay)
{
    /// <summary>The files of a thing that are shown, of the pack or the base, in the order of the profile's parts.</summary>
    public IReadOnlyList<Placement> FilesOf(Thing thing)
    {
        var files = new List<Placement>();
        foreach (var part in thing.Rule.Parts)
        {
            var place = overlay.Profile.Place(part.Place);
            if (!place.Editions.Holds(overlay.Edition)) continue;
            if ((part.Field is { } field ? FieldOf(thing, field) : thing.Name) is not { } value) continue;
            files.AddRange(FilesIn(place, part.Placeholder, value));
        }

        return files;
    }

    /// <summary>The things that a path belongs to.</summary>
    public IReadOnlyList<Thing> Of(Place place, Bindings bindings)
    {
        var things = new List<Thing>();
        foreach (var rule in overlay.Profile.Things)
            foreach (var part in rule.Parts.Where(p => p.Place == place.Key))
            {
                if (bindings.Find(part.Placeholder) is not { } value) continue;
                if (part.Field is null) things.Add(new Thing(rule, value));
                else things.AddRange(OwnersOf(rule, part.Field, value).Select(name => new Thing(rule, name)));
            }

        return things;
    }

    private IEnumerable<Placement> FilesIn(Place place, string placeholder, string value)
    {
        if (place.Pattern is not { } pattern) return [];
        // A pattern with one hole names one path; sets and series have several.
        if (pattern.Placeholders.Count == 1)
            return pattern.Fill(Bindings.Of([(placeholder, value)])) is { } path && overlay.Shown(path) is { } shown ? [shown] : [];
        return overlay.ShownIn(place).Where(p => p.Bindings.Find(placeholder) == value);
    }

    private string? FieldOf(Thing thing, string field) =>
        Owner(thing.Rule) is { Pattern: { } pattern } && pattern.Fill(Bindings.Of([(thing.Rule.Placeholder, thing.Name)])) is { } path
            ? overlay.Shown(path)?.Field(field)
            : null;

    private IEnumerable<string> OwnersOf(ThingRule rule, string field, string value) =>
        Owner(rule) is { } owner
            ? overlay.Links.WithValue(owner, field, value).Select(p => p.Bindings.Find(rule.Placeholder)).OfType<string>()
            : [];

    /// <summary>The place of the entry whose fields name files of other places.</summary>
    private Place? Owner(ThingRule rule) =>
        rule.Parts.Select(p => overlay.Profile.Place(p.Place)).FirstOrDefault(p => p.Content == PlaceContent.Entry);
}
