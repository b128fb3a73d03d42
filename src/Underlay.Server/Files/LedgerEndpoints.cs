using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Server.Lists;
using Underlay.Server.Packs;

namespace Underlay.Server.Files;

/// <summary>Width and height in pixels.</summary>
internal sealed record Size(int Width, int Height);

/// <summary>One path: of the base, of the pack, of both, or of neither where something is missing.</summary>
/// <param name="Path">The path, or a name that is no path.</param>
/// <param name="Place">Its place's key, or null.</param>
/// <param name="Title">What it is called: "Sea jug".</param>
/// <param name="Noun">What it is: "shelf picture".</param>
/// <param name="State">One of base, override, unchanged, addition, unplaced, missing.</param>
/// <param name="IsPicture">Whether it can be shown as a picture.</param>
/// <param name="IsSound">Whether it is a sound, of which an outline can be shown.</param>
/// <param name="Hash">Of the pack's file.</param>
/// <param name="BaseHash">Of the base's file.</param>
/// <param name="Size">Of the pack's picture.</param>
/// <param name="BaseSize">Of the base's picture.</param>
/// <param name="Length">Bytes of the pack's file, else of the base's.</param>
/// <param name="Heard">Of a sound: the pack's, else the base's; null where it cannot be read.</param>
internal sealed record LedgerRow(
    string Path,
    string? Place,
    string Title,
    string Noun,
    string State,
    bool IsPicture,
    bool IsSound,
    string? Hash,
    string? BaseHash,
    Size? Size,
    Size? BaseSize,
    long Length,
    HeardSize? Heard = null);

/// <summary>How long a sound is and how it is played.</summary>
/// <param name="Seconds">Its length.</param>
/// <param name="Rate">Frames a second, Hz.</param>
/// <param name="Channels">1 for mono, 2 for stereo.</param>
internal sealed record HeardSize(double Seconds, int Rate, int Channels)
{
    public static HeardSize? Of(Core.BaseFiles.FileFacts facts) =>
        facts.Sound?.Header is { Rate: > 0 } header
            ? new HeardSize((double)header.Frames / header.Rate, header.Rate, header.Channels)
            : null;
}

/// <summary>
/// The paths of the base and the pack, in the order of the places and then of their paths; the whole list, or what is another since a
/// revision (<see cref="ListAnswer{T}"/>). A row's key is its path.
/// </summary>
internal sealed record Ledger(
    long Revision,
    long? Since,
    IReadOnlyList<LedgerRow> Rows,
    IReadOnlyList<int> At,
    IReadOnlyList<string> Gone,
    int Total);

internal static class LedgerEndpoints
{
    public static void MapLedger(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/packs/{id:guid}/ledger", GetAsync).WithName("readLedger");

    private static async Task<Ledger> GetAsync(Guid id, PackService packs, ListMemory lists, CancellationToken cancel, long? since = null)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var (known, rows, at, gone, total) = lists.Answer(id, "ledger", snapshot.Revision, since, RowsOf(snapshot), r => r.Path);
        return new Ledger(snapshot.Revision, known, rows, at, gone, total);
    }

    private static List<LedgerRow> RowsOf(PackSnapshot snapshot)
    {
        if (snapshot.Overlay is not { } overlay)
            return [.. snapshot.Tree.Files.Where(f => !ReservedFolder.Holds(f.Path)).Select(f => Unplaced(f))];
        var ofPack = overlay.Pack.Placements.ToDictionary(p => p.Path);
        var rows = new Dictionary<PackPath, LedgerRow>();
        foreach (var file in overlay.Base.Files)
            if (file.Place is { } place)
                rows[file.Path] = Row(new Placement(file.Path, place, file.Bindings, Layer.Base, file.Facts), overlay);
        foreach (var placement in ofPack.Values) rows[placement.Path] = Row(placement, overlay);
        foreach (var found in snapshot.Report.Findings.SelectMany(f => f.Parts.Select(p => p.Path).Prepend(f.Path)))
            if (PackPath.TryParse(found, out var path, out _)
                && !rows.ContainsKey(path)
                && snapshot.Tree.Find(path) is null
                && Missing(path, snapshot) is { } missing)
                rows[path] = missing;
        var order = snapshot.Profile.Places
            .Select((place, index) => (place.Key, index))
            .ToDictionary(p => p.Key, p => p.index, StringComparer.Ordinal);
        return
        [
            .. rows
                .OrderBy(r => r.Value.Place is { } place ? order[place] : int.MaxValue)
                .ThenBy(r => r.Key.Value, NaturalOrder.Comparer)
                .Select(r => r.Value),
            .. snapshot.Tree.Files
                .Where(f => f.Path == snapshot.Profile.Manifest.Path)
                .Select(f => Unplaced(f) with { Title = "Manifest", Noun = "manifest", State = "addition" }),
            .. overlay.Pack.Unplaced.Select(Unplaced),
        ];
    }

    private static LedgerRow Row(Placement placement, Overlay overlay)
    {
        var under = overlay.Base.Find(placement.Path);
        var state = placement.Layer.IsBase
            ? "base"
            : under is null
            ? "addition"
            : under.Facts.Hash == placement.Facts.Hash
            ? "unchanged"
            : "override";
        return new LedgerRow(
            placement.Path.Value,
            placement.Place.Key,
            TitleOf(placement.Place, placement.Bindings),
            placement.Place.Noun,
            state,
            placement.Place.Content == PlaceContent.Picture,
            placement.Place.Content == PlaceContent.Sound,
            placement.Layer.IsBase ? null : placement.Facts.Hash.Hex,
            under?.Facts.Hash.Hex,
            placement.Layer.IsBase ? null : SizeOf(placement.Facts),
            under is null ? null : SizeOf(under.Facts),
            placement.Facts.Length,
            HeardSize.Of(placement.Facts));
    }

    private static LedgerRow? Missing(PackPath path, PackSnapshot snapshot) =>
        snapshot.Profile.Locate(path, snapshot.Edition) is { } located
            ? new LedgerRow(
                path.Value,
                located.Place.Key,
                TitleOf(located.Place, located.Bindings),
                located.Place.Noun,
                "missing",
                located.Place.Content == PlaceContent.Picture,
                located.Place.Content == PlaceContent.Sound,
                null,
                null,
                null,
                null,
                0)
            : path == snapshot.Profile.Manifest.Path
                ? new LedgerRow(path.Value, null, "Manifest", "manifest", "missing", false, false, null, null, null, null, 0)
                : null;

    private static LedgerRow Unplaced(TreeFile file) => new(
        file.Path.Value,
        null,
        file.Path.FileName,
        "file",
        "unplaced",
        FileFormats.IsPicture(file.Path),
        FileFormats.OfPath(file.Path) is SoundFormat,
        PackSnapshot.HashOf(file), null, null, null, file.Length);

    /// <summary>"Sea jug" for "wares/sea_jug/shelf.png"; the place's own word where nothing in the path is a name.</summary>
    public static string TitleOf(Place place, Bindings bindings)
    {
        var names = place.Pattern?.Placeholders.Select(bindings.Find).OfType<string>().ToList() ?? [];
        var words = names.Count == 0 ? place.Noun : string.Join(' ', names).Replace('_', ' ');
        return char.ToUpperInvariant(words[0]) + words[1..];
    }

    public static Size? SizeOf(Core.BaseFiles.FileFacts facts) =>
        facts.Picture?.Header?.Size is { } size ? new Size(size.Width, size.Height) : null;
}
