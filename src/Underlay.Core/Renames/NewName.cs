using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>The name that an entry is to have, in its path and its id.</summary>
/// <param name="Entry">The entry as it is.</param>
/// <param name="Placeholder">The placeholder of its path that holds the name.</param>
/// <param name="Old">The name that it has.</param>
/// <param name="Name">The name that it gets.</param>
/// <param name="OldId">The id that it has, or null.</param>
/// <param name="Id">The id that it gets; null where it has none.</param>
internal sealed record NewName(Placement Entry, string Placeholder, string Old, string Name, string? OldId, string? Id)
{
    /// <summary>Where the entry then is.</summary>
    public PackPath Path => Entry.Place.Pattern!.Fill(Bindings)!.Value;

    /// <summary>What its path then has at the placeholders.</summary>
    public Bindings Bindings => Entry.Bindings.With(Placeholder, Name);

    /// <summary>The name, or why an entry cannot have it as a sentence.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="path">The entry, of the pack or the base.</param>
    /// <param name="name">The name: of the path, without the author's prefix of an id.</param>
    /// <param name="isNew">True for an entry that is to stand beside the old one.</param>
    public static (NewName? Name, string? Problem) Of(Overlay overlay, PackPath path, string name, bool isNew)
    {
        var entry = overlay.OfPack(path) ?? overlay.OfBase(path);
        if (entry is not { Place: { Kind: not null, Pattern: { Placeholders: [var placeholder] } pattern } })
            return (null, $"{path} is no entry that has a name of its own.");
        if (pattern.Fill(entry.Bindings.With(placeholder, name)) is not { } to || pattern.Match(to) is null)
            return (null, $"“{name}” is no name for {entry.Place.One}: {Placeholders(overlay, placeholder)} are wanted.");
        if (to == path) return (null, "It has that name already.");
        if (overlay.PackHas(to) || overlay.Base.Find(to) is not null) return (null, $"{to} is there already.");
        var old = entry.Bindings.Find(placeholder)!;
        var oldId = entry.Place.Id is { } pointer ? entry.Field(pointer) : null;
        var id = oldId is null ? null : IdFor(overlay, entry, oldId, old, name, isNew);
        if (id is not null && id != oldId && overlay.Links.ById(entry.Place, id) is { } taken)
            return (null, $"The id “{id}” is that of {taken.Path} already.");
        return (new NewName(entry, placeholder, old, name, oldId, id), null);
    }

    /// <summary>
    /// An id follows its path where it did before, or has to. A new entry gets the author's prefix, which then need not stand in the
    /// name as well.
    /// </summary>
    private static string IdFor(Overlay overlay, Placement entry, string oldId, string old, string name, bool isNew)
    {
        var follows = Names.Id.NameIn(oldId) == old || entry.Place.RulesOf<NamesAgreeRule>(overlay.Edition).Any();
        var now = follows || isNew ? Names.Id.WithName(oldId, name) : oldId;
        return isNew && overlay.Pack.Manifest.Prefix is { } prefix ? $"{prefix}.{Names.Id.NameIn(now)}" : now;
    }

    private static string Placeholders(Overlay overlay, string placeholder) =>
        overlay.Profile.Placeholders.TryGetValue(placeholder, out var hole) ? $"characters of {hole.Characters}" : "other characters";
}
