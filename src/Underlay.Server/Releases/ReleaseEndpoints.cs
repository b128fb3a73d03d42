using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Npgsql;
using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packaging;
using Underlay.Core.Packs;
using Underlay.Data;
using Underlay.Data.Blobs;
using Underlay.Data.Packs;
using Underlay.Data.Releases;
using Underlay.Server.Hosting;
using Underlay.Server.Jobs;
using Underlay.Server.Packs;

namespace Underlay.Server.Releases;

/// <summary>A frozen version.</summary>
internal sealed record ReleaseView(
    Guid Id,
    string Version,
    string Notes,
    string FileName,
    string Sha256,
    long Length,
    int Files,
    int Blockers,
    long Revision,
    DateTimeOffset At)
{
    public static ReleaseView Of(Release r) =>
        new(r.Id, r.Version, r.Notes, r.FileName, r.PackageHash, r.PackageLength, r.Files, r.Blockers, r.Revision, r.At);
}

/// <summary>A file of the package.</summary>
internal sealed record PackagedFile(string Path, long Length, bool IsPicture, string Hash);

/// <summary>A file that is other than in the last release.</summary>
/// <param name="Change">addition, override (over a file of the base, and not in the last release), changed or removed.</param>
/// <param name="Place">The key of its place; null where the host reads nothing.</param>
internal sealed record ChangedFile(string Path, string Change, bool IsPicture, string? Hash, string? Place = null);

/// <summary>What would be built now.</summary>
/// <param name="Version">What the manifest says.</param>
/// <param name="Suggested">A version that is not taken.</param>
/// <param name="Why">Why that one.</param>
/// <param name="Files">What goes in.</param>
/// <param name="Omitted">What the host would not read.</param>
/// <param name="Since">The version that is compared with, or null.</param>
/// <param name="Changes">What changed since; for a first release, all that is in it.</param>
/// <param name="IsSinceLost">What that version held cannot be found any more, so that nothing is compared with it.</param>
/// <param name="Placeholders">Files that only hold a place until the author’s own come.</param>
/// <param name="Notes">A draft of the notes.</param>
internal sealed record DraftView(
    long Revision,
    string? Version,
    string Suggested,
    string Why,
    int Blockers,
    IReadOnlyList<PackagedFile> Files,
    IReadOnlyList<string> Omitted,
    string? Since,
    bool IsSinceLost,
    IReadOnlyList<ChangedFile> Changes,
    string Notes,
    IReadOnlyList<string> Placeholders);

