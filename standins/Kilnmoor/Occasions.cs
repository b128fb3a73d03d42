using System.Text;
using StandIns;

namespace Kilnmoor;

/// <summary>What the game knows of occasions: what a ground needs for each, and which signals the bells must have.</summary>
internal sealed class Occasions
{
    private static readonly string[] Weathers = ["clear", "rain", "snow"];

    private readonly Dictionary<string, string[]> needs;
    private readonly List<(string Signal, string Occasion)> required;

    private Occasions(Dictionary<string, string[]> needs, List<(string Signal, string Occasion)> required)
    {
        this.needs = needs;
        this.required = required;
    }

    /// <summary>Reads the two tables of the game's own files.</summary>
    public static Occasions Read(Layer baseLayer)
    {
        var needs = new Dictionary<string, string[]>(StringComparer.Ordinal);
        foreach (var row in Rows(baseLayer, "codes/occasions.csv"))
            needs[row["code"]] = row["needs"].Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return new Occasions(
            needs,
            [.. Rows(baseLayer, "codes/signals.csv").Where(r => r["status"] == "required").Select(r => (r["code"], r["group"]))]);
    }

    /// <summary>True when people can walk to all that the plan's occasions need: from the gate, over lanes of 2 m or more.</summary>
    public bool AllReached(Fields plan)
    {
        var reached = new HashSet<string>(StringComparer.Ordinal) { plan.Text("gate")! };
        var lanes = plan.Objects("lanes")!.Where(l => l.Number("width_m") >= 2).ToList();
        for (var before = 0; before < reached.Count;)
        {
            before = reached.Count;
            foreach (var lane in lanes)
            {
                if (reached.Contains(lane.Text("from")!)) reached.Add(lane.Text("to")!);
                if (reached.Contains(lane.Text("to")!)) reached.Add(lane.Text("from")!);
            }
        }

        var kinds = plan.Objects("fixtures")!.Where(f => reached.Contains(f.Text("id")!)).Select(f => f.Text("kind")!).ToHashSet();
        return plan.Texts("occasions")!.All(o => needs.GetValueOrDefault(o, []).All(kinds.Contains));
    }

    /// <summary>The signals that a tower must ring and does not in some weather.</summary>
    public IEnumerable<string> SilentSignals(Fields tower)
    {
        var peals = tower.Objects("peals")!.Where(p => p.Objects("strokes")!.Count > 0).ToList();
        bool Rings(string signal, string weather) =>
            peals.Any(p => p.Text("signal") == signal && (p.Text("weather") == "any" || p.Text("weather") == weather));
        return required
            .Where(r => tower.Texts("occasions")!.Contains(r.Occasion) && !Weathers.All(w => Rings(r.Signal, w)))
            .Select(r => r.Signal);
    }

    private static IEnumerable<Dictionary<string, string>> Rows(Layer layer, string path)
    {
        if (!layer.Files.TryGetValue(path, out var file)) yield break;
        var lines = Encoding.UTF8.GetString(file.Bytes)
            .Split('\n')
            .Where(l => l.Length > 0)
            .Select(l => l.TrimEnd('\r').Split(','))
            .ToList();
        foreach (var line in lines.Skip(1))
            yield return lines[0].Zip(line).ToDictionary(c => c.First, c => c.Second, StringComparer.Ordinal);
    }
}
