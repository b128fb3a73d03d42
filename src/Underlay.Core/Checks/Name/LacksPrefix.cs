using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Something that the pack adds does not carry the author's prefix, so that another pack may use the same name.</summary>
/// <remarks>Host: does not mind. See docs/checks.md#nameprefix.</remarks>
public sealed class LacksPrefix : RuleCheck<PrefixRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("name/prefix");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, PrefixRule rule)
    {
        if (placement.Layer.IsBase || overlay.Pack.Manifest.Prefix is not { } prefix) yield break;
        if (rule.Field is { } field)
        {
            var id = placement.Field(field)!;
            if (id.StartsWith(prefix + ".", StringComparison.Ordinal) || IsOfBase(overlay, placement, field, id)) yield break;
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"The id “{id}” is new and does not begin with your prefix “{prefix}.”: another pack may use the same.") with
            {
                Pointer = field,
                At = placement.Facts.Entry!.Text.Locate(field),
                Fix = IsReferredToByBase(overlay, placement, id) ? null : new SetId(placement.Path, $"{prefix}.{Id.NameIn(id)}"),
            };
        }
        else
        {
            var name = placement.Bindings.Find(rule.Placeholder)!;
            if (name.StartsWith(prefix + "_", StringComparison.Ordinal) || !IsFirstOfItsName(overlay, placement, rule)) yield break;
            // A slip of the hand is not a new name.
            if (NearMissFinder.OfAddition(overlay, placement).Candidates.Count > 0) yield break;
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"The name “{name}” is new and does not begin with your prefix “{prefix}_”: another pack may use the same.") with
            {
                Fix = new PutPrefix(placement.Path, rule.Placeholder, FormerPrefix.Renamed(overlay, prefix, name)),
                Shared = new NoPrefix(overlay.Profile.Manifest.Path.Value, prefix),
            };
        }
    }

    private static bool IsOfBase(Overlay overlay, Placement placement, string field, string id) =>
        overlay.Base.In(placement.Place).Any(f => f.Facts.Entry?.Text.FindString(field) == id);

    /// <summary>Another id would leave those of the base behind that refer to this one.</summary>
    private static bool IsReferredToByBase(Overlay overlay, Placement placement, string id) =>
        overlay.Links.ReferringTo(placement.Place).Any(r => overlay.Links.WithValue(r.Owner, r.Field, id).Any(p => p.Layer.IsBase));

    /// <summary>A name is told once, at the first of the files that have it; and only where the base has none of them.</summary>
    private static bool IsFirstOfItsName(Overlay overlay, Placement placement, PrefixRule rule)
    {
        var tied = overlay.Profile.Groups.Of(placement.Place)
            .Where(p => p.RulesOf<PrefixRule>(overlay.Pack.Edition).Any(r => r.Field is null && r.Placeholder == rule.Placeholder))
            .Select(p => p.Pattern?.Fill(placement.Bindings))
            .Select(path => path is { } at ? overlay.Shown(at) : null)
            .OfType<Placement>()
            .ToList();
        return tied.All(p => !p.Layer.IsBase && overlay.Base.Find(p.Path) is null) && tied.Min(p => p.Path) == placement.Path;
    }

    /// <summary>Many names that were begun without a prefix.</summary>
    private sealed record NoPrefix(string Manifest, string Prefix) : SharedCause(Manifest, "names")
    {
        public override int Least => 10;

        public override string Says(IReadOnlyList<Finding> parts) =>
            $"{parts.Count} new names do not begin with your prefix “{Prefix}_”: another pack may use the same.";

        public override Fix FindFix(IReadOnlyList<Finding> parts) => new PutPrefixes([.. parts.Select(p => p.Fix).OfType<PutPrefix>()]);
    }
}
