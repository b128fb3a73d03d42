using System.Text.Json;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>
/// What differs between two stacks of a pack over the same base: answers that <see cref="ReadSet"/> may have had otherwise.
/// </summary>
internal sealed class StackChange
{
    private readonly HashSet<PackPath> paths = [];
    private readonly HashSet<string> places = new(StringComparer.Ordinal);
    private readonly HashSet<(string Place, string Value)> values = [];
    private readonly List<Placement> files = [];

    private readonly Lazy<HashSet<string>> said;

    private StackChange() => said = new Lazy<HashSet<string>>(FindSaid);

    /// <summary>Paths at which something else stands, or which the host leaves out in one of the two only.</summary>
    public HashSet<PackPath> Paths => paths;

    /// <summary>Places of such files.</summary>
    public HashSet<string> Places => places;

    /// <summary>Those of them in which a file came, went or is left out, or says other texts than before; numbers left aside.</summary>
    public HashSet<string> Said => said.Value;

    /// <summary>All texts in entries among such files, in either of the two, with the entries' places.</summary>
    public HashSet<(string Place, string Value)> Values => values;

    /// <summary>Such files of places, as they are in either of the two.</summary>
    public IReadOnlyList<Placement> Files => files;

    /// <summary>The difference; null where anything may be another: with another base or manifest.</summary>
    public static StackChange? Between(Overlay before, Overlay now) => HasSameManifest(before, now) ? BesidesManifest(before, now) : null;

    /// <summary>The difference but for what the manifest says; null with another base.</summary>
    public static StackChange? BesidesManifest(Overlay before, Overlay now)
    {
        if (OfPlaces(before, now) is not { } change) return null;
        foreach (var placement in before.Drops.Concat(now.Drops).Select(d => d.Placement))
            if (before.ReasonAt(placement) != now.ReasonAt(placement)) change.Add(placement);
        return change;
    }

    /// <summary>The difference in files alone, whatever the host leaves out of them; null with another base or manifest.</summary>
    public static StackChange? OfFiles(Overlay before, Overlay now) => HasSameManifest(before, now) ? OfPlaces(before, now) : null;

    /// <summary>What it changes that these files are left out.</summary>
    public static StackChange Of(IEnumerable<Placement> dropped)
    {
        var change = new StackChange();
        foreach (var placement in dropped) change.Add(placement);
        return change;
    }

    private static StackChange? OfPlaces(Overlay before, Overlay now)
    {
        if (!ReferenceEquals(before.Base, now.Base)) return null;
        var change = new StackChange();
        foreach (var file in Differing(before.Pack.Placements, now.Pack.Placements, p => p.Path)) change.Add(file);
        foreach (var file in Differing(before.Pack.Unplaced, now.Pack.Unplaced, f => f.Path)) change.paths.Add(file.Path);
        return change;
    }

    private static bool HasSameManifest(Overlay before, Overlay now)
    {
        var manifest = now.Profile.Manifest.Path;
        return IsSame(before.Pack.Tree.Find(manifest), now.Pack.Tree.Find(manifest));
    }

    private static bool IsSame(TreeFile? one, TreeFile? other) =>
        one is null || other is null ? one == other : one.Content.IsSameAs(other.Content);

    private void Add(Placement file)
    {
        files.Add(file);
        paths.Add(file.Path);
        places.Add(file.Place.Key);
        if (file.Facts.Entry is { Text.Problem: null } entry) AddTexts(file.Place.Key, entry.Text.Root);
    }

    private HashSet<string> FindSaid() =>
        files.GroupBy(f => f.Path)
            .Where(g => !(g.ToList() is [var one, var other] && IsOnlyOfNumbers(one, other)))
            .Select(g => g.First().Place.Key)
            .ToHashSet(StringComparer.Ordinal);

    private static bool IsOnlyOfNumbers(Placement one, Placement other) =>
        !ReferenceEquals(one.Facts, other.Facts)
        && one is { Layer.IsBase: false, Facts.Entry: { IsAccepted: true, Text.Root: var was } }
        && other is { Layer.IsBase: false, Facts.Entry: { IsAccepted: true, Text.Root: var now } }
        && SayAlike(was, now);

    private static bool SayAlike(JsonElement one, JsonElement other)
    {
        if (one.ValueKind != other.ValueKind) return false;
        return one.ValueKind switch
        {
            JsonValueKind.String => one.ValueEquals(other.GetString()),
            JsonValueKind.Array =>
                one.GetArrayLength() == other.GetArrayLength()
                && one.EnumerateArray().Zip(other.EnumerateArray()).All(p => SayAlike(p.First, p.Second)),
            JsonValueKind.Object =>
                one.GetPropertyCount() == other.GetPropertyCount()
                && one.EnumerateObject().All(m => other.TryGetProperty(m.Name, out var same) && SayAlike(m.Value, same)),
            _ => true,
        };
    }

    private void AddTexts(string place, JsonElement value)
    {
        if (value.ValueKind == JsonValueKind.String) values.Add((place, value.GetString()!));
        else if (value.ValueKind == JsonValueKind.Array)
            foreach (var item in value.EnumerateArray()) AddTexts(place, item);
        else if (value.ValueKind == JsonValueKind.Object)
            foreach (var member in value.EnumerateObject()) AddTexts(place, member.Value);
    }

    /// <summary>Items of either of two lists in order of path that are not the same object in both.</summary>
    private static IEnumerable<T> Differing<T>(IReadOnlyList<T> was, IReadOnlyList<T> now, Func<T, PackPath> path)
        where T : class
    {
        var (i, j) = (0, 0);
        while (i < was.Count || j < now.Count)
        {
            if (i < was.Count && j < now.Count && ReferenceEquals(was[i], now[j])) (i, j) = (i + 1, j + 1);
            else if (j == now.Count || (i < was.Count && path(was[i]) < path(now[j]))) yield return was[i++];
            else yield return now[j++];
        }
    }
}
