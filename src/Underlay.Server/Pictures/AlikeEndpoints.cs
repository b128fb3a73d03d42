using Underlay.Core.Offers;
using Underlay.Core.Stacks;
using Underlay.Server.Files;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Pictures;

/// <summary>Pictures to be shaped alike, and the title of the step; without one, what could be done is asked.</summary>
internal sealed record AlikeRequest(IReadOnlyList<string> Paths, string? Title = null);

/// <summary>What can be done to all of them.</summary>
internal sealed record AlikeOffers(IReadOnlyList<string> Titles);

internal static class AlikeEndpoints
{
    public static void MapAlike(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}/pictures");
        pack.MapPost("/offers", OfferAsync).WithName("offerAlike");
        pack.MapPost("/steps", AddAsync).WithName("shapeAlike");
    }

    private static async Task<AlikeOffers> OfferAsync(Guid id, AlikeRequest request, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var overlay = snapshot.NeedOverlay();
        return new AlikeOffers(ShapingAlike.Offers(overlay, PicturesOf(overlay, request.Paths)));
    }

    private static async Task<Changed> AddAsync(Guid id, AlikeRequest request, PackService packs, CancellationToken cancel)
    {
        var title = request.Title ?? throw ProblemException.Unsound("Say which step: its title is missing.");
        var after = await packs.EditAsync(id, null, $"{title} ({request.Paths.Count} pictures)", snapshot =>
        {
            var overlay = snapshot.NeedOverlay();
            var result = ShapingAlike.Add(overlay, PicturesOf(overlay, request.Paths), title);
            return result.Problem is null
                ? result.Edits
                : throw new ProblemException(409, "picture-unreadable", $"The step cannot run: {result.Problem}. Nothing was changed.");
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    /// <summary>The pack's pictures at the paths.</summary>
    private static List<Placement> PicturesOf(Overlay overlay, IReadOnlyList<string> paths)
    {
        var byPath = overlay.Pack.Placements.ToLookup(p => p.Path);
        return [.. paths.Select(p => byPath[FileEndpoints.Parse(p)].FirstOrDefault() ?? throw ProblemException.NoFile(p))];
    }
}
