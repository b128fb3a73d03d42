using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>Names of things that came into a pack with a change, or left it, and that the base does not have.</summary>
internal sealed class NameChange
{
    private readonly KnownTargets came;
    private readonly KnownTargets gone;

    private NameChange(Overlay now, List<(Place Place, Bindings Bindings)> came, List<(Place Place, Bindings Bindings)> gone)
    {
        (Came, Gone) = (came, gone);
        (this.came, this.gone) = (new KnownTargets(now, came), new KnownTargets(now, gone));
    }

    /// <summary>What stands at the holes of the places of files that came.</summary>
    public IReadOnlyList<(Place Place, Bindings Bindings)> Came { get; }

    /// <summary>The same of files that went.</summary>
    public IReadOnlyList<(Place Place, Bindings Bindings)> Gone { get; }

    /// <summary>The names in a change.</summary>
    public static NameChange Of(StackChange change, Overlay before, Overlay now)
    {
        var others = change.Files.Where(f => !f.Layer.IsBase && now.Base.Find(f.Path) is null).DistinctBy(f => f.Path).ToList();
        List<(Place Place, Bindings Bindings)> OnlyIn(Overlay one, Overlay other) =>
            [.. others.Where(f => one.Pack.Has(f.Path) && !other.Pack.Has(f.Path)).Select(f => (f.Place, f.Bindings))];
        return new NameChange(now, OnlyIn(now, before), OnlyIn(before, now));
    }

    /// <summary>True where a file's path says something of what came or went.</summary>
    public bool MayConcern(PackPath file)
    {
        if (Came.Count + Gone.Count == 0) return false;
        var spoken = new SpokenPath(file);
        return came.MayBeMeant(spoken) || gone.MayBeMeant(spoken);
    }
}
