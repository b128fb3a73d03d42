using System.Text.Json;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts.Rules;

namespace Underlay.Core.Stacks;

/// <summary>A kind of point that a claim of an entry needs and that cannot be reached on its ground.</summary>
/// <param name="Pointer">The claim's own place in the entry.</param>
/// <param name="Claim">The code that is claimed.</param>
/// <param name="Kind">The kind of point.</param>
/// <param name="Stands">True when the ground has such a point, but no lane that is wide enough leads to it.</param>
public sealed record OutOfReach(string Pointer, string Claim, string Kind, bool Stands);

/// <summary>Walks over the ground of an entry: which of its points can be reached from its gate.</summary>
public static class Reachability
{
    /// <summary>What the entry's claims need and nobody can reach.</summary>
    public static IEnumerable<OutOfReach> OutOfReach(Overlay overlay, ReachableRule rule, Placement placement)
    {
        if (placement.Facts.Entry is not { IsAccepted: true, Text: var entry }) yield break;
        var codes = overlay.Codebook(rule.Codebook).Codes.ToLookup(c => c.Value, StringComparer.Ordinal);
        var reached = Reached(entry, rule);
        var points = entry.FindAll($"{rule.Points}/*").Select(p => (Id: Text(p.Value, "id"), Kind: Text(p.Value, "kind"))).ToList();
        foreach (var (pointer, value) in entry.FindAll($"{rule.Field}/*"))
        {
            var needs = codes[value.GetString()!].FirstOrDefault()?.In(rule.Needs) ?? "";
            foreach (var kind in needs.Split(' ', StringSplitOptions.RemoveEmptyEntries))
            {
                var there = points.Where(p => p.Kind == kind).ToList();
                if (!there.Exists(p => reached.Contains(p.Id)))
                    yield return new OutOfReach(pointer, value.GetString()!, kind, there.Count > 0);
            }
        }
    }

    /// <summary>The names that can be walked to from the gate, the gate's own among them.</summary>
    private static HashSet<string> Reached(JsonText entry, ReachableRule rule)
    {
        var lanes = entry.FindAll($"{rule.Lanes}/*")
            .Where(l => l.Value.GetProperty("width_m").GetDouble() >= rule.LeastWidth)
            .Select(l => (From: Text(l.Value, "from"), To: Text(l.Value, "to")))
            .ToList();
        var ends = lanes.Concat(lanes.Select(l => (From: l.To, To: l.From))).ToLookup(l => l.From, l => l.To, StringComparer.Ordinal);
        var gate = entry.FindString(rule.Gate)!;
        var reached = new HashSet<string>(StringComparer.Ordinal) { gate };
        var open = new Queue<string>([gate]);
        while (open.TryDequeue(out var at))
            foreach (var next in ends[at])
                if (reached.Add(next)) open.Enqueue(next);
        return reached;
    }

    private static string Text(JsonElement point, string field) => point.GetProperty(field).GetString()!;
}
