using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>
/// Decides what the host leaves out. A file has one drop code, the first of: unreadable, rejected, then the rules in the
/// place's order. Each round judges on what stood at its start, so that the order of files does not matter. Of the base's
/// files, those are looked at that a pack can touch: they refer to an id that is gone, share a value that must be unique,
/// take over in a circle, or belong to one that was dropped.
/// </summary>
internal sealed class DropRounds(Overlay overlay)
{
    private readonly HashSet<PackPath> baseInDoubt = [];

    // Places whose entries name files of others by a value.
    private readonly HashSet<string> wantedBy = overlay.Profile.Places
        .SelectMany(p => p.RulesOf<WantedByRule>(overlay.Edition))
        .Select(r => r.Place)
        .ToHashSet(StringComparer.Ordinal);

    public void Run()
    {
        DropUnusable();
        DoubtWhatIsCovered();
        while (DropOneRound())
        {
        }
    }

    /// <summary>What the file alone decides is judged before any round.</summary>
    private void DropUnusable()
    {
        foreach (var place in overlay.Profile.Places)
        {
            var names = place.RulesOf<NamesAgreeRule>(overlay.Edition).Where(r => r.Else.Kind == ConsequenceKind.Drop).ToList();
            foreach (var placement in overlay.Pack.In(place))
            {
                if (UnusableCode(placement) is { } code) overlay.Add(new Drop(placement, code, null));
                else if (names.Find(r => IsMisnamed(placement, r)) is { } rule) overlay.Add(new Drop(placement, rule.Else.Code, rule));
            }
        }
    }

    private static string? UnusableCode(Placement placement)
    {
        if (placement.Facts.Unreadable is not null)
            return placement.Place.Unreadable is { Kind: ConsequenceKind.Drop } drop ? drop.Code : null;
        return placement.Facts.Faults.Count > 0 ? "rejected" : null;
    }

    private static bool IsMisnamed(Placement placement, NamesAgreeRule rule) =>
        placement.Field(rule.Field) is { } id && Id.NameIn(id) != placement.Bindings.Find(rule.Placeholder);

    private bool DropOneRound()
    {
        var found = new List<Drop>();
        foreach (var place in overlay.Profile.Places.Where(p => p.RulesIn(overlay.Edition).Any(r => r.Else.Kind == ConsequenceKind.Drop)))
            foreach (var placement in overlay.Pack.In(place))
                if (overlay.FindDrop(placement.Path) is null && FindBroken(placement) is { } broken)
                    found.Add(new Drop(placement, broken.Code, broken.Rule));
        foreach (var path in baseInDoubt)
            if (overlay.Shown(path) is { Layer.IsBase: true } placement && FindBroken(placement) is { } broken)
                found.Add(new Drop(placement, broken.Code, broken.Rule));
        foreach (var drop in found) overlay.Add(drop);
        foreach (var drop in found) DoubtAround(drop.Placement);
        return found.Count > 0;
    }

    private (string Code, Rule Rule)? FindBroken(Placement placement)
    {
        foreach (var rule in placement.Place.RulesIn(overlay.Edition))
            if (rule.Else.Kind == ConsequenceKind.Drop && Broken(placement, rule) is { } consequence) return (consequence.Code, rule);
        return null;
    }

    private Consequence? Broken(Placement placement, Rule rule)
    {
        if (rule is InheritsRule line) return BrokenLine(placement, line);
        var broken = rule switch
        {
            RefersToRule refers => overlay.References(refers, placement).Any(r => !overlay.Resolves(refers, placement, r.Value)),
            RequiresRule requires => overlay.Wants(requires, placement) && overlay.FirstShown(requires.Places, placement.Bindings) is null,
            ListedInRule { Codebook: { } book } listed => !overlay.Codes[book].Has(placement.Bindings.Find(listed.Placeholder)!),
            IndexedRule indexed => !IsIndexed(placement, indexed),
            WantedByRule wanted => !IsWanted(placement, wanted),
            ReachableRule reachable => Ground.OutOfReach(overlay, reachable, placement).Any(),
            OutrankedByRule outranked => !placement.Layer.IsBase && overlay.FirstShown(outranked.Places, placement.Bindings) is not null,
            UniqueRule unique => IsDouble(placement, unique),
            _ => false,
        };
        return broken ? rule.Else : null;
    }

    private Consequence? BrokenLine(Placement placement, InheritsRule rule)
    {
        if (placement.Place.Kind?.Inherits is not { } inherits || placement.Field(inherits.By) is null) return null;
        var line = overlay.Links.Line(placement).ToList();
        var parent = overlay.Links.Parent(line[^1]);
        if (parent?.Path == placement.Path) return rule.Circle;
        if (overlay.Links.Parent(placement) is null) return rule.Else;
        return inherits.Required.All(f => overlay.Links.Value(placement, $"/{f}") is not null) ? null : rule.Lacking;
    }

    /// <summary>An index names files of its own package only.</summary>
    private bool IsIndexed(Placement placement, IndexedRule rule)
    {
        var index = overlay.Profile.Place(rule.Index);
        return placement.Layer.IsBase
            ? overlay.Base.In(index).Any(i => i.Facts.Index?.Names(placement.Path) == true)
            : overlay.Pack.In(index).Any(i => overlay.FindDrop(i.Path) is null && i.Facts.Index!.Names(placement.Path));
    }

