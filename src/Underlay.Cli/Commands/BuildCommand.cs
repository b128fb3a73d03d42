using System.CommandLine;
using System.Globalization;
using Underlay.Core.Checks;
using Underlay.Core.Packaging;
using Underlay.Files;

namespace Underlay.Cli.Commands;

/// <summary><c>underlay build</c>: the package; exit 1 on blockers that are not waived.</summary>
internal static class BuildCommand
{
    public static Command Make(Installation installation)
    {
        var options = new CommonOptions();
        var output = new Option<FileInfo>("--output") { Description = "The package to write.", Required = true };
        var allow = new Option<bool>("--allow-blockers") { Description = "Build although blockers are left." };
        var command = new Command("build", "Build the package that the host wants.")
        {
            options.Pack,
            options.Host,
            options.Base,
            output,
            allow,
        };
        command.SetAction(parsed =>
        {
            var context = HostContext.Open(installation, parsed.GetRequiredValue(options.Host), parsed.GetValue(options.Base));
            var path = parsed.GetRequiredValue(options.Pack);
            var source = context.OpenPack(path);
            if (source.Problem is { } problem) throw new UserErrorException($"{path} was refused: {problem.Says}");
            var tree = ReadOnceTree.Of(source.Tree);
            var plan = PackageBuilder.Plan(context.Profile, tree);
            var target = parsed.GetRequiredValue(output);
            using var package = new UnfinishedPackage(target);
            package.Begin(context.Profile, plan.Files);
            var report = CheckReport.Make(context.Profile, null, context.Base, tree);
            if (report.Blocks && !parsed.GetValue(allow))
            {
                Console.Out.Write(ReportWriter.Text(report, context.Profile, source.Name));
                Console.Error.WriteLine("Nothing was built: mend or waive the blockers, or add --allow-blockers.");
                return 1;
            }

            var built = package.Finish(context.Profile);
            foreach (var omitted in plan.Omitted) Console.Out.WriteLine($"left out: {omitted}");
            Console.Out.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{target.FullName}\n{plan.Files.Count} files, {built.Length} bytes\nSHA-256 {built.Sha256}"));
            if (!target.Name.EndsWith(context.Profile.Package.Extension, StringComparison.Ordinal))
                Console.Error.WriteLine(
                    $"{context.Profile.Title} lists only packages whose names end with {context.Profile.Package.Extension}: give this one "
                        + $"the name {Path.GetFileNameWithoutExtension(target.Name)}{context.Profile.Package.Extension}.");
            return 0;
        });
        return command;
    }
}
