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
        if (drop.Rule is RefersToRule rule)
            yield return Describe(overlay, drop.Placement, rule, Report(overlay, drop, Because(overlay, drop.Placement, rule)));
        if (drop.Rule is InheritsRule inherits && drop.Code == inherits.Else.Code) yield return DescribeLine(overlay, drop);
    }

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, RefersToRule rule)
    {
        if (rule.Else.Kind != ConsequenceKind.Drop && !overlay.Resolves(rule, placement))
            yield return Describe(overlay, placement, rule, Report(overlay, placement, rule.Else, Because(overlay, placement, rule)));
    }

    private static Finding Describe(Overlay overlay, Placement placement, RefersToRule rule, Finding finding) => finding with
    {
        Pointer = rule.Field,
        At = placement.Facts.Entry!.Text.Locate(rule.Field),
        Fix = FindFix(overlay, placement, rule),
        RestsOn = overlay.Target(rule, placement) is { } target
            ? [target]
            : rule is { Place: { } place, Placeholder: null }
            ? WhoHadId(overlay, overlay.Profile.Place(place), overlay.Text(placement, rule.Field)!)
            : [],
    };

    /// <summary>What the edition calls it, or the nearest that it has.</summary>
    private static SetField? FindFix(Overlay overlay, Placement placement, RefersToRule rule)
    {
        if (placement.Layer.IsBase || placement.Field(rule.Field) is not { } value) return null;
        if (InOther(overlay, rule, value) is { } other) return other.Now is { } now ? SetField.To(placement.Path, rule.Field, now) : null;
        return FindNear(Names(overlay, rule), value) is { } near
            ? SetField.To(placement.Path, rule.Field, near, leavesNoChoice: false)
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

    private static string Because(Overlay overlay, Placement placement, RefersToRule rule)
    {
        // Taken over from an entry that has since been left out itself, it is told with that one.
        if (overlay.Text(placement, rule.Field) is not { } value)
            return $"{FieldName.Quote(rule.Field)} is taken over from an entry that the host leaves out.";
        // Where the host does not mind, it only shows nothing.
        if (rule is { Else.Kind: ConsequenceKind.Warning, Placeholder: not null } && overlay.Target(rule, placement) is { } wanted)
            return $"{FieldName.Quote(rule.Field)} is “{value}”, and there is no {overlay.Profile.Place(rule.Place!).Noun} {wanted}: "
                + $"nothing is shown there.";
        if (rule.Codebook is { } known && overlay.Base.Codebooks[known].Has(value))
            return $"{FieldName.Quote(rule.Field)} is “{value}”, which {overlay.Profile.TableOf(known)?.One} of the pack takes away "
                + $"({placement.Facts.Entry!.Text.Locate(rule.Field)}).";
        var what = rule.Codebook is { } book
            ? $"a code of the codebook “{overlay.Codebook(book).Title}”"
            : $"the {(rule.Placeholder is null ? "id" : "name")} of {overlay.Profile.Place(rule.Place!).One}";
        return $"{FieldName.Quote(rule.Field)} is “{value}”, which is not {what} "
            + $"({placement.Facts.Entry!.Text.Locate(rule.Field)})."
            + $"{InOther(overlay, rule, value)?.Says ?? Hint(FindNear(Names(overlay, rule), value))}";
    }

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
            .Select(b => b.Find(placeholder)!);
    }
}
