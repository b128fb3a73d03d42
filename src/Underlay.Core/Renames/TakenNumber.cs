using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>A number that an entry of a pack has for itself, as that of a stall.</summary>
/// <param name="Place">The key of the entry's place.</param>
/// <param name="Field">Pointer to the number.</param>
/// <param name="Value">The number as it is written.</param>
public sealed record TakenNumber(string Place, string Field, string Value)
{
    /// <summary>Those of the entries of a pack, in order of paths; ids, which names tell apart, are left aside.</summary>
    public static IEnumerable<TakenNumber> Of(Overlay overlay) =>
        from placement in overlay.Pack.Placements
        from rule in placement.Place.RulesOf<UniqueRule>(overlay.Edition)
        where rule.Field != placement.Place.Id
        let value = placement.Field(rule.Field)
        where value is not null
        select new TakenNumber(placement.Place.Key, rule.Field, value);
}
