using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A field names something that neither the pack nor the base has.</summary>
/// <remarks>Host: dropped, dangling; for what shows through a surface, plain. See docs/checks.md#entrydangling.</remarks>
public sealed class Dangling : RuleCheck<RefersToRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/dangling");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is InheritsRule inherits && drop.Code == inherits.Else.Code) yield return DescribeLine(overlay, drop);
        if (drop.Rule is not RefersToRule rule) yield break;
        var broken = Broken(overlay, drop.Placement, rule);
        if (broken.Count == 0)
            yield return Report(overlay, drop, $"{FieldName.Quote(rule.Field)} is taken over from an entry that the host leaves out.") with
            {
                Pointer = rule.Field,
                RestsOn = Ancestors(overlay, drop.Placement),
            };
        foreach (var (pointer, value) in broken)
            yield return Describe(
                overlay,
                drop.Placement,
                rule,
                (pointer, value),
                Report(overlay, drop, Because(overlay, drop.Placement, rule, pointer, value)));
    }

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, RefersToRule rule)
    {
        if (rule.Else.Kind == ConsequenceKind.Drop) yield break;
        foreach (var (pointer, value) in Broken(overlay, placement, rule))
            yield return Describe(
                overlay,
                placement,
                rule,
                (pointer, value),
                Report(overlay, placement, rule.Else, Because(overlay, placement, rule, pointer, value)));
    }

    /// <summary>What an entry names and nothing has; each name once.</summary>
    private static List<(string Pointer, string Value)> Broken(Overlay overlay, Placement placement, RefersToRule rule) =>
        [.. overlay.References(rule, placement).Where(r => !overlay.Resolves(rule, placement, r.Value)).DistinctBy(r => r.Value)];

    private static Finding Describe(
        Overlay overlay,
        Placement placement,
        RefersToRule rule,
        (string Pointer, string Value) named,
        Finding finding) => finding with
        {
            Pointer = named.Pointer,
            At = placement.Facts.Entry!.Text.Locate(named.Pointer),
            Fix = FindFix(overlay, placement, rule, named),
            RestsOn = overlay.Target(rule, placement, named.Value) is { } target
            ? [target]
            : rule is { Place: { } place, Placeholder: null }
            ? WhoHadId(overlay, overlay.Profile.Place(place), named.Value)
            : [],
        };

    /// <summary>What the edition calls it, or the nearest that it has.</summary>
    private static SetField? FindFix(Overlay overlay, Placement placement, RefersToRule rule, (string Pointer, string Value) named)
    {
        if (placement.Layer.IsBase || placement.Field(named.Pointer) != named.Value) return null;
        if (InOther(overlay, rule, named.Value) is { } other)
            return other.Now is { } now ? SetField.To(placement.Path, named.Pointer, now) : null;
        return FindNear(Names(overlay, rule), named.Value) is { } near
            ? SetField.To(placement.Path, named.Pointer, near, leavesNoChoice: false)
            : null;
    }

    private Finding DescribeLine(Overlay overlay, Drop drop)
    {
        var by = drop.Placement.Place.Kind!.Inherits!.By;
        var at = drop.Placement.Facts.Entry!.Text.Locate(by);
        var (id, one) = (drop.Placement.Field(by), drop.Placement.Place.One);
        var (other, near) = (OtherEditions.FindId(overlay, drop.Placement.Place, id!), FindNear(Ids(overlay, drop.Placement.Place), id!));
        return Report(
            overlay,
            drop,
            $"{FieldName.Quote(by)} is “{id}”, which is not the id of {one} ({at}).{other?.Says ?? Hint(near)}") with
        {
            Fix = drop.Placement.Layer.IsBase || other is not null || near is null
                ? null
                : SetField.To(drop.Placement.Path, by, near, leavesNoChoice: false),
            Pointer = by,
            At = at,
            RestsOn = WhoHadId(overlay, drop.Placement.Place, id!),
        };
    }

    private static string Because(Overlay overlay, Placement placement, RefersToRule rule, string pointer, string value)
    {
        var field = FieldName.Quote(pointer);
        // Where the host does not mind, it only shows nothing.
        if (rule is { Else.Kind: ConsequenceKind.Warning, Placeholder: not null } && overlay.Target(rule, placement, value) is { } wanted)
            return $"{field} is “{value}”, and there is no {overlay.Profile.Place(rule.Place!).Noun} {wanted}: nothing is shown there.";
        var at = placement.Facts.Entry!.Text.Locate(pointer);
        if (rule.Codebook is { } known && overlay.Base.Codebooks[known].Has(value))
            return $"{field} is “{value}”, which "
                + $"{overlay.Profile.SourceOf(overlay.Profile.Codebook(known))?.One} of the pack takes away ({at}).";
        var what = rule.Codebook is { } book
            ? $"a code of the codebook “{overlay.Codebook(book).Title}”"
            : $"the {(rule.Placeholder is null ? "id" : "name")} of {overlay.Profile.Place(rule.Place!).One}";
        return $"{field} is “{value}”, which is not {what} ({at})."
            + $"{OfOtherKind(overlay, rule, value)}{InOther(overlay, rule, value)?.Says ?? Hint(FindNear(Names(overlay, rule), value))}";
    }

    /// <summary>What has that id, where it is no entry of the kind that is wanted.</summary>
    private static string OfOtherKind(Overlay overlay, RefersToRule rule, string value) =>
        rule is { Place: { } wanted, Placeholder: null }
        && overlay.Profile.Places
            .Where(p => p.Id is not null && p.Key != wanted && p.Editions.Holds(overlay.Edition))
            .FirstOrDefault(p => overlay.EntryOf(p, value) is not null) is { } other
            ? $" It is that of {other.One}."
            : "";

    /// <summary>Those from which an entry takes its fields over.</summary>
    private static IReadOnlyList<PackPath> Ancestors(Overlay overlay, Placement placement) =>
        placement.Place.Kind?.Inherits is { } inherits && placement.Field(inherits.By) is { } id
            ? WhoHadId(overlay, placement.Place, id)
            : [];

    private static InOtherEdition? InOther(Overlay overlay, RefersToRule rule, string value) => rule switch
    {
        { Codebook: { } book } => OtherEditions.FindCode(overlay, book, value),
        { Placeholder: { } placeholder } => OtherEditions.FindName(overlay, overlay.Profile.Place(rule.Place!), placeholder, value),
        _ => OtherEditions.FindId(overlay, overlay.Profile.Place(rule.Place!), value),
    };

    private static string? FindNear(IEnumerable<string> names, string value) => Slips.Nearest(names, value);

    private static string Hint(string? near) => near is null ? "" : $" “{near}” is near.";

    /// <summary>Files with that id which the host leaves out: the reason why nothing has it.</summary>
    private static IReadOnlyList<PackPath> WhoHadId(Overlay overlay, Place place, string id) =>
        [
            .. overlay.Pack.In(place).Where(p => p.Field(place.Id!) == id).Select(p => p.Path),
            .. overlay.Base.LinksOf(place).ById[id].Select(f => f.Path),
        ];

    private static IEnumerable<string> Ids(Overlay overlay, Place place) =>
        overlay.ShownIn(place).Select(p => p.Field(place.Id!)).OfType<string>();

    private static IEnumerable<string> Names(Overlay overlay, RefersToRule rule)
    {
        if (rule.Codebook is { } book) return overlay.Codebook(book).Codes.Select(c => c.Value);
        var place = overlay.Profile.Place(rule.Place!);
        if (rule.Placeholder is not { } placeholder) return Ids(overlay, place);
        return overlay.Base.In(place).Select(f => f.Bindings)
            .Concat(overlay.Pack.Placements.Where(p => p.Place == place && overlay.FindDrop(p.Path) is null).Select(p => p.Bindings))
            .Select(b => b.Spell(placeholder)!);
    }
}
