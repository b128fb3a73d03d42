using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Underlay.Core;
using Underlay.Core.Manifests;
using Underlay.Data;
using Underlay.Data.Operations;
using Underlay.Data.Packs;
using Underlay.Server.Files;
using Underlay.Server.Hosting;
using Underlay.Server.Hosts;

namespace Underlay.Server.Packs;

/// <summary>A pack in the list of packs.</summary>
/// <param name="Problem">Why nothing can be told of it; null where its summary is sound.</param>
internal sealed record PackListItem(
    Guid Id,
    string? About,
    DateTimeOffset CreatedAt,
    DateTimeOffset? ChangedAt,
    string? Released,
    DateTimeOffset? ReleasedAt,
    PackSummary Summary,
    string? Problem = null);

/// <summary>A pack with all that its frame shows.</summary>
internal sealed record PackView(Guid Id, long Revision, string? About, string? Undo, string? Redo, string? Released, PackSummary Summary);

/// <summary>What a new pack needs; the rest is derived.</summary>
/// <param name="Prefix">The author's own leading name in ids.</param>
/// <param name="Author">The author's name for people.</param>
internal sealed record NewPackRequest(string Title, string Host, string Edition, string Prefix, string Author);

/// <summary>A pack that was made, and names that could not be taken over.</summary>
internal sealed record PackMade(Guid Id, string Title, IReadOnlyList<Refused> Refused);

/// <summary>The answer to every change of a pack.</summary>
internal sealed record Changed(long Revision);

internal static class PackEndpoints
{
    public static void MapPacks(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/packs", ListAsync).WithName("listPacks");
        app.MapPost("/api/packs", MakeAsync).WithName("makePack");
        app.MapPost("/api/packs/import", ImportAsync).WithName("importPack").WithMetadata(UploadReader.Limit).AcceptsUpload();
        app.MapGet("/api/packs/{id:guid}", ViewAsync).WithName("viewPack");
    }

    private static async Task<IReadOnlyList<PackListItem>> ListAsync(
        UnderlayDatabase database,
        PackService packs,
        ILogger<PackService> logger,
        CancellationToken cancel)
    {
        var rows = await database.Packs.AsNoTracking()
            .Where(p => p.BinnedAt == null)
            .Select(p => new
            {
                Pack = p,
                ChangedAt = database.Operations.Where(o => o.PackId == p.Id).Max(o => (DateTimeOffset?)o.At),
                Release = database.Releases
                    .Where(r => r.PackId == p.Id)
                    .OrderByDescending(r => r.At)
                    .Select(r => new { r.Version, r.At })
                    .FirstOrDefault(),
            })
            .ToListAsync(cancel).ConfigureAwait(false);
        var list = new List<PackListItem>();
        foreach (var row in rows.OrderByDescending(r => r.ChangedAt ?? r.Pack.CreatedAt))
        {
            var (summary, problem) = await TrySumUpAsync(row.Pack, database, packs, logger, cancel).ConfigureAwait(false);
            list.Add(
                new PackListItem(
                    row.Pack.Id,
                    row.Pack.About,
                    row.Pack.CreatedAt,
                    row.ChangedAt,
                    row.Release?.Version,
                    row.Release?.At,
                    summary,
                    problem));
        }

        return list;
    }

    /// <summary>What is told of a pack, or why nothing can be: one pack takes no other from the list.</summary>
    private static async Task<(PackSummary Summary, string? Problem)> TrySumUpAsync(
        Pack pack,
        UnderlayDatabase database,
        PackService packs,
        ILogger<PackService> logger,
        CancellationToken cancel)
    {
        try
        {
            return (await SummaryOfAsync(pack, database, packs, cancel).ConfigureAwait(false), null);
        }
        catch (ProblemException problem)
        {
            return (PackSummary.Unknown(pack.Host, pack.Name), problem.Message);
        }
        catch (Exception fault) when (Faults.IsOurs(fault))
        {
            Log.NotSummedUp(logger, pack.Id, fault);
            return (
                PackSummary.Unknown(pack.Host, pack.Name),
                $"Underlay fails at this pack ({Faults.Innermost(fault).GetType().Name}). Its files and history are safe; "
                    + "the server’s log tells more.");
        }
    }

    /// <summary>The kept summary, so that a list opens no pack; what a newer Underlay finds in a pack is told when it is opened.</summary>
    private static async Task<PackSummary> SummaryOfAsync(Pack pack, UnderlayDatabase database, PackService packs, CancellationToken cancel)
    {
        if (pack.SummaryTag == KeptSummary.TagOf(pack.Revision) && KeptSummary.Read(pack.Summary) is { } kept) return kept.Summary;
        var snapshot = await packs.GetAsync(pack.Id, cancel).ConfigureAwait(false);
        var summed = KeptSummary.Of(snapshot);
        await KeepAsync(database, snapshot, summed, cancel).ConfigureAwait(false);
        return summed.Summary;
    }

