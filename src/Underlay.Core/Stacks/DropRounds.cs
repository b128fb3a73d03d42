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
/// <remarks>
/// A later round looks at those files only whose verdict rests on what the round before left out; and after a change of the pack the
/// first round takes over the verdicts that the change cannot have touched.
/// </remarks>
internal sealed class DropRounds(Overlay overlay)
{
    private readonly HashSet<PackPath> baseInDoubt = [];
    private readonly DropRules rules = new(overlay);

    // Places whose entries name files of others by a value.
    private readonly HashSet<string> wantedBy = overlay.Profile.Places
        .SelectMany(p => p.RulesOf<WantedByRule>(overlay.Edition))
        .Select(r => r.Place)
        .ToHashSet(StringComparer.Ordinal);

    // Files of the pack because of which files of the base are in doubt, or may come to be by what others say.
    private readonly HashSet<PackPath> doubting = [];
    private bool doubts;

    /// <summary>Decides, and hands on what the next stack may take over.</summary>
    /// <param name="before">What the rounds of a stack before a change handed on.</param>
    /// <param name="change">What the change made different; null where nothing can be taken over.</param>
    public DropMemory Run(DropMemory before, StackChange? change)
    {
        var unusable = FindUnusable(before, change);
        foreach (var drop in unusable.Values) overlay.Add(drop);
        DoubtWhatIsCovered(before, change);
        var first = new Dictionary<PackPath, DropVerdict>(before.First.Count);
        foreach (var place in overlay.Profile.Places.Where(p => rules.Of(p).Count > 0))
            foreach (var placement in overlay.Pack.In(place))
                if (!unusable.ContainsKey(placement.Path)) first[placement.Path] = TakeOver(placement, before, change) ?? Judge(placement);
        var last = first;
        var dropped = Drop(first.Values);
        while (dropped.Count > 0)
        {
            var gone = StackChange.Of(dropped);
            var anew = last.Values
                .Where(v => overlay.FindDrop(v.Placement.Path) is null && v.Reads.MayDifferAfter(gone))
                .Select(v => Judge(v.Placement))
                .ToList();
            if (ReferenceEquals(last, first)) last = new Dictionary<PackPath, DropVerdict>(first);
            foreach (var verdict in anew) last[verdict.Placement.Path] = verdict;
            dropped = Drop(anew);
        }

        return new DropMemory(unusable, doubting, first);
    }

    /// <summary>
    /// The pack's files that have to be looked at: all, or after a change those that it made different and those known to matter.
    /// </summary>
    private IEnumerable<Placement> ToLookAt(IEnumerable<PackPath> known, StackChange? change) =>
        change is null
            ? overlay.Pack.Placements
            : change.Files.Where(f => ReferenceEquals(overlay.OfPack(f.Path), f))
                .Concat(known.Where(p => !change.Paths.Contains(p)).Select(overlay.OfPack).OfType<Placement>());

    private static DropVerdict? TakeOver(Placement placement, DropMemory before, StackChange? change) =>
        change is not null
        && before.First.TryGetValue(placement.Path, out var known)
        && ReferenceEquals(known.Placement, placement)
        && !known.Reads.MayDifferAfter(change)
            ? known
            : null;

    private DropVerdict Judge(Placement placement)
    {
        var (broken, asked) = ReadSet.Record(() => rules.FindBroken(placement));
        return new DropVerdict(placement, broken, asked);
    }

    /// <summary>Leaves out what was found broken, and of the base's files in doubt what is. All that was left out.</summary>
    private List<Placement> Drop(IEnumerable<DropVerdict> verdicts)
    {
        var found = verdicts
            .Where(v => v.Broken is not null)
            .Select(v => new Drop(v.Placement, v.Broken!.Value.Code, v.Broken.Value.Rule))
            .ToList();
        foreach (var path in baseInDoubt)
            if (overlay.Shown(path) is { Layer.IsBase: true } placement && rules.FindBroken(placement) is { } broken)
                found.Add(new Drop(placement, broken.Code, broken.Rule));
        foreach (var drop in found) overlay.Add(drop);
        foreach (var drop in found) DoubtAround(drop.Placement);
        return [.. found.Select(d => d.Placement)];
    }

