using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Runs checks over a pack laid on its base.</summary>
/// <param name="checks">The checks to run.</param>
public sealed class CheckEngine(IReadOnlyList<Check> checks)
{
    // So few are looked at before threads would be.
    private const int FewGroups = 200;

    /// <summary>An engine with every check.</summary>
    public static CheckEngine Whole { get; } = new(CheckList.Engine);

    /// <summary>The findings, each fact once, waivers applied, ordered by path, then code, pointer and discriminator.</summary>
    public IReadOnlyList<Finding> Run(Overlay overlay)
    {
        var found = overlay.Groups.Count < FewGroups
            ? overlay.Groups.SelectMany(g => Inspect(overlay, g)).ToList()
            : overlay.Groups.AsParallel().AsOrdered().SelectMany(g => Inspect(overlay, g)).ToList();
        foreach (var check in checks) found.AddRange(check.Inspect(overlay));
        var waivers = Waivers.Read(overlay.Pack.Tree).Waivers;
        return
        [
            .. Blame.Fold(found)
                .Select(f => f with { Waiver = waivers.FirstOrDefault(w => w.Covers(f)) })
                .OrderBy(f => f.Path, StringComparer.Ordinal)
                .ThenBy(f => f.Code.Value, StringComparer.Ordinal)
                .ThenBy(f => f.Pointer, StringComparer.Ordinal)
                .ThenBy(f => f.Discriminator, StringComparer.Ordinal),
        ];
    }

    private List<Finding> Inspect(Overlay overlay, Group group)
    {
        var found = new List<Finding>();
        foreach (var drop in group.Dropped)
            foreach (var check in checks) found.AddRange(check.Inspect(overlay, drop));
        foreach (var placement in group.Shown)
        {
            foreach (var check in checks) found.AddRange(check.Inspect(overlay, placement));
            foreach (var active in overlay.RulesFor(placement))
                foreach (var check in checks) found.AddRange(check.Inspect(overlay, placement, active));
        }

        return found;
    }
}
