using Underlay.Core.BaseFiles;
using Underlay.Core.Codebooks;
using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>
/// One pack over the base, as the host sees it: which files it leaves out, and what it shows at each path instead.
/// </summary>
/// <remarks>
/// A dropped file counts as absent, which can leave others without what they need; so drops are decided in rounds until
/// none is added (<see cref="DropRounds"/>).
/// </remarks>
public sealed class Overlay
{
    private readonly Dictionary<PackPath, Placement> ofPack;
    private readonly Dictionary<PackPath, Drop> drops = [];
    private readonly Dictionary<PackPath, Drop> baseDrops = [];
    private readonly Lazy<IReadOnlyList<BaseCatalogue>> otherBases;
    private readonly Lazy<Reliance> reliance;
    private DropMemory memory = DropMemory.Empty;

    private Overlay(PackReading pack, BaseCatalogue @base, Func<IReadOnlyList<BaseCatalogue>>? others)
    {
        Pack = pack;
        Base = @base;
        otherBases = new Lazy<IReadOnlyList<BaseCatalogue>>(others ?? (() => []));
        ofPack = pack.Placements.ToDictionary(p => p.Path);
        Links = new Links(this);
        Codes = new StackCodes(this);
        Rows = new StackRows(this);
        Texts = new StackTexts(this);
        reliance = new Lazy<Reliance>(() => new Reliance(this));
    }

    /// <summary>The pack.</summary>
    public PackReading Pack { get; }

    /// <summary>What the host leaves out, of the pack and of the base.</summary>
    internal IEnumerable<Drop> Drops => drops.Values.Concat(baseDrops.Values);

    /// <summary>The base of the pack's edition.</summary>
    public BaseCatalogue Base { get; }

    /// <summary>The bases of other editions that are known, oldest first.</summary>
    public IReadOnlyList<BaseCatalogue> OtherBases => otherBases.Value;

    /// <summary>The host.</summary>
    public HostProfile Profile => Pack.Profile;

    /// <summary>The pack's edition.</summary>
    public Edition Edition => Pack.Edition;

    /// <summary>
    /// Every group that the pack has a file in, and those of base files that are left out because of it or take over from it;
    /// ordered by key.
    /// </summary>
    public IReadOnlyList<Group> Groups { get; private set; } = [];

    /// <summary>Which files of the pack others in it rely on.</summary>
    public Reliance Reliance
    {
        get
        {
            ReadSet.NoteEverything();
            return reliance.Value;
        }
    }

    /// <summary>A codebook as the stack has it: the base's, with what a table of the pack says.</summary>
    public Codebook Codebook(string key) => Codes[key];

    /// <summary>The codebooks of the stack.</summary>
    internal StackCodes Codes { get; }

    /// <summary>The rows of tables whose rows add to lower ones.</summary>
    internal StackRows Rows { get; }

    /// <summary>The texts that entries want.</summary>
    internal StackTexts Texts { get; }

    /// <summary>What entries say of each other.</summary>
    internal Links Links { get; }

    /// <summary>Lays a pack over a base.</summary>
    /// <param name="pack">The pack.</param>
    /// <param name="base">The base of its edition.</param>
    /// <param name="others">Gives the bases of other editions, as far as they are known; asked when first needed.</param>
    /// <param name="before">The pack over its base before a change: what the change cannot have touched is taken over.</param>
    public static Overlay Of(
        PackReading pack,
        BaseCatalogue @base,
        Func<IReadOnlyList<BaseCatalogue>>? others = null,
        Overlay? before = null)
    {
        var overlay = new Overlay(pack, @base, others);
        if (before is not null && before.HasStructureOf(overlay))
        {
            overlay.TakeOver(before);
            return overlay;
        }

        var other = before is null ? null : StackChange.OfFiles(before, overlay);
        if (other is not null) overlay.Links.TakeOver(before!.Links, other);
        overlay.memory = new DropRounds(overlay).Run(before?.memory ?? DropMemory.Empty, other);
        var change = before is null ? null : StackChange.Between(before, overlay);
        if (change is not null) overlay.Texts.TakeOver(before!.Texts, change);
        overlay.Groups = change is null ? overlay.FormGroups() : overlay.FormGroups(before!.Groups, change);
        return overlay;
    }

    /// <summary>
    /// True when the two differ at most in what pictures show: the same files stand at the same paths, are left out for the
    /// same reasons, and say the same of each other.
    /// </summary>
    public bool HasStructureOf(Overlay other) => ReferenceEquals(Pack.Structure, other.Pack.Structure) && ReferenceEquals(Base, other.Base);

