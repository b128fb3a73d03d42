using System.Text.Json;
using Underlay.Core.Formats.Json;
using Underlay.Core.Stacks;

namespace Underlay.Core.References;

/// <summary>A value that an entry has from another.</summary>
/// <param name="Pointer">Where it stands in the other, and would stand in the entry.</param>
/// <param name="Value">The value: a single one or a whole list, no object.</param>
/// <param name="From">The entry that has it, the nearest that does.</param>
public sealed record TakenOver(string Pointer, JsonElement Value, Placement From)
{
    /// <summary>
    /// What an entry takes over along its line: objects are merged field by field, all else comes whole from the nearest that has it.
    /// </summary>
    /// <param name="overlay">The stack.</param>
    /// <param name="entry">The entry.</param>
    public static IReadOnlyList<TakenOver> By(Overlay overlay, Placement entry)
    {
        if (entry.Place.Kind?.Inherits is not { } inherits || entry.Facts.Entry is not { Text.Problem: null } own) return [];
        var nearer = new List<JsonText> { own.Text };
        var taken = new List<TakenOver>();
        foreach (var other in overlay.Links.Line(entry).Skip(1))
        {
            if (other.Facts.Entry is not { Text.Problem: null } facts) break;
            foreach (var field in facts.Text.Root.EnumerateObject().Where(f => !inherits.Except.Contains(f.Name, StringComparer.Ordinal)))
                Collect($"/{JsonText.Escape(field.Name)}", field.Value, other);
            nearer.Add(facts.Text);
        }

        return taken;

        void Collect(string pointer, JsonElement value, Placement from)
        {
            var above = nearer.Select(n => n.Find(pointer)).FirstOrDefault(n => n is not null);
            if (value.ValueKind != JsonValueKind.Object)
            {
                if (above is null) taken.Add(new TakenOver(pointer, value.Clone(), from));
            }
            else if (above is null or { ValueKind: JsonValueKind.Object })
            {
                foreach (var field in value.EnumerateObject())
                    Collect($"{pointer}/{JsonText.Escape(field.Name)}", field.Value, from);
            }
        }
    }

    /// <summary>What the entries that take over from one have from it, each with its own pointers.</summary>
    /// <param name="overlay">The stack.</param>
    /// <param name="entry">The entry that others take over from.</param>
    public static IReadOnlyList<(Placement Heir, IReadOnlyList<string> Pointers)> Heirs(Overlay overlay, Placement entry)
    {
        var heirs = new List<(Placement, IReadOnlyList<string>)>();
        var seen = new HashSet<Packs.PackPath> { entry.Path };
        var next = new Queue<Placement>([entry]);
        while (next.TryDequeue(out var at))
        {
            if (at.Place is not { Id: { } id, Kind.Inherits: { } inherits } || at.Field(id) is not { } name) continue;
            foreach (var heir in overlay.Links.WithValue(at.Place, inherits.By, name).Where(h => seen.Add(h.Path)))
            {
                heirs.Add((heir, [.. By(overlay, heir).Where(t => t.From.Path == entry.Path).Select(t => t.Pointer)]));
                next.Enqueue(heir);
            }
        }

        return heirs;
    }
}
