using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>
/// One pack over the base, as the host sees it: which files it leaves out, and what it shows at each path instead.
/// </summary>
/// <remarks>
/// A dropped file counts as absent, which can leave others without what they need; so drops are decided in rounds until
/// none is added. A file has one drop code, the first of: unreadable, rejected, then the rules in the place's order.
/// </remarks>
public sealed class Overlay
{
    private readonly Dictionary<PackPath, Placement> ofPack;
    private readonly Dictionary<PackPath, Drop> drops = [];

    private Overlay(PackReading pack, BaseCatalogue @base)
    {
        Pack = pack;
        Base = @base;
        ofPack = pack.Placements.ToDictionary(p => p.Path);
    }

    /// <summary>The pack.</summary>
    public PackReading Pack { get; }

    /// <summary>The base of the pack's edition.</summary>
    public BaseCatalogue Base { get; }

    /// <summary>The host.</summary>
    public HostProfile Profile => Pack.Profile;

    /// <summary>Every group that the pack has a file in.</summary>
    public IReadOnlyList<Group> Groups { get; private set; } = [];

    /// <summary>Lays a pack over a base.</summary>
    public static Overlay Of(PackReading pack, BaseCatalogue @base)
    {
        var overlay = new Overlay(pack, @base);
        overlay.DropUnusable();
        while (overlay.DropOneRound())
        {
        }

        overlay.Groups = overlay.FormGroups();
        return overlay;
    }

    /// <summary>What the host shows at a path: the pack's file unless it is dropped, else the base's, else nothing.</summary>
    public Placement? Shown(PackPath path)
    {
        if (ofPack.TryGetValue(path, out var mine) && !drops.ContainsKey(path)) return mine;
        return Base.Find(path) is { Place: { } place } file ? new Placement(path, place, file.Bindings, FromBase: true, file.Facts) : null;
    }

    /// <summary>The drop of the pack's file at a path, or null.</summary>
    public Drop? FindDrop(PackPath path) => drops.GetValueOrDefault(path);

    /// <summary>True when the pack has a file at the path, dropped or not.</summary>
    public bool PackHas(PackPath path) => Pack.Tree.Find(path) is not null;

    /// <summary>The paths that a relation asks for, the first being the one to name.</summary>
    public IReadOnlyList<PackPath> Targets(IReadOnlyList<string> places, Bindings bindings) =>
        [.. places.Select(k => Profile.Place(k).Pattern?.Fill(bindings)).OfType<PackPath>()];

    /// <summary>The path that a reference to a place asks for, or null when the value fits no path there.</summary>
    public PackPath? Target(RefersToRule rule, Placement owner) =>
        rule.Place is { } place && owner.Field(rule.Field) is { } value
            ? Profile.Place(place).Pattern?.Fill(owner.Bindings.With(rule.Placeholder, value))
            : null;

    /// <summary>True when what the field names exists, or when the field is not there.</summary>
    public bool Resolves(RefersToRule rule, Placement owner)
    {
        if (owner.Field(rule.Field) is not { } value) return true;
        if (rule.Codebook is { } book) return Base.Codebooks[book].Has(value);
        return Target(rule, owner) is { } target && Shown(target) is not null;
    }

    /// <summary>The rules that hold for a file in this edition, choices by other files' fields made.</summary>
    public IEnumerable<ActiveRule> RulesFor(Placement placement)
    {
        foreach (var rule in placement.Place.RulesIn(Pack.Edition))
        {
            if (rule is not VariesWithRule varies)
            {
                yield return new ActiveRule(rule, null);
                continue;
            }

            var owner = Targets([varies.Place], placement.Bindings) is [var path] ? path : (PackPath?)null;
            var value = owner is { } at ? Shown(at)?.Field(varies.Field) : null;
            foreach (var chosen in varies.Choices.GetValueOrDefault(value ?? varies.Otherwise) ?? varies.Choices[varies.Otherwise])
                if (chosen.Editions.Holds(Pack.Edition)) yield return new ActiveRule(chosen, owner);
        }
    }

    private static string? UnusableCode(Placement placement)
    {
        var facts = placement.Facts;
        var unreadable = facts.Picture is { IsReadable: false } || facts.Entry is { Text.Problem: not null };
        if (unreadable) return placement.Place.Unreadable is { Kind: ConsequenceKind.Drop } drop ? drop.Code : null;
        return facts.Entry is { IsAccepted: false } ? "rejected" : null;
    }

    private void DropUnusable()
    {
        foreach (var placement in Pack.Placements)
            if (UnusableCode(placement) is { } code) drops[placement.Path] = new Drop(placement, code, null);
    }

    private bool DropOneRound()
    {
        // Judged on what stood at the start of the round, so that the order of files does not matter.
        var found = new List<Drop>();
        foreach (var placement in Pack.Placements)
        {
            if (!drops.ContainsKey(placement.Path) && FindBrokenDropRule(placement) is { } broken) found.Add(new Drop(placement, broken.Else.Code, broken));
        }

        foreach (var drop in found) drops[drop.Placement.Path] = drop;
        return found.Count > 0;
    }

    private Rule? FindBrokenDropRule(Placement placement)
    {
        foreach (var rule in placement.Place.RulesIn(Pack.Edition))
            if (rule.Else.Kind == ConsequenceKind.Drop && Breaks(placement, rule)) return rule;
        return null;
    }

    private bool Breaks(Placement placement, Rule rule) => rule switch
    {
        NamesAgreeRule names => placement.Field(names.Field) is { } id && LastWord(id) != placement.Bindings.Find(names.Placeholder),
        RefersToRule refers => !Resolves(refers, placement),
        RequiresRule requires => !AnyShown(requires.Places, placement.Bindings),
        _ => false,
    };

    private bool AnyShown(IReadOnlyList<string> places, Bindings bindings)
    {
        foreach (var key in places)
            if (Profile.Place(key).Pattern?.Fill(bindings) is { } path && Shown(path) is not null) return true;
        return false;
    }

    private static string LastWord(string id) => id[(id.LastIndexOf('.') + 1)..];

    private List<Group> FormGroups()
    {
        var groups = new Dictionary<string, (Place Place, Bindings Bindings)>(StringComparer.Ordinal);
        foreach (var placement in Pack.Placements)
            groups.TryAdd(Profile.Groups.KeyOf(placement.Place, placement.Bindings), (placement.Place, placement.Bindings));
        return [.. groups.Select(g => FormGroup(g.Key, g.Value.Place, g.Value.Bindings))];
    }

    private Group FormGroup(string key, Place place, Bindings bindings)
    {
        var shown = new List<Placement>();
        var dropped = new List<Drop>();
        foreach (var tied in Profile.Groups.Of(place))
        {
            var path = tied.Pattern is { } pattern ? pattern.Fill(bindings) : Pack.Manifest.FindPath(tied.ManifestField!);
            if (path is not { } at) continue;
            if (FindDrop(at) is { } drop) dropped.Add(drop);
            if (Shown(at) is { } visible) shown.Add(visible);
        }

        return new Group(key, shown, dropped);
    }
}
