using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Npgsql;
using Underlay.Core.Findings;
using Underlay.Core.Manifests;
using Underlay.Core.Packaging;
using Underlay.Core.Packs;
using Underlay.Data;
using Underlay.Data.Blobs;
using Underlay.Data.Jobs;
using Underlay.Data.Releases;
using Underlay.Files;
using Underlay.Server.Hosting;
using Underlay.Server.Jobs;
using Underlay.Server.Packs;

namespace Underlay.Server.Releases;

/// <summary>What a build is asked for.</summary>
internal sealed record BuildRequest(string Version, string Notes, bool AllowBlockers);

/// <summary>What is built: the pack at one revision, whatever is done to it meanwhile.</summary>
internal sealed record PinnedBuild(BuildRequest Asked, long Revision);

/// <summary>What a build made.</summary>
internal sealed record BuildResult(Guid Release);

/// <summary>Builds a package and keeps it as a release.</summary>
internal sealed class BuildWork(PackService packs, UnderlayDatabase database, NpgsqlDataSource source, TimeProvider clock) : IJobWork
{
    public string Kind => "build";

    public async Task<string> RunAsync(Job job, JobProgress progress, CancellationToken cancel)
    {
        var (request, revision) = JsonSerializer.Deserialize<PinnedBuild>(job.Request)!;
        // Begun again after its node died, it may have kept the release already.
        if (await FindReleaseAsync(job.PackId, request.Version, cancel).ConfigureAwait(false) is { } already)
            return JsonSerializer.Serialize(new BuildResult(already), JsonSerializerOptions.Web);
        var snapshot = await packs.AtAsync(job.PackId, revision, cancel).ConfigureAwait(false);
        var blockers = snapshot.Report.Count(Severity.Blocker);
        if (blockers > 0 && !request.AllowBlockers)
            throw new ProblemException(
                409,
                "blockers",
                $"{(blockers == 1 ? "1 blocker is" : $"{blockers} blockers are")} left; mend or waive in Prove, or build all the same.");
        using var package = new Spool();
        var (built, files) = await PackAsync(snapshot, package.Output, progress, cancel).ConfigureAwait(false);
        var release = new Release
        {
            Id = Guid.CreateVersion7(),
            PackId = job.PackId,
            Version = request.Version,
            Notes = request.Notes,
            FileName = FileNameOf(snapshot, request.Version),
            PackageHash = built.Sha256,
            PackageLength = built.Length,
            Files = files,
            Blockers = blockers,
            Revision = snapshot.Revision,
            At = clock.GetUtcNow(),
        };
        await progress.TellAsync("Keeping the package", files, files).ConfigureAwait(false);
        await KeepAsync(release, package, cancel).ConfigureAwait(false);
        return JsonSerializer.Serialize(new BuildResult(release.Id), JsonSerializerOptions.Web);
    }

    private static string FileNameOf(PackSnapshot snapshot, string version)
    {
        var title = snapshot.Overlay?.Pack.Manifest.Title ?? snapshot.Name;
        return $"{NewPack.NameOf(title)}-{version}{snapshot.Profile.Package.Extension}";
    }

    /// <summary>Writes the package.</summary>
    /// <exception cref="ProblemException">It is larger than the host takes.</exception>
    public static async Task<(BuiltPackage Built, int Files)> PackAsync(
        PackSnapshot snapshot,
        Stream package,
        JobProgress progress,
        CancellationToken cancel)
    {
        var plan = PackageBuilder.Plan(snapshot.Profile, snapshot.Tree);
        await progress.TellAsync("Packing", 0, plan.Files.Count).ConfigureAwait(false);
        var built = await Task.Run(
            () => PackageBuilder.Write(snapshot.Profile, plan.Files, package, progress.Count("Packing", plan.Files.Count), cancel),
            cancel).ConfigureAwait(false);
        if (built.Length > snapshot.Profile.Package.MostBytes)
            throw new ProblemException(
                409,
                "too-big",
                $"The package would have {built.Length >> 20} MB; {snapshot.Profile.Title} takes at most "
                    + $"{snapshot.Profile.Package.MostBytes >> 20} MB.");
        return (built, plan.Files.Count);
    }

    private async Task<Guid?> FindReleaseAsync(Guid packId, string version, CancellationToken cancel) =>
        await database.Releases
            .Where(r => r.PackId == packId && r.Version == version)
            .Select(r => (Guid?)r.Id)
            .FirstOrDefaultAsync(cancel).ConfigureAwait(false);

    /// <summary>Bytes and release are kept in one transaction.</summary>
    private async Task KeepAsync(Release release, Spool package, CancellationToken cancel)
    {
        await using var connection = await source.OpenConnectionAsync(cancel).ConfigureAwait(false);
        await using var transaction = await connection.BeginTransactionAsync(cancel).ConfigureAwait(false);
        var blob = new NewBlob(ContentHash.Parse(release.PackageHash), release.PackageLength, package.Read);
        await BlobStore.WriteAsync(connection, [blob], cancel).ConfigureAwait(false);
        var options = new DbContextOptionsBuilder<UnderlayDatabase>();
        options.UseNpgsql(connection).UseSnakeCaseNamingConvention();
        await using var inside = new UnderlayDatabase(options.Options);
        await inside.Database.UseTransactionAsync(transaction, cancel).ConfigureAwait(false);
        inside.Releases.Add(release);
        await inside.SaveChangesAsync(cancel).ConfigureAwait(false);
        await transaction.CommitKnownAsync().ConfigureAwait(false);
    }
}