    private bool IsWanted(Placement placement, WantedByRule rule) =>
        overlay.Links.WithValue(overlay.Profile.Place(rule.Place), rule.Field, placement.Bindings.Find(rule.Placeholder)!).Any();

    private bool IsDouble(Placement placement, UniqueRule rule)
    {
        if (placement.Field(rule.Field) is not { } value) return false;
        var others = overlay.Links.WithValue(placement.Place, rule.Field, value).Where(o => o.Path != placement.Path);
        return others.Any(o => rule.UpperStays && o.Layer.IsBase != placement.Layer.IsBase
            ? placement.Layer.IsBase
            : rule.UpperStays ? o.Path.CompareTo(placement.Path) > 0 : o.Path.CompareTo(placement.Path) < 0);
    }

    /// <summary>
    /// Base files that the pack can touch: those that refer to an id which it has or covers, that it takes the number of, or that
    /// share a value.
    /// </summary>
    private void DoubtWhatIsCovered()
    {
        foreach (var place in overlay.Profile.Places.Where(p => p.Id is not null || wantedBy.Contains(p.Key)))
        {
            foreach (var placement in overlay.Pack.In(place))
            {
                // Whoever refers to the pack's entry may take over from it what does not hold.
                if (place.Id is { } own && placement.Field(own) is { } mine) DoubtReferences(place, mine);
                if (overlay.OfBase(placement.Path) is not { } covered) continue;
                if (place.Id is { } id && covered.Field(id) is { } old && old != placement.Field(id)) DoubtReferences(place, old);
                DoubtWanted(covered);
            }
        }

        foreach (var book in overlay.Profile.Codebooks)
            foreach (var code in overlay.Codes.Gone(book.Key)) DoubtCode(book.Key, code);
        foreach (var place in overlay.Profile.Places.Where(p => p.RulesIn(overlay.Edition).Any(r => r is UniqueRule or InheritsRule)))
            foreach (var placement in overlay.Pack.In(place))
                if (overlay.FindDrop(placement.Path) is null) DoubtBeside(placement);
    }

    /// <summary>
    /// Base files that share a value with an entry which must be unique, or from which it takes fields over: they are judged along
    /// with it.
    /// </summary>
    private void DoubtBeside(Placement placement)
    {
        foreach (var unique in placement.Place.RulesOf<UniqueRule>(overlay.Edition))
            if (placement.Field(unique.Field) is { } value) Doubt(overlay.Links.WithValue(placement.Place, unique.Field, value));
        if (placement.Place.RulesOf<InheritsRule>(overlay.Edition).Any()) Doubt(overlay.Links.Line(placement).Skip(1));
    }

    private void Doubt(IEnumerable<Placement> placements)
    {
        foreach (var placement in placements.Where(p => p.Layer.IsBase)) baseInDoubt.Add(placement.Path);
    }

    private void DoubtAround(Placement dropped)
    {
        // What was covered by the dropped file comes up again, what belonged to it may stand alone.
        if (overlay.OfBase(dropped.Path) is not null) baseInDoubt.Add(dropped.Path);
        foreach (var tied in overlay.Profile.Groups.Of(dropped.Place))
            if (tied.Pattern?.Fill(dropped.Bindings) is { } path && overlay.OfBase(path) is not null) baseInDoubt.Add(path);
        if (dropped.Place.Id is { } id && dropped.Facts.Entry?.Text.FindString(id) is { } gone) DoubtReferences(dropped.Place, gone);
        DoubtWanted(dropped);
        if (!dropped.Layer.IsBase && overlay.OfBase(dropped.Path) is { } uncovered) DoubtBeside(uncovered);
    }

    private void DoubtWanted(Placement owner)
    {
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<WantedByRule>(overlay.Edition))
                if (rule.Place == owner.Place.Key
                    && owner.Field(rule.Field) is { } value
                    && place.Pattern?.Fill(Bindings.Of([(rule.Placeholder, value)])) is { } wanted)
                    baseInDoubt.Add(wanted);
    }

    /// <summary>Base files that name a code which is gone.</summary>
    private void DoubtCode(string codebook, string code)
    {
        foreach (var place in overlay.Profile.Places)
        {
            foreach (var rule in place.RulesOf<RefersToRule>(overlay.Edition).Where(r => r.Codebook == codebook))
                foreach (var file in overlay.Base.LinksOf(place).WithValue(rule.Field)[code]) baseInDoubt.Add(file.Path);
            foreach (var rule in place.RulesOf<ListedInRule>(overlay.Edition).Where(r => r.Codebook == codebook))
                foreach (var file in overlay.Base.In(place).Where(f => f.Bindings.Find(rule.Placeholder) == code))
                    baseInDoubt.Add(file.Path);
        }
    }

    private void DoubtReferences(Place place, string id)
    {
        foreach (var (owner, field) in overlay.Links.ReferringTo(place))
            foreach (var file in overlay.Base.LinksOf(owner).WithValue(field)[id]) baseInDoubt.Add(file.Path);
    }
}