internal static class ReleaseEndpoints
{
    public static void MapReleases(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}");
        pack.MapGet("/draft", DraftAsync).WithName("viewDraft");
        pack.MapGet("/releases", ListAsync).WithName("listReleases");
        pack.MapPost("/releases", BuildAsync).WithName("buildRelease");
        pack.MapGet("/releases/{release:guid}/package", DownloadAsync).WithName("downloadPackage");
    }

    private static async Task<DraftView> DraftAsync(
        Guid id,
        PackService packs,
        UnderlayDatabase database,
        PackReader reader,
        CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var manifest = ManifestFacts.Read(snapshot.Profile, snapshot.Tree);
        var version = manifest.Version;
        var plan = PackageBuilder.Plan(snapshot.Profile, snapshot.Tree);
        var last = await database.Releases
            .AsNoTracking()
            .Where(r => r.PackId == id)
            .OrderByDescending(r => r.At)
            .FirstOrDefaultAsync(cancel).ConfigureAwait(false);
        bool IsOfBase(PackPath path) => snapshot.Overlay?.Base.Find(path) is not null;
        var released = last is null ? null : await ReleasedAsync(snapshot.Profile, reader, last, cancel).ConfigureAwait(false);
        var isLost = last is not null && released is null;
        var changes = released is not null
            ? ReleaseChanges.Between(released, plan.Files, snapshot.Profile.Manifest.Path, IsOfBase)
            : isLost ? [] : ReleaseChanges.First(plan.Files, snapshot.Profile.Manifest.Path, IsOfBase);
        var (suggested, why) = isLost
            ? ReleaseChanges.SuggestBlindly(last!.Version)
            : ReleaseChanges.Suggest(version, last?.Version, changes);
        return new DraftView(
            snapshot.Revision,
            version,
            suggested,
            why,
            snapshot.Report.Count(Core.Findings.Severity.Blocker),
            [.. plan.Files.Select(f => new PackagedFile(f.Path.Value, f.Length, FileFormats.IsPicture(f.Path), PackSnapshot.HashOf(f)))],
            [.. plan.Omitted.Select(p => p.Value)],
            last?.Version,
            isLost,
            [.. changes.Select(c => c with
            {
                Place = snapshot.Profile.Locate(PackPath.Parse(c.Path), snapshot.Report.Edition)?.Place.Key,
            })],
            isLost ? "" : ReleaseChanges.Notes(last?.Version, changes),
            [
                .. snapshot.Report.Findings
                    .Where(f => f.Code.Value == "pack/placeholder")
                    .SelectMany(f => f.Parts.Select(p => p.Path).DefaultIfEmpty(f.Path)),
            ]);
    }

    /// <summary>
    /// What went into a release: the pack as it was then, whose hashes the log knows, so that no package is unpacked; null where it knows
    /// no such revision.
    /// </summary>
    private static async Task<FileTree?> ReleasedAsync(HostProfile profile, PackReader reader, Release release, CancellationToken cancel) =>
        await reader.OpenAtAsync(release.PackId, release.Revision, cancel).ConfigureAwait(false) is { } then
            ? FileTree.Of(PackageBuilder.Plan(profile, then).Files)
            : null;

    private static async Task<IReadOnlyList<ReleaseView>> ListAsync(Guid id, UnderlayDatabase database, CancellationToken cancel) =>
        [
            .. (
                await database.Releases
                    .AsNoTracking()
                    .Where(r => r.PackId == id)
                    .OrderByDescending(r => r.At)
                    .ToListAsync(cancel).ConfigureAwait(false)).Select(ReleaseView.Of),
        ];

    private static async Task<Accepted<JobView>> BuildAsync(
        Guid id,
        BuildRequest request,
        PackService packs,
        UnderlayDatabase database,
        JobBoard board,
        CancellationToken cancel)
    {
        var version = request.Version.Trim();
        if (await database.Releases.AnyAsync(r => r.PackId == id && r.Version == version, cancel).ConfigureAwait(false))
            throw new ProblemException(
                409,
                "version-taken",
                $"Version {version} is released already, and a release is not changed. Choose another version.");
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        if (snapshot.Report.Count(Core.Findings.Severity.Blocker) is > 0 and var blockers && !request.AllowBlockers)
            throw new ProblemException(
                409,
                "blockers",
                $"{(blockers == 1 ? "1 blocker is" : $"{blockers} blockers are")} left; mend or waive in Prove, or build all the same.");
        var manifest = ManifestFacts.Read(snapshot.Profile, snapshot.Tree);
        var isWhole = ReleaseChanges.IsWhole(manifest.Version);
        if (!(isWhole ? ReleaseChanges.IsWhole(version) : ReleaseChanges.IsVersion(version)))
            throw ProblemException.Unsound(
                $"“{version}” is no version; {(isWhole ? "a whole number" : "three numbers such as 1.2.0")} {(isWhole ? "is" : "are")} "
                    + $"wanted.");
        if (manifest.IsSound && manifest.Version != version)
        {
            snapshot = await packs.EditAsync(id, null, $"Set version {version}", before =>
            {
                var file = before.Tree.Find(before.Profile.Manifest.Path)
                    ?? throw ProblemException.NoFile(before.Profile.Manifest.Path.Value);
                var field = before.Profile.Manifest.VersionField;
                return [new TreeEdit.Write(file.Path, ManifestFacts.WithValue(before.Profile, file.ReadAll(), field, version))];
            }, cancel, isAll: false).ConfigureAwait(false);
        }

        var job = await board.AskAsync(
            id,
            "build",
            $"build:{id}:{version}",
            JsonSerializer.Serialize(new PinnedBuild(request with { Version = version }, snapshot.Revision)),
            cancel).ConfigureAwait(false);
        return TypedResults.Accepted($"/api/jobs/{job.Id}", JobView.Of(job));
    }

    private static async Task<PushStreamHttpResult> DownloadAsync(
        Guid id,
        Guid release,
        UnderlayDatabase database,
        NpgsqlDataSource source,
        HttpResponse response,
        CancellationToken cancel)
    {
        var found = await database.Releases
            .AsNoTracking()
            .FirstOrDefaultAsync(r => r.PackId == id && r.Id == release, cancel).ConfigureAwait(false)
            ?? throw new ProblemException(404, "no-release", "There is no such release.");
        response.ContentLength = found.PackageLength;
        return TypedResults.Stream(
            to => BlobStore.CopyAsync(source, ContentHash.Parse(found.PackageHash), to, cancel),
            "application/octet-stream",
            found.FileName,
            found.At,
            new Microsoft.Net.Http.Headers.EntityTagHeaderValue($"\"{found.PackageHash}\""));
    }
}
