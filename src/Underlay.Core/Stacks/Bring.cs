using Underlay.Core.BaseFiles;
using Underlay.Core.Decisions;
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
    /// <summary>
    /// What is to be copied: the files asked for and, of each, pictures that must keep its size and the rest of its set or series.
    /// Files that the pack has stay as they are.
    /// </summary>
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
            foreach (var along in SameSize(overlay, file.Place, file.Bindings).Concat(SameSet(overlay, file)))
                if (overlay.Base.Find(along) is not null && !overlay.PackHas(along)) plan.TryAdd(along, new Brought(along, path));
        }

        return [.. plan.Values.OrderBy(b => b.Path)];
    }

    /// <summary>The edits that copy what was planned. What is brought is the author's to change, and marked as such.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="tree">The pack as it is now.</param>
    /// <param name="plan">What to copy; what the base does not have is passed over.</param>
    public static IReadOnlyList<TreeEdit> Edits(Overlay overlay, FileTree tree, IEnumerable<Brought> plan)
    {
        var writes = plan
            .Where(b => overlay.Base.Find(b.Path) is not null)
            .Select(b => new TreeEdit.Write(b.Path, overlay.Base.Read(b.Path)!))
            .ToList();
        var held = writes.Select(w => new PlaceholderFile(w.Path, overlay.Base.Find(w.Path)!.Facts.Hash, w.Path.Value)).ToList();
        return [.. writes, .. PlaceholderFiles.Add(tree, held).Edits];
    }

    /// <summary>The other members of a set or series, which comes whole from one package.</summary>
    private static IEnumerable<PackPath> SameSet(Overlay overlay, BaseFile file) =>
        overlay.Reliance.HoleOf(file.Place!) is { } hole
            ? overlay.Base.In(file.Place!).Where(f => f.Bindings.With(hole, "").Equals(file.Bindings.With(hole, ""))).Select(f => f.Path)
            : [];

    private static IEnumerable<PackPath> SameSize(Overlay overlay, Place place, Bindings bindings)
    {
        var edition = overlay.Pack.Edition;
        var companions = place.RulesOf<SameSizeRule>(edition).SelectMany(r => r.Places).Select(overlay.Profile.Place)
            .Concat(overlay.Profile.Places.Where(p => p.RulesOf<SameSizeRule>(edition).Any(r => r.Places.Contains(place.Key))));
        return companions.Select(p => p.Pattern?.Fill(bindings)).OfType<PackPath>();
    }
}
