using System.Collections.Concurrent;
using System.Text.Json;
using Underlay.Core.Entries;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;

namespace Underlay.Core.Stacks;

/// <summary>What entries of a stack say of each other: who has an id, and what is taken over from whom.</summary>
internal sealed class Links(Overlay overlay)
{
    private readonly ConcurrentDictionary<(string Place, string Pointer), ILookup<string, Placement>> ofPack = new();
    private readonly Lazy<ILookup<string, (Place Owner, string Field)>> referring = new(() => Referring(overlay));

    /// <summary>
    /// Takes over from a stack before a change which entries say what, in places whose files it left alone; null where it left all
    /// files of structure alone.
    /// </summary>
    public void TakeOver(Links before, StackChange? files)
    {
        foreach (var (key, known) in before.ofPack)
            if (files?.Places.Contains(key.Place) != true) ofPack[key] = known;
    }

    /// <summary>
    /// The entry that has an id in a place and is shown; of several, the pack's, and of those the last by path. Null when there is
    /// none.
    /// </summary>
    public Placement? ById(Place place, string id)
    {
        if (place.Id is not { } pointer) return null;
        ReadSet.NoteValue(place.Key, id);
        Placement? found = null;
        foreach (var mine in OfPack(place, pointer)[id])
            if (overlay.FindDrop(mine.Path) is null) found = mine;
        if (found is not null) return found;
        foreach (var file in overlay.Base.LinksOf(place).ById[id])
            if (overlay.Shown(file.Path) is { Layer.IsBase: true } shown) found = shown;
        return found;
    }

    /// <summary>All shown entries of a place that have a value in their own field.</summary>
    public IEnumerable<Placement> WithValue(Place place, string pointer, string value)
    {
        ReadSet.NoteValue(place.Key, value);
        return OfPack(place, pointer)[value].Where(p => overlay.FindDrop(p.Path) is null)
            .Concat(
                overlay.Base
                    .LinksOf(place)
                    .WithValue(pointer)[value]
                    .Select(f => overlay.Shown(f.Path))
                    .OfType<Placement>()
                    .Where(p => p.Layer.IsBase));
    }

    /// <summary>The places whose entries refer to ids of a place, with the fields that do.</summary>
    public IEnumerable<(Place Owner, string Field)> ReferringTo(Place place) => referring.Value[place.Key];

    /// <summary>
    /// The entry itself and those that it takes fields over from, nearest first; the line ends where it breaks or would begin anew.
    /// </summary>
    public IEnumerable<Placement> Line(Placement entry)
    {
        yield return entry;
        // Most take nothing over: nothing is made for them.
        if (Parent(entry) is not { } parent) yield break;
        var seen = new HashSet<Packs.PackPath> { entry.Path };
        for (var at = parent; at is not null && seen.Add(at.Path); at = Parent(at)) yield return at;
    }

    /// <summary>The entry that an entry takes fields over from; null when it names none or one that is not there.</summary>
    public Placement? Parent(Placement entry) =>
        entry.Place.Kind?.Inherits is { } inherits && entry.Field(inherits.By) is { } id ? ById(entry.Place, id) : null;

    /// <summary>The text at a field, own or taken over; null when it is not there or no text.</summary>
    public string? Text(Placement entry, string pointer) =>
        Value(entry, pointer) is { ValueKind: JsonValueKind.String } value ? value.GetString() : null;

    /// <summary>
    /// The texts at a field, own or taken over, each with its pointer; a token * in it stands for every item of a list. A list is
    /// taken over whole.
    /// </summary>
    public IEnumerable<(string Pointer, string Text)> Texts(Placement entry, string pattern)
    {
        var star = pattern.IndexOf("/*", StringComparison.Ordinal);
        if (star < 0) return Text(entry, pattern) is { } text ? [(pattern, text)] : [];
        var holder = Line(entry).FirstOrDefault(e => e.Facts.Entry?.Text.Find(pattern[..star]) is not null);
        return holder is null || (holder.Path != entry.Path && IsExcepted(entry.Place.Kind!.Inherits!, pattern))
            ? []
            : holder.Facts.Entry!.Text.FindStrings(pattern);
    }

    /// <summary>The number at a field, own or taken over; 0 when it is not there.</summary>
    public double Number(Placement entry, string pointer) =>
        Value(entry, pointer) is { ValueKind: JsonValueKind.Number } value ? value.GetDouble() : 0;

    /// <summary>The value at a field, own or taken over.</summary>
    public JsonElement? Value(Placement entry, string pointer)
    {
        if (entry.Facts.Entry is not { } facts) return null;
        if (facts.Text.Find(pointer) is { } own) return own;
        if (entry.Place.Kind?.Inherits is not { } inherits || IsExcepted(inherits, pointer)) return null;
        foreach (var other in Line(entry).Skip(1))
            if (other.Facts.Entry?.Text.Find(pointer) is { } taken) return taken;
        return null;
    }

    private static ILookup<string, (Place Owner, string Field)> Referring(Overlay overlay) =>
        overlay.Profile.Places
            .SelectMany(owner => owner.RulesOf<RefersToRule>(overlay.Edition)
                .Where(r => r is { Place: not null, Placeholder: null })
                .Select(r => (Place: r.Place!, Owner: owner, r.Field))
                .Concat(owner.Kind?.Inherits is { } inherits ? [(owner.Key, owner, inherits.By)] : []))
            .ToLookup(r => r.Place, r => (r.Owner, r.Field), StringComparer.Ordinal);

    private static bool IsExcepted(Inheritance inherits, string pointer) =>
        inherits.Except.Contains(pointer.Split('/')[1], StringComparer.Ordinal);

    /// <summary>The pack's entries of a place, dropped or not, by the text at a field of their own.</summary>
    private ILookup<string, Placement> OfPack(Place place, string pointer) =>
        ofPack.GetOrAdd(
            (place.Key, pointer),
            _ =>
                overlay.Pack.In(place)
                    .SelectMany(
                        p => p.Facts.Entry?.Text.FindStrings(pointer).Select(t => t.Text).Distinct() ?? [],
                        (p, text) => (Placement: p, Text: text))
                    .ToLookup(p => p.Text, p => p.Placement, StringComparer.Ordinal));
}
