using System.Diagnostics;
using Underlay.Core.Hosts;

namespace Underlay.Files;

/// <summary>What a trial printed.</summary>
/// <param name="ExitCode">The stand-in's own exit code.</param>
/// <param name="Json">Its report; empty when it failed.</param>
/// <param name="Error">What it wrote on standard error.</param>
public sealed record TrialResult(int ExitCode, string Json, string Error);

/// <summary>Runs a host's stand-in in a process of its own, with a time limit.</summary>
/// <param name="standInFolder">Where stand-ins are: <c>{program}/{program}.dll</c>.</param>
public sealed class TrialRunner(string standInFolder)
{
    /// <summary>Loads packages in the simulated host.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="baseFolder">The edition's files.</param>
    /// <param name="edition">The edition.</param>
    /// <param name="insist">Whether to load packages that are not for the edition.</param>
    /// <param name="packages">Package files, lowest first.</param>
    /// <param name="cancel">Ends the stand-in.</param>
    /// <exception cref="TimeoutException">The stand-in took longer than the profile allows; it was ended.</exception>
    /// <exception cref="FileNotFoundException">The stand-in is not there.</exception>
    public async Task<TrialResult> RunAsync(
        HostProfile profile,
        string baseFolder,
        Edition edition,
        bool insist,
        IReadOnlyList<string> packages,
        CancellationToken cancel = default)
    {
        var program = Path.Combine(standInFolder, profile.Trial.Program, $"{profile.Trial.Program}.dll");
        if (!File.Exists(program))
            throw new FileNotFoundException($"The stand-in of {profile.Title} is not built: {program} is missing.", program);
        var start = new ProcessStartInfo("dotnet") { RedirectStandardOutput = true, RedirectStandardError = true, UseShellExecute = false };
        string[] arguments =
        [
            program,
            "--base",
            baseFolder,
            "--edition",
            edition.Key,
            .. insist ? new[] { "--insist" } : [],
            "--",
            .. packages,
        ];
        foreach (var argument in arguments) start.ArgumentList.Add(argument);

        using var process = Process.Start(start)!;
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        limit.CancelAfter(TimeSpan.FromSeconds(profile.Trial.SecondsAllowed));
        try
        {
            var output = process.StandardOutput.ReadToEndAsync(limit.Token);
            var error = process.StandardError.ReadToEndAsync(limit.Token);
            await process.WaitForExitAsync(limit.Token).ConfigureAwait(false);
            return new TrialResult(process.ExitCode, await output.ConfigureAwait(false), await error.ConfigureAwait(false));
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            throw new TimeoutException($"{profile.Title} did not finish within {profile.Trial.SecondsAllowed} seconds and was ended.");
        }
        finally
        {
            if (!process.HasExited) process.Kill(entireProcessTree: true);
        }
    }
}