    /// <summary>What the file alone decides is judged before any round.</summary>
    private Dictionary<PackPath, Drop> FindUnusable(DropMemory before, StackChange? change)
    {
        var found = new Dictionary<PackPath, Drop>();
        foreach (var placement in ToLookAt(before.Unusable.Keys, change))
        {
            if (UnusableCode(placement) is { } code) found[placement.Path] = new Drop(placement, code, null);
            else if (rules.NamesOf(placement.Place).FirstOrDefault(r => IsMisnamed(placement, r)) is { } rule)
                found[placement.Path] = new Drop(placement, rule.Else.Code, rule);
        }

        return found;
    }

    private static string? UnusableCode(Placement placement)
    {
        if (placement.Facts.Unreadable is not null)
            return placement.Place.Unreadable is { Kind: ConsequenceKind.Drop } drop ? drop.Code : null;
        return placement.Facts.Faults.Count > 0 ? OwnCodes.Rejected : null;
    }

    private static bool IsMisnamed(Placement placement, NamesAgreeRule rule) =>
        placement.Field(rule.Field) is { } id && Id.NameIn(id) != placement.Bindings.Find(rule.Placeholder);

    /// <summary>
    /// Base files that the pack can touch: those that refer to an id which it has or covers, that it takes the number of, or that
    /// share a value.
    /// </summary>
    private void DoubtWhatIsCovered(DropMemory before, StackChange? change)
    {
        foreach (var placement in ToLookAt(before.Doubting, change))
        {
            doubts = false;
            var place = placement.Place;
            if (place.Id is not null || wantedBy.Contains(place.Key)) DoubtCovered(placement);
            if (overlay.FindDrop(placement.Path) is null) DoubtBeside(placement);
            // Whom an entry takes fields over from may change although it does not.
            if (doubts || (place.Kind?.Inherits is { } inherits && placement.Field(inherits.By) is not null)) doubting.Add(placement.Path);
        }

        foreach (var book in overlay.Profile.Codebooks)
            foreach (var code in overlay.Codes.Gone(book.Key)) DoubtCode(book.Key, code);
    }

    private void DoubtCovered(Placement placement)
    {
        // Whoever refers to the pack's entry may take over from it what does not hold.
        if (placement.Place.Id is { } own && placement.Field(own) is { } mine) DoubtReferences(placement.Place, mine);
        if (overlay.OfBase(placement.Path) is not { } covered) return;
        if (placement.Place.Id is { } id && covered.Field(id) is { } old && old != placement.Field(id))
            DoubtReferences(placement.Place, old);
        DoubtWanted(covered);
    }

    /// <summary>
    /// Base files that share a value with an entry which must be unique, or from which it takes fields over: they are judged along
    /// with it.
    /// </summary>
    private void DoubtBeside(Placement placement)
    {
        foreach (var unique in rules.UniqueOf(placement.Place))
            if (placement.Field(unique.Field) is { } value)
                foreach (var file in overlay.Base.LinksOf(placement.Place).WithValue(unique.Field)[value]) Doubt(file.Path);
        if (!rules.Inherits(placement.Place)) return;
        foreach (var entry in overlay.Links.Line(placement).Skip(1))
            if (entry.Layer.IsBase) Doubt(entry.Path);
    }

    private void Doubt(PackPath path)
    {
        doubts = true;
        baseInDoubt.Add(path);
    }

    private void DoubtAround(Placement dropped)
    {
        // What was covered by the dropped file comes up again, what belonged to it may stand alone.
        if (overlay.OfBase(dropped.Path) is not null) Doubt(dropped.Path);
        foreach (var tied in overlay.Profile.Groups.Of(dropped.Place))
            if (tied.Pattern?.Fill(dropped.Bindings) is { } path && overlay.OfBase(path) is not null) Doubt(path);
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
                    Doubt(wanted);
    }

    /// <summary>Base files that name a code which is gone.</summary>
    private void DoubtCode(string codebook, string code)
    {
        foreach (var place in overlay.Profile.Places)
        {
            foreach (var rule in place.RulesOf<RefersToRule>(overlay.Edition).Where(r => r.Codebook == codebook))
                foreach (var file in overlay.Base.LinksOf(place).WithValue(rule.Field)[code]) Doubt(file.Path);
            foreach (var rule in place.RulesOf<ListedInRule>(overlay.Edition).Where(r => r.Codebook == codebook))
                foreach (var file in overlay.Base.In(place).Where(f => f.Bindings.Find(rule.Placeholder) == code))
                    Doubt(file.Path);
        }
    }

    private void DoubtReferences(Place place, string id)
    {
        foreach (var (owner, field) in overlay.Links.ReferringTo(place))
            foreach (var file in overlay.Base.LinksOf(owner).WithValue(field)[id]) Doubt(file.Path);
    }
}