    /// <summary>What the host shows at a path: the pack's file unless it is dropped, else the base's, else nothing.</summary>
    public Placement? Shown(PackPath path)
    {
        ReadSet.NotePath(path);
        if (ofPack.TryGetValue(path, out var mine) && !drops.ContainsKey(path)) return mine;
        return baseDrops.ContainsKey(path) ? null : OfBase(path);
    }

    /// <summary>The pack's file at a path where the host shows it, or null.</summary>
    public Placement? ShownOfPack(PackPath path)
    {
        ReadSet.NotePath(path);
        return ofPack.TryGetValue(path, out var mine) && !drops.ContainsKey(path) ? mine : null;
    }

    /// <summary>The pack's file at a path with its place, left out or not; null where it has none there.</summary>
    public Placement? OfPack(PackPath path)
    {
        ReadSet.NotePath(path);
        return ofPack.GetValueOrDefault(path);
    }

    /// <summary>The base's file at a path with its place, shown or not.</summary>
    public Placement? OfBase(PackPath path) =>
        Base.Find(path) is { Place: { } place } file ? new Placement(path, place, file.Bindings, Layer.Base, file.Facts) : null;

    /// <summary>
    /// All files of a place that the host shows: the pack's in order of path, then those of the base that no file of the pack
    /// covers.
    /// </summary>
    public IEnumerable<Placement> ShownIn(Place place)
    {
        ReadSet.NotePlace(place.Key);
        foreach (var mine in Pack.In(place))
            if (!drops.ContainsKey(mine.Path)) yield return mine;
        foreach (var file in Base.In(place))
            if (Shown(file.Path) is { Layer.IsBase: true } shown) yield return shown;
    }

    /// <summary>The drop of the pack's file at a path, or null.</summary>
    public Drop? FindDrop(PackPath path)
    {
        ReadSet.NotePath(path);
        return drops.GetValueOrDefault(path);
    }

    /// <summary>True when the pack has a file at the path, dropped or not.</summary>
    public bool PackHas(PackPath path)
    {
        ReadSet.NotePath(path);
        return Pack.Has(path);
    }

    /// <summary>The paths that a relation asks for, the first being the one to name.</summary>
    public IReadOnlyList<PackPath> Targets(IReadOnlyList<string> places, Bindings bindings) =>
        [.. places.Select(Profile.Place).Where(p => p.Editions.Holds(Edition)).Select(p => p.Pattern?.Fill(bindings)).OfType<PackPath>()];

    /// <summary>The first of those paths at which something is shown, or null.</summary>
    public Placement? FirstShown(IReadOnlyList<string> places, Bindings bindings)
    {
        foreach (var key in places)
        {
            var place = Profile.Place(key);
            if (place.Editions.Holds(Edition) && place.Pattern?.Fill(bindings) is { } path && Shown(path) is { } shown) return shown;
        }

        return null;
    }

    /// <summary>The path that a reference to a name in a place asks for, or null when the value fits no path there.</summary>
    public PackPath? Target(RefersToRule rule, Placement owner, string value) =>
        rule is { Place: { } place, Placeholder: { } placeholder } && Bindings.Split(placeholder, value) is { } named
            ? Profile.Place(place).Pattern?.Fill(owner.Bindings.With(named))
            : null;

    /// <summary>True when the owner is of the kind that requires something: without a condition, or with a field that meets it.</summary>
    public bool Wants(RequiresRule rule, Placement owner) => rule switch
    {
        { When: null } => true,
        { When: { } field, Above: { } above } => Links.Number(owner, field) > above,
        { When: { } field } => Links.Value(owner, field) is not null,
    };

    /// <summary>True when another of the owner's place, which a field of it names, lends it what it lacks.</summary>
    public bool IsLent(RequiresRule rule, Placement owner) =>
        rule.LentBy is { } field
        && Links.Text(owner, field) is { } id
        && Links.ById(owner.Place, id) is { } lender
        && FirstShown(rule.Places, lender.Bindings) is not null;

    /// <summary>What an entry names by a rule, own or taken over: the pointers of the fields and their values.</summary>
    public IEnumerable<(string Pointer, string Value)> References(RefersToRule rule, Placement owner) => Links.Texts(owner, rule.Field);

    /// <summary>True when what a field names exists.</summary>
    public bool Resolves(RefersToRule rule, Placement owner, string value)
    {
        if (rule.Codebook is { } book) return Codes[book].Has(value);
        if (rule.Placeholder is null) return Links.ById(Profile.Place(rule.Place!), value) is not null;
        return Target(rule, owner, value) is { } target && Shown(target) is not null;
    }

