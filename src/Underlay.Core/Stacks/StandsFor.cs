using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>Says what a picture stands for that an index ties to codes: "Hoary Brackling, winter, from October to March".</summary>
public static class StandsFor
{
    /// <summary>What the first row of the pack's index that names a file says; null where none does.</summary>
    public static string? Of(Overlay overlay, PackPath path)
    {
        foreach (var index in overlay.Profile.Places.Where(p => p.Content == PlaceContent.Index).SelectMany(overlay.Pack.In))
        {
            if (index.Facts.Index is not { Problem: null } facts || !facts.Names(path)) continue;
            var row = facts.Rows.First(r => r.File == path.Value);
            var names = index.Place.Index!.Levels
                .Zip(row.Codes)
                .Where(l => l.First.Identifies)
                .Select(l => overlay.Codebook(l.First.Codebook).NameOf(l.Second))
                .ToList();
            if (names.Count == 0) continue;
            return string.Join(", ", names.Take(1).Concat(names.Skip(1).Select(n => n.ToLowerInvariant())))
                + (row.Span is { } span ? $", months {span}" : "");
        }

        return null;
    }
}
