using System.CommandLine;
using Underlay.Core.Checks;
using Underlay.Files;

namespace Underlay.Cli.Commands;

/// <summary><c>underlay check</c>: findings; exit 0 no blocker, 1 blockers that are not waived, 2 cannot read.</summary>
internal static class CheckCommand
{
    public static Command Make(Installation installation)
    {
        var options = new CommonOptions();
        var command = new Command("check", "Say what the host would not show as you made it, and why.")
        {
            options.Pack, options.Host, options.Edition, options.Base, options.ReportFormat, options.OutputFile,
        };
        command.SetAction(parsed =>
        {
            var context = HostContext.Open(installation, parsed.GetRequiredValue(options.Host), parsed.GetValue(options.Base));
            var edition = context.FindEdition(parsed.GetValue(options.Edition));
            var path = parsed.GetRequiredValue(options.Pack);
            var source = context.OpenPack(path);
            var report = Run(context, source, edition, path);
            var text = parsed.GetValue(options.ReportFormat) switch
            {
                "json" => ReportWriter.Json(report, source.Name),
                "sarif" => SarifWriter.Write(report),
                _ => ReportWriter.Text(report, context.Profile, source.Name),
            };
            Output.Print(text, parsed.GetValue(options.OutputFile));
            if (source.Problem is { } problem) throw new UserErrorException($"{path} was refused: {problem.Says}");
            return report.Blocks ? 1 : 0;
        });
        return command;
    }

    /// <summary>The report of a pack; of an archive, with what its file's name keeps from being listed.</summary>
    public static CheckReport Run(HostContext context, PackSource source, Core.Hosts.Edition? edition, string path)
    {
        if (source.Problem is { } problem)
        {
            var finding = ArchiveFindings.Of(problem);
            return new CheckReport(
                context.Profile.Key,
                edition ?? context.Profile.Newest,
                null,
                [finding],
                [.. CheckList.Codes.Where(c => c != finding.Code)],
                null);
        }

        var report = CheckReport.Make(context.Profile, edition, context.Base, source.Tree);
        Trace.Faults(report);
        return !source.IsFolder && WrongEnding.Find(context.Profile, Path.GetFileName(path)) is { } ending
            ? report with { Findings = [ending, .. report.Findings] }
            : report;
    }
}