    /// <summary>The text at a field of an entry, own or taken over from another (<see cref="Entries.Inheritance"/>).</summary>
    public string? Text(Placement owner, string pointer) => Links.Text(owner, pointer);

    /// <summary>The value at a field of an entry, own or taken over.</summary>
    public System.Text.Json.JsonElement? Value(Placement owner, string pointer) => Links.Value(owner, pointer);

    /// <summary>The entry that has an id in a place and is shown, or null.</summary>
    public Placement? EntryOf(Place place, string id) => Links.ById(place, id);

    /// <summary>All shown entries of a place that have a value in their own field.</summary>
    public IEnumerable<Placement> WithValue(Place place, string pointer, string value) => Links.WithValue(place, pointer, value);

    /// <summary>The keys of a table of the stack: the base's with the pack's over them.</summary>
    public IReadOnlySet<string> TableKeys(Place table)
    {
        var keys = new HashSet<string>(StringComparer.Ordinal);
        foreach (var file in Base.In(table)) keys.UnionWith(file.Facts.Table?.KeysOver([]) ?? new HashSet<string>());
        foreach (var mine in Pack.In(table))
            if (FindDrop(mine.Path) is null && mine.Facts.Table is { } over) keys = [.. over.KeysOver(keys)];
        return keys;
    }

    /// <summary>The row of a key in the tables of a place whose rows add to lower ones, or null.</summary>
    public StackRow? FindRow(Place table, string key) => Rows.Find(table, key);

    /// <summary>The bytes of a file of the pack or the base; null when it is not there any more.</summary>
    public byte[]? Read(Placement placement) =>
        placement.Layer.IsBase ? Base.Read(placement.Path) : Pack.Tree.Find(placement.Path)?.ReadAll();

    /// <summary>The pixels of a file that is shown; null when they cannot be read.</summary>
    public RgbaPicture? Decode(Placement placement) =>
        placement.Facts.Picture is { IsReadable: true } && Read(placement) is { } bytes ? SourceReader.Read(bytes).Picture : null;

    /// <summary>The rules that hold for a file in this edition, choices made.</summary>
    public IEnumerable<ActiveRule> RulesFor(Placement placement)
    {
        foreach (var rule in placement.Place.RulesIn(Edition))
        {
            if (rule is not VariesWithRule varies)
            {
                yield return new ActiveRule(rule, null);
                continue;
            }

            var (value, owner) = Choose(varies, placement);
            foreach (var chosen in varies.Choices.GetValueOrDefault(value ?? varies.Otherwise) ?? varies.Choices[varies.Otherwise])
                if (chosen.Editions.Holds(Edition)) yield return new ActiveRule(chosen, owner);
        }
    }

    /// <summary>Why the host leaves out the file of that layer at that path, with its word for it; null where it does not.</summary>
    internal (string Code, Rule? Rule)? ReasonAt(Placement placement) =>
        (placement.Layer.IsBase ? baseDrops : drops).TryGetValue(placement.Path, out var drop) ? (drop.Code, drop.Rule) : null;

    internal void Add(Drop drop) => (drop.Placement.Layer.IsBase ? baseDrops : drops)[drop.Placement.Path] = drop;

    private (string? Value, PackPath? Owner) Choose(VariesWithRule varies, Placement placement)
    {
        if (varies.Place is not { } key) return (placement.Bindings.Find(varies.Field), null);
        var place = Profile.Place(key);
        var owner = place.Editions.Holds(Edition) ? place.Pattern?.Fill(placement.Bindings) : null;
        return (owner is { } at && Shown(at) is { } entry ? Links.Text(entry, varies.Field) : null, owner);
    }

    private List<Group> FormGroups()
    {
        var groups = new Dictionary<string, (Place Place, Bindings Bindings)>(StringComparer.Ordinal);
        foreach (var placement in Pack.Placements.Concat(baseDrops.Values.Select(d => d.Placement)).Concat(Heirs()))
            groups.TryAdd(KeyOf(placement), (placement.Place, placement.Bindings));
        var formed = SideBySide.Select([.. groups], g => FormGroup(g.Key, g.Value.Place, g.Value.Bindings));
        return [.. formed.OrderBy(g => g.Key, StringComparer.Ordinal)];
    }

