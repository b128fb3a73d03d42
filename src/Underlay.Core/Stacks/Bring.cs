using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>A base file that is copied into the pack, and why.</summary>
/// <param name="Path">The file.</param>
/// <param name="With">The file that it comes along with; null for one that was asked for.</param>
public sealed record Brought(PackPath Path, PackPath? With);

/// <summary>Copies files of the base into the pack as a starting point, together with those that have to change with them.</summary>
public static class Bring
{
    /// <summary>What is to be copied: the files asked for and, of each, pictures that must keep its size. Files that the pack has stay as they are.</summary>
    public static IReadOnlyList<Brought> Plan(Overlay overlay, IEnumerable<PackPath> paths)
    {
        var plan = new Dictionary<PackPath, Brought>();
        var asked = paths.Distinct().ToList();
        foreach (var path in asked)
            if (overlay.Base.Find(path) is not null && !overlay.PackHas(path)) plan[path] = new Brought(path, null);
        foreach (var path in asked.Where(plan.ContainsKey))
        {
            var file = overlay.Base.Find(path)!;
            if (file.Place is null) continue;
            foreach (var along in SameSize(overlay, file.Place, file.Bindings))
                if (overlay.Base.Find(along) is not null && !overlay.PackHas(along)) plan.TryAdd(along, new Brought(along, path));
        }

        return [.. plan.Values.OrderBy(b => b.Path)];
    }

    /// <summary>The edits that copy what was planned.</summary>
    public static IReadOnlyList<TreeEdit> Edits(Overlay overlay, IEnumerable<Brought> plan) =>
        [.. plan.Select(b => new TreeEdit.Write(b.Path, overlay.Base.Read(b.Path)!))];

    private static IEnumerable<PackPath> SameSize(Overlay overlay, Place place, Bindings bindings)
    {
        var edition = overlay.Pack.Edition;
        var companions = place.RulesOf<SameSizeRule>(edition).SelectMany(r => r.Places).Select(overlay.Profile.Place)
            .Concat(overlay.Profile.Places.Where(p => p.RulesOf<SameSizeRule>(edition).Any(r => r.Places.Contains(place.Key))));
        return companions.Select(p => p.Pattern?.Fill(bindings)).OfType<PackPath>();
    }
}