    private static async Task KeepAsync(UnderlayDatabase database, PackSnapshot snapshot, KeptSummary summed, CancellationToken cancel)
    {
        var (json, tag) = (summed.Write(), KeptSummary.TagOf(snapshot.Revision));
        await database.Packs.Where(p => p.Id == snapshot.Id && p.Revision == snapshot.Revision)
            .ExecuteUpdateAsync(p => p.SetProperty(x => x.Summary, json).SetProperty(x => x.SummaryTag, tag), cancel).ConfigureAwait(false);
    }

    private static async Task<Created<PackMade>> MakeAsync(
        NewPackRequest request,
        UnderlayDatabase database,
        PackService packs,
        HostRegistry hosts,
        Settings settings,
        TimeProvider clock,
        CancellationToken cancel)
    {
        var profile = hosts.Get(request.Host);
        var edition = profile.FindEdition(request.Edition)
            ?? throw ProblemException.Unsound(
                $"{profile.Title} has no edition “{request.Edition}”; it has {string.Join(", ", profile.Editions)}.");
        var title = request.Title.Trim();
        if (title.Length is 0 or > 80) throw ProblemException.Unsound("A title of 1 to 80 characters is wanted.");
        var prefix = request.Prefix.Trim();
        if (Author.FaultOfPrefix(prefix) is { } unsound) throw ProblemException.Unsound(unsound);
        if (prefix == profile.BasePrefix)
            throw ProblemException.Unsound($"“{prefix}” is {profile.Title}’s own prefix; choose "
            + $"another.");
        var author = request.Author.Trim();
        if (Author.FaultOfName(author) is { } unnamed) throw ProblemException.Unsound(unnamed);
        KnownAuthor.Learn(settings, new Author(author, prefix));
        var pack = new Pack { Id = Guid.CreateVersion7(), Host = profile.Key, Name = title, CreatedAt = clock.GetUtcNow() };
        var name = NewPack.FreeName(NewPack.NameOf(title), await PackNames.TakenAsync(database, profile.Key, cancel).ConfigureAwait(false));
        await packs.BeginAsync(
            pack,
            $"Begin {title}",
            [NewPack.Manifest(profile, title, edition, author, prefix, name)],
            cancel).ConfigureAwait(false);
        return TypedResults.Created($"/api/packs/{pack.Id}", new PackMade(pack.Id, title, []));
    }

    private static async Task<Created<PackMade>> ImportAsync(
        string? host,
        HttpRequest request,
        PackImporter importer,
        HostRegistry hosts,
        CancellationToken cancel)
    {
        using var upload = await UploadReader.ReadAsync(request, cancel).ConfigureAwait(false);
        if (upload is { Files: [], Refused: [var first, ..] })
            throw ProblemException.Unsound($"{first.Says} Nothing was opened; a package that is too large can be unpacked first.");
        var profile = host is null ? PackImporter.FindHost([.. hosts.All], upload, cancel) : hosts.Get(host);
        var made = await importer.ImportAsync(profile, upload, null, cancel).ConfigureAwait(false);
        return TypedResults.Created($"/api/packs/{made.Id}", made);
    }

    private static async Task<Ok<PackView>> ViewAsync(
        Guid id,
        UnderlayDatabase database,
        PackService packs,
        HttpResponse response,
        CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var pack = await database.Packs.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id, cancel).ConfigureAwait(false)
            ?? throw ProblemException.NoPack();
        var summed = KeptSummary.Of(snapshot);
        var acts = database.Operations.Where(o => o.PackId == id && o.Kind == OperationKind.Act);
        var undo = await acts
            .Where(o => o.State == OperationState.Standing)
            .OrderByDescending(o => o.Revision)
            .Select(o => o.What)
            .FirstOrDefaultAsync(cancel).ConfigureAwait(false);
        var redo = await acts
            .Where(o => o.State == OperationState.Undone)
            .OrderBy(o => o.Revision)
            .Select(o => o.What)
            .FirstOrDefaultAsync(cancel).ConfigureAwait(false);
        var released = await database.Releases
            .Where(r => r.PackId == id)
            .OrderByDescending(r => r.At)
            .Select(r => r.Version)
            .FirstOrDefaultAsync(cancel).ConfigureAwait(false);
        response.Headers.ETag = RevisionTag.Write(snapshot.Revision);
        if (pack.SummaryTag != KeptSummary.TagOf(snapshot.Revision))
            await KeepAsync(database, snapshot, summed, cancel).ConfigureAwait(false);
        return TypedResults.Ok(new PackView(id, snapshot.Revision, pack.About, undo, redo, released, summed.Summary));
    }
}
