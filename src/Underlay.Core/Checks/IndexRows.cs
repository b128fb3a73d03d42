using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>What is wrong with the rows of the pack's index.</summary>
internal static class IndexRows
{
    /// <summary>The indexes of the pack that the host reads.</summary>
    public static IEnumerable<Placement> Of(Overlay overlay) =>
        overlay.Profile.Places
            .Where(p => p.Content == PlaceContent.Index)
            .SelectMany(overlay.Pack.In)
            .Where(p => overlay.FindDrop(p.Path) is null);

    /// <summary>
    /// The first code or file of a row that does not exist, in words, with its level where it is a code; null when all do.
    /// </summary>
    public static (string Says, IndexLevel? Level, string Code)? FindUnknown(Overlay overlay, Placement index, IndexRow row)
    {
        foreach (var (level, code) in index.Place.Index!.Levels.Zip(row.Codes))
            if (level.Identifies && !overlay.Codebook(level.Codebook).Has(code))
                return ($"“{code}” is no {level.Element} {level.Code} of this edition", level, code);
        return FileOf(overlay, row) is null ? ($"there is no picture {row.File} that the host shows", null, "") : null;
    }

    /// <summary>The pack's own picture that a row names and that is shown, or null.</summary>
    public static Placement? FileOf(Overlay overlay, IndexRow row) =>
        PackPath.TryParse(row.File, out var path, out _)
            && overlay.Shown(path) is { Layer.IsBase: false, Place.Content: PlaceContent.Picture } picture
            && picture.Place.Rules.Any(r => r is Hosts.Rules.IndexedRule)
            ? picture
            : null;

    /// <summary>What tells rows apart: the codes that identify.</summary>
    public static string KeyOf(Placement index, IndexRow row) =>
        string.Join('/', row.Codes.Where((_, i) => index.Place.Index!.Levels[i].Identifies));

    /// <summary>A finding at a row: the path is the index's, with the row's file behind "#".</summary>
    public static string PathOf(Placement index, IndexRow row) => $"{index.Path}#{row.File}";
}
