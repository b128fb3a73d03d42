using System.CommandLine;
using System.Text.Json;
using Underlay.Files;

namespace Underlay.Cli.Commands;

/// <summary><c>underlay try</c>: loads packages in the simulated host; exit 1 if anything was dropped, not listed or not right.</summary>
internal static class TryCommand
{
    public static Command Make(Installation installation)
    {
        var options = new CommonOptions();
        var files = new Argument<string[]>("FILE") { Description = "Packages, lowest first.", Arity = ArgumentArity.OneOrMore };
        var insist = new Option<bool>("--insist") { Description = "Load packages that are not for the edition, too." };
        var command = new Command("try", "Load packages in the simulated host and say what it would show.")
        {
            files, options.Host, options.Edition, insist, options.Base, options.Format,
        };
        command.SetAction(async (parsed, cancel) =>
        {
            var context = HostContext.Open(installation, parsed.GetRequiredValue(options.Host), parsed.GetValue(options.Base));
            var packages = parsed.GetRequiredValue(files);
            if (packages.FirstOrDefault(p => !File.Exists(p)) is { } missing)
                throw new UserErrorException($"There is no package at {missing}.");
            var edition = context.FindEdition(parsed.GetValue(options.Edition))
                ?? context.DeclaredEdition(context.OpenPack(packages[0]).Tree);
            var runner = new TrialRunner(installation.StandIns);
            var result = await runner.RunAsync(
                context.Profile,
                context.BaseFolder(edition),
                edition,
                parsed.GetValue(insist),
                packages,
                cancel).ConfigureAwait(false);
            if (result.ExitCode != 0) throw new UserErrorException($"{context.Profile.Title} could not be tried: {result.Error.Trim()}");
            using var report = JsonDocument.Parse(result.Json);
            Output.Print(parsed.GetValue(options.Format) == "json" ? result.Json : TrialText.Of(report.RootElement), null);
            return TrialText.IsAllRight(report.RootElement) ? 0 : 1;
        });
        return command;
    }
}
