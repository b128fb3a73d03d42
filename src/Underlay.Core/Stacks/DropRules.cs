using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;

namespace Underlay.Core.Stacks;

/// <summary>Tells which rule, if any, a file breaks for which the host leaves it out, in the stack as it stands.</summary>
internal sealed class DropRules(Overlay overlay)
{
    private readonly Dictionary<string, Known> known = new(StringComparer.Ordinal);

    /// <summary>The rules of a place for which files are left out, in the place's order.</summary>
    public IReadOnlyList<Rule> Of(Place place) => KnownOf(place).All;

    /// <summary>Those that a file keeps or breaks by its own name and text alone.</summary>
    public IReadOnlyList<NamesAgreeRule> NamesOf(Place place) => KnownOf(place).Names;

    /// <summary>Those of values that no two may have.</summary>
    public IReadOnlyList<UniqueRule> UniqueOf(Place place) => KnownOf(place).Unique;

    /// <summary>True where one is about fields that are taken over.</summary>
    public bool Inherits(Place place) => KnownOf(place).Inherits;

    /// <summary>The first rule that the file breaks, with the host's word for it; null where it breaks none.</summary>
    public (string Code, Rule Rule)? FindBroken(Placement placement)
    {
        foreach (var rule in Of(placement.Place))
            if (Broken(placement, rule) is { } consequence) return (consequence.Code, rule);
        return null;
    }

    private Known KnownOf(Place place) =>
        known.TryGetValue(place.Key, out var found) ? found : known[place.Key] = Known.Of([.. place.RulesIn(overlay.Edition)]);

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
            ReachableRule reachable => Reachability.OutOfReach(overlay, reachable, placement).Any(),
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

    private sealed record Known(
        IReadOnlyList<Rule> All,
        IReadOnlyList<NamesAgreeRule> Names,
        IReadOnlyList<UniqueRule> Unique,
        bool Inherits)
    {
        public static Known Of(IReadOnlyList<Rule> rules)
        {
            Rule[] drops = [.. rules.Where(r => r.Else.Kind == ConsequenceKind.Drop)];
            return new Known(
                drops,
                [.. drops.OfType<NamesAgreeRule>()],
                [.. rules.OfType<UniqueRule>()],
                rules.Any(r => r is InheritsRule));
        }
    }
}
