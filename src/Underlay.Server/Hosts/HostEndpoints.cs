using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using Underlay.Core.Hosts;
using Underlay.Data;
using Underlay.Server.Files;
using Underlay.Server.Hosting;

namespace Underlay.Server.Hosts;

/// <summary>An edition of a host.</summary>
internal sealed record EditionView(string Key, string Title, bool HasBase);

/// <summary>A place of a host: its paths and its rules.</summary>
internal sealed record PlaceView(string Key, string Title, string One, string? Path, PlaceContent Content, string Basis);

/// <summary>A host that packs are made for.</summary>
internal sealed record HostView(
    string Key,
    string Title,
    string About,
    string BasePrefix,
    string PackageExtension,
    IReadOnlyList<EditionView> Editions,
    IReadOnlyList<PlaceView> Places,
    HostWords Words);

/// <summary>A word of the host's reports, and what it means.</summary>
/// <param name="Picture">Of an outcome: whose picture is seen then, "yours", "base" or "nothing".</param>
internal sealed record HostWordView(string Code, string Says, string Picture)
{
    public static IReadOnlyList<HostWordView> Of(IEnumerable<HostWord> words) =>
        [.. words.Select(w => new HostWordView(w.Code, w.Says, w.Picture.ToString().ToLowerInvariant()))];
}

/// <summary>The words of a host's reports.</summary>
internal sealed record HostWords(
    IReadOnlyList<HostWordView> Outcomes,
    IReadOnlyList<HostWordView> Drops,
    IReadOnlyList<HostWordView> Reasons);

/// <summary>One of the host's own files that fits a search.</summary>
internal sealed record BaseHit(string Path, string Place, string PlaceTitle, string Title, string Noun, string Hash, JsonElement Facts);

/// <summary>Part of the hits.</summary>
internal sealed record BasePage(int Total, IReadOnlyList<BaseHit> Hits, string? Next);

internal static class HostEndpoints
{
    private const int PageSize = 200;

    public static void MapHosts(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/hosts", (HostRegistry hosts) => hosts.All.Select(p => View(hosts, p)).ToList()).WithName("listHosts");
        app.MapGet("/api/hosts/{host}/editions/{edition}/base", SearchAsync).WithName("searchBase");
        app.MapGet("/api/hosts/{host}/editions/{edition}/base/file", Read).WithName("readBaseFile");
    }

    private static HostView View(HostRegistry hosts, HostProfile profile) => new(
        profile.Key,
        profile.Title,
        profile.About,
        profile.BasePrefix,
        profile.Package.Extension,
        [.. profile.Editions.Select(e => new EditionView(e.Key, e.Title, hosts.HasBase(profile, e)))],
        [.. profile.Places.Select(p => new PlaceView(
            p.Key,
            p.Title,
            p.One,
            p.Pattern?.Text,
            p.Content,
            p.Basis switch { Basis.Documented => "documented", Basis.Measured => "measured", _ => "assumed" }))],
        new HostWords(HostWordView.Of(profile.Outcomes), HostWordView.Of(profile.Drops), HostWordView.Of(profile.Reasons)));

    private static async Task<BasePage> SearchAsync(
        string host,
        string edition,
        string? words,
        string? place,
        string? cursor,
        HostRegistry hosts,
        UnderlayDatabase database,
        CancellationToken cancel)
    {
        var (profile, found) = Find(hosts, host, edition);
        var query = database.BaseFiles.Where(f => f.Host == profile.Key && f.Edition == found.Key && f.Place != null);
        if (!string.IsNullOrEmpty(place)) query = query.Where(f => f.Place == place);
        foreach (var word in (words ?? "").ToLowerInvariant().Split(' ', StringSplitOptions.RemoveEmptyEntries).Take(8))
            query = query.Where(f => f.Words.Contains(word));
        var total = await query.CountAsync(cancel).ConfigureAwait(false);
        var rows = await query
            .Where(f => cursor == null || f.Path.CompareTo(cursor) > 0)
            .OrderBy(f => f.Path)
            .Take(PageSize)
            .ToListAsync(cancel).ConfigureAwait(false);
        return new BasePage(
            total,
            [.. rows.Select(r => Hit(profile, found, r))],
            rows.Count == PageSize ? rows[^1].Path : null);
    }

    private static BaseHit Hit(HostProfile profile, Edition edition, Data.BaseFiles.BaseFileRow row)
    {
        var (place, bindings) = profile.Locate(Core.Packs.PackPath.Parse(row.Path), edition)!.Value;
        using var facts = JsonDocument.Parse(row.Facts);
        return new BaseHit(
            row.Path,
            place.Key,
            place.Title,
            LedgerEndpoints.TitleOf(place, bindings),
            place.Noun,
            row.Hash,
            facts.RootElement.Clone());
    }

    private static FileContentHttpResult Read(
        string host,
        string edition,
        string path,
        [FromQuery] string? hash,
        HostRegistry hosts,
        HttpResponse response)
    {
        var (profile, found) = Find(hosts, host, edition);
        var at = FileEndpoints.Parse(path);
        var catalogue = hosts.Base(profile, found);
        var bytes = catalogue.Read(at) ?? throw ProblemException.NoFile(path);
        response.Headers.ETag = $"\"{catalogue.Find(at)!.Facts.Hash}\"";
        return FileEndpoints.Serve(bytes, path, hash == catalogue.Find(at)!.Facts.Hash.Hex, response);
    }

    private static (HostProfile Profile, Edition Edition) Find(HostRegistry hosts, string host, string edition)
    {
        var profile = hosts.Get(host);
        return (
            profile,
            profile.FindEdition(edition)
                ?? throw new ProblemException(404, "no-edition", $"{profile.Title} has no edition “{edition}”."));
    }
}
