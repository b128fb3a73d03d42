using Underlay.Core.Entries;
using Underlay.Core.References;
using Underlay.Core.Stacks;
using Underlay.Server.Files;
using Underlay.Server.Packs;

namespace Underlay.Server.Entries;

/// <summary>What a file needs and what uses it, over base and pack.</summary>
internal static class TieEndpoints
{
    // A material of the base is named by hundreds; a page shows the first of them.
    private const int MostShown = 60;

    public static void MapTies(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/packs/{id:guid}/entry/ties", ViewAsync).WithName("viewTies");

    private static async Task<Ties> ViewAsync(Guid id, string path, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        if (snapshot.Overlay is not { } overlay) return new Ties([], [], 0);
        var at = FileEndpoints.Parse(path);
        var file = overlay.OfPack(at) ?? overlay.OfBase(at);
        if (file is null) return new Ties([], [], 0);
        var graph = new ReferenceGraph(overlay);
        var heirs = TakenOver.Heirs(overlay, file).ToDictionary(h => h.Heir.Path, h => h.Pointers);
        // Its own pictures are told as what it needs.
        var uses = graph.UsesOf(file)
            .Where(u => u.Kind != ReferenceKind.Beside || u.From.Place.HoldsText)
            .OrderBy(u => u.From.Layer.IsBase)
            .ThenBy(u => u.From.Path)
            .ToList();
        return new Ties(
            [.. graph.NeedsOf(file).Select(n => Need(overlay, n))],
            [.. uses.Take(MostShown).Select(u => Use(overlay, u, heirs.GetValueOrDefault(u.From.Path, [])))],
            Math.Max(0, uses.Count - MostShown));
    }

    private static Tie Need(Overlay overlay, Reference need)
    {
        var title = need switch
        {
            { Kind: ReferenceKind.Code } => NameOf(overlay, need),
            { Kind: ReferenceKind.Text, To: { } table } => TextOf(overlay, table, need.Value),
            { To: { } to } => LedgerEndpoints.TitleOf(to.Place, to.Bindings),
            { At: { } at } => at.Value,
            _ => need.Value,
        };
        var says = need.Kind switch
        {
            ReferenceKind.TakesOver => "takes over from",
            ReferenceKind.Beside => need.At is { } at ? overlay.Profile.Locate(at, overlay.Edition)!.Value.Place.Noun : "beside it",
            ReferenceKind.Text => need.Value[(need.Value.LastIndexOf('/') + 1)..],
            _ => FieldName.Words(need.Pointer),
        };
        return Of(overlay, need, need.To, need.At?.Value, says, title);
    }

    private static Tie Use(Overlay overlay, Reference use, IReadOnlyList<string> taken)
    {
        var says = use.Kind switch
        {
            ReferenceKind.TakesOver when taken.Count > 0 => $"takes over {string.Join(", ", taken.Select(FieldName.Words))}",
            ReferenceKind.TakesOver => "would take over, and has all of its own",
            ReferenceKind.Beside => "needs it beside it",
            ReferenceKind.Row => "has a row for it",
            _ => $"as {FieldName.Words(use.Pointer)}",
        };
        return Of(overlay, use, use.From, use.From.Path.Value, says, LedgerEndpoints.TitleOf(use.From.Place, use.From.Bindings));
    }

    private static Tie Of(Overlay overlay, Reference reference, Placement? other, string? path, string says, string title) =>
        new(
            reference.Kind,
            says,
            title,
            other is null || reference.Kind is ReferenceKind.Code or ReferenceKind.Text ? "" : other.Place.Noun,
            path,
            other is null || reference.Kind is ReferenceKind.Code or ReferenceKind.Text ? null : ShownPicture.Of(overlay, other),
            other?.Layer.IsBase == false,
            other?.Place.HoldsText == true,
            reference.Holds);

    private static string NameOf(Overlay overlay, Reference need)
    {
        var name = overlay.Codebook(need.Book!).NameOf(need.Value);
        return name == need.Value ? name : $"{name} · {need.Value}";
    }

    private static string TextOf(Overlay overlay, Placement table, string key) =>
        overlay.FindRow(table.Place, key) is { } row && table.Place.Table!.Columns.Select(c => row.Values.GetValueOrDefault(c.Name, ""))
            .FirstOrDefault(t => t.Length > 0) is { } text ? $"“{text}”" : key;
}

/// <summary>What a file needs and what uses it.</summary>
/// <param name="More">How many more use it than are listed.</param>
internal sealed record Ties(IReadOnlyList<Tie> Needs, IReadOnlyList<Tie> Uses, int More);

/// <summary>One file that speaks of another.</summary>
/// <param name="Says">In which way, as words that stand before or behind the other's title.</param>
/// <param name="Title">The other: what people call it.</param>
/// <param name="Noun">What the other is; empty for codes and texts.</param>
/// <param name="Path">Where the other is, or is looked for; null where nothing tells.</param>
/// <param name="Picture">By what it is shown.</param>
/// <param name="IsYours">The other is the pack's.</param>
/// <param name="IsText">The other is an entry or a table, which can be opened.</param>
/// <param name="Holds">False where the other is not there.</param>
internal sealed record Tie(
    ReferenceKind Kind,
    string Says,
    string Title,
    string Noun,
    string? Path,
    ShownPicture? Picture,
    bool IsYours,
    bool IsText,
    bool Holds);