    /// <summary>The groups after a change: those that it cannot touch are as they were.</summary>
    private List<Group> FormGroups(IReadOnlyList<Group> before, StackChange change)
    {
        var touched = new Dictionary<string, (Place Place, Bindings Bindings)>(StringComparer.Ordinal);
        foreach (var placement in change.Files) touched.TryAdd(KeyOf(placement), (placement.Place, placement.Bindings));
        // Whose line of entries runs through another group is seen anew where any entry of such a place changed.
        var inLines = Profile.Places.Any(p => TakesOver(p) && change.Places.Contains(p.Key));
        var heirs = inLines ? Heirs().ToList() : [];
        foreach (var heir in heirs) touched.TryAdd(KeyOf(heir), (heir.Place, heir.Bindings));
        var heirKeys = heirs.Select(KeyOf).ToHashSet(StringComparer.Ordinal);

        bool IsStill(Group group) => heirKeys.Contains(group.Key) || group.Dropped.Count > 0 || group.Shown.Any(p => !p.Layer.IsBase);
        bool IsHeirOnly(Group group) => group.Dropped.Count == 0 && group.Shown.All(p => p.Layer.IsBase);
        var kept = before
            .Where(g => !touched.ContainsKey(g.Key) && !(inLines && IsHeirOnly(g)))
            .Select(g => inLines && FactsTakenOver(g.Shown) is var facts && (facts.Count > 0 || g.TakenOver.Count > 0)
                ? g with { TakenOver = facts }
                : g);
        return
        [
            .. kept
                .Concat(touched.Select(t => FormGroup(t.Key, t.Value.Place, t.Value.Bindings)).Where(IsStill))
                .OrderBy(g => g.Key, StringComparer.Ordinal),
        ];
    }

    private static bool TakesOver(Place place) => place.Kind?.Inherits is not null;

    private string KeyOf(Placement placement) => Profile.Groups.KeyOf(placement.Place, placement.Bindings);

    /// <summary>Drops and groups as they were in a stack of the same structure, with the pictures of this one.</summary>
    private void TakeOver(Overlay before)
    {
        memory = before.memory;
        Links.TakeOver(before.Links, null);
        Texts.TakeOver(before.Texts, null);
        foreach (var drop in before.drops.Values) Add(drop with { Placement = ofPack[drop.Placement.Path] });
        foreach (var drop in before.baseDrops.Values) Add(drop);
        var changed = Pack.Placements.Zip(before.Pack.Placements)
            .Where(pair => !ReferenceEquals(pair.First, pair.Second))
            .Select(pair => pair.First)
            .ToLookup(KeyOf, StringComparer.Ordinal);
        Groups =
        [
            .. before.Groups.Select(
                g => changed[g.Key].FirstOrDefault() is { } picture ? FormGroup(g.Key, picture.Place, picture.Bindings) : g),
        ];
    }

    private List<FileFacts> FactsTakenOver(IReadOnlyList<Placement> shown)
    {
        List<FileFacts>? facts = null;
        foreach (var entry in shown)
            if (TakesOver(entry.Place) && Links.Parent(entry) is not null)
                (facts ??= []).AddRange(Links.Line(entry).Skip(1).Select(p => p.Facts));
        return facts ?? [];
    }

    /// <summary>Base entries that take fields over from the pack's, and so may be shown otherwise.</summary>
    private IEnumerable<Placement> Heirs()
    {
        var seen = new HashSet<PackPath>();
        foreach (var place in Profile.Places.Where(p => TakesOver(p) && p.Id is not null))
        {
            var ids = new Queue<string>(Pack.In(place).Select(p => p.Field(place.Id!)).OfType<string>());
            while (ids.TryDequeue(out var id))
                foreach (var file in Base.LinksOf(place).WithValue(place.Kind!.Inherits!.By)[id])
                    if (seen.Add(file.Path) && OfBase(file.Path) is { } heir)
                    {
                        yield return heir;
                        if (heir.Field(place.Id!) is { } next) ids.Enqueue(next);
                    }
        }
    }

    private Group FormGroup(string key, Place place, Bindings bindings)
    {
        var shown = new List<Placement>();
        var dropped = new List<Drop>();
        foreach (var tied in Profile.Groups.Of(place))
        {
            if (!tied.Editions.Holds(Edition)) continue;
            var path = tied.Pattern is { } pattern ? pattern.Fill(bindings) : Pack.Manifest.FindPath(tied.ManifestField!);
            if (path is not { } at) continue;
            if (FindDrop(at) is { } drop) dropped.Add(drop);
            if (baseDrops.TryGetValue(at, out var ofBase)) dropped.Add(ofBase);
            if (Shown(at) is { } visible) shown.Add(visible);
        }

        return new Group(key, shown, dropped, FactsTakenOver(shown));
    }
}
