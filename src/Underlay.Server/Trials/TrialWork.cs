using System.Text.Json;
using Underlay.Core.Stacks;
using Underlay.Data.Jobs;
using Underlay.Files;
using Underlay.Server.Findings;
using Underlay.Server.Hosting;
using Underlay.Server.Hosts;
using Underlay.Server.Jobs;
using Underlay.Server.Packs;
using Underlay.Server.Releases;

namespace Underlay.Server.Trials;

/// <summary>A finding that told what would become of a path.</summary>
internal sealed record TrialCause(FindingName Finding, string Says);

/// <summary>Builds the pack as it is and loads it in the simulated host.</summary>
internal sealed class TrialWork(PackService packs, HostRegistry hosts, Settings settings) : IJobWork
{
    public string Kind => "trial";

    public async Task<string> RunAsync(Job job, JobProgress progress, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(job.PackId, cancel).ConfigureAwait(false);
        if (!hosts.HasBase(snapshot.Profile, snapshot.Edition))
            throw new ProblemException(
                409,
                "no-base",
                $"The files of {snapshot.Edition.Title} are not here, so the pack cannot be tried in it.");
        var folder = Directory.CreateTempSubdirectory("underlay-trial-");
        try
        {
            var file = Path.Combine(folder.FullName, $"draft{snapshot.Profile.Package.Extension}");
            await using (var package = File.Create(file))
                await BuildWork.PackAsync(snapshot, package, progress, cancel).ConfigureAwait(false);
            await progress.TellAsync($"{snapshot.Edition.Title} is loading it", 0, 0).ConfigureAwait(false);
            var runner = new TrialRunner(settings.Installation.StandIns);
            var result = await runner.RunAsync(
                snapshot.Profile,
                hosts.BaseFolder(snapshot.Profile, snapshot.Edition),
                snapshot.Edition,
                insist: false,
                [file],
                cancel).ConfigureAwait(false);
            if (result.ExitCode != 0)
                throw new ProblemException(502, "trial-failed", $"{snapshot.Profile.Title} ended with a problem: {result.Error.Trim()}");
            using var report = JsonDocument.Parse(result.Json);
            var told = new
            {
                revision = snapshot.Revision,
                report = report.RootElement,
                standsFor = StandsForOf(snapshot),
                causes = CausesOf(snapshot),
            };
            return JsonSerializer.Serialize(told, JsonSerializerOptions.Web);
        }
        catch (Exception problem) when (problem is TimeoutException or FileNotFoundException)
        {
            throw new ProblemException(502, "trial-failed", problem.Message);
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }

    /// <summary>By path: the findings that told of it before.</summary>
    private static Dictionary<string, List<TrialCause>> CausesOf(PackSnapshot snapshot) =>
        snapshot.Report.Findings
            .SelectMany(f => f.Predicts.Select(p => p.Path).Distinct().Select(path => (Path: path, Finding: f)))
            .GroupBy(c => c.Path, c => new TrialCause(FindingName.Of(c.Finding), c.Finding.Message))
            .ToDictionary(g => g.Key, g => g.ToList());

    /// <summary>By path: what a picture stands for that an index ties to codes.</summary>
    private static Dictionary<string, string> StandsForOf(PackSnapshot snapshot) =>
        snapshot.Overlay is { } overlay
            ? overlay.Pack.Placements
                .Select(p => (p.Path, Says: StandsFor.Of(overlay, p.Path)))
                .Where(p => p.Says is not null)
                .ToDictionary(p => p.Path.Value, p => p.Says!)
            : [];
}
