using System.CommandLine;
using Underlay.Core.Checks;
using Underlay.Core.Findings;
using Underlay.Core.Manifests;
using Underlay.Core.Mending;
using Underlay.Core.Packs;
using Underlay.Files;

namespace Underlay.Cli.Commands;

/// <summary><c>underlay fix</c>: applies fixes to a folder; exit codes as for <c>check</c>, on what is left.</summary>
internal static class FixCommand
{
    // As many codes as a line of a terminal holds.
    private const int MostNamed = 4;

    public static Command Make(Installation installation)
    {
        var options = new CommonOptions();
        var only = new Option<string[]>(
            "--only")
        {
            Description = "Only fixes for this code, those too that leave a choice or change bytes; may be repeated.",
            DefaultValueFactory = _ =>
                []
        };
        var dryRun = new Option<bool>("--dry-run") { Description = "Only say what would be done." };
        var name = new Option<string?>("--author") { Description = "The author’s name, for a manifest that is written." };
        var prefix = new Option<string?>("--prefix") { Description = "The author’s prefix, for ids that are written." };
        var command = new Command("fix", "Apply the fixes that lose nothing and leave no choice.")
        {
            options.Pack, options.Host, options.Edition, options.Base, only, dryRun, name, prefix,
        };
        command.SetAction(parsed =>
        {
            var context = HostContext.Open(installation, parsed.GetRequiredValue(options.Host), parsed.GetValue(options.Base));
            var edition = context.FindEdition(parsed.GetValue(options.Edition));
            var path = parsed.GetRequiredValue(options.Pack);
            var codes = parsed.GetValue(only) ?? [];
            if (codes.FirstOrDefault(c => CheckList.Codes.All(k => k.Value != c)) is { } unknown)
                throw new UserErrorException($"There is no check “{unknown}”; docs/checks.md lists them.");
            var source = context.OpenPack(path);
            if (source.Problem is { } problem) throw new UserErrorException($"{path} was refused: {problem.Says}");
            if (!source.IsFolder) throw new UserErrorException($"{path} is an archive; unpack it into a folder to have it fixed there.");
            var author = AuthorOf(installation, parsed.GetValue(name), parsed.GetValue(prefix));
            // Each round is checked at the cost of what the last one changed.
            var session = CheckSession.Open(context.Profile, edition, context.Base, source.Tree);
            var (_, applied, held, report) = FixRunner.Run(
                source.Name,
                source.Tree,
                t => (session = session.MovedTo(t)).Report,
                context.Profile,
                codes,
                author);
            var isDry = parsed.GetValue(dryRun);
            foreach (var fix in applied)
            {
                if (!isDry) FolderWriter.Apply(path, fix.Edits);
                Console.Out.WriteLine($"{fix.Finding.Code}  {fix.Finding.Path}: {fix.Finding.Fix!.Title}");
                foreach (var edit in fix.Edits) Console.Out.WriteLine($"    {Describe(edit)}");
            }

            foreach (var back in held)
            {
                Console.Out.WriteLine(
                    $"held back  {back.Finding.Code}  {back.Finding.Path}: “{back.Finding.Fix!.Title}” would make "
                        + $"{context.Profile.Title} show {Describe(back.Would)}");
                if (back.Chain.Count > 1)
                    Console.Out.WriteLine(
                        $"    it holds with {string.Join(", then ", back.Chain.Skip(1).Select(t => $"“{t.Finding.Fix!.Title}”"))}: "
                            + string.Join(' ', back.Chain.Select(t => $"--only {t.Finding.Code}").Distinct()));
            }

            var left = $"{ReportWriter.Count(report.Count(Severity.Blocker), "blocker")} and "
                + $"{ReportWriter.Count(report.Count(Severity.Warning), "warning")} left";
            Console.Out.WriteLine($"{(isDry ? "Would apply" : "Applied")} {ReportWriter.Count(applied.Count, "fix")}; {left}.");
            if (applied.Count == 0) Hint(report, codes);
            return report.Blocks ? 1 : 0;
        });
        return command;
    }

    /// <summary>What is said here goes before what the author's file says.</summary>
    private static Author AuthorOf(Installation installation, string? name, string? prefix)
    {
        var fault = (name is null ? null : Author.FaultOfName(name)) ?? (prefix is null ? null : Author.FaultOfPrefix(prefix));
        if (fault is not null) throw new UserErrorException(fault);
        try
        {
            var said = AuthorFile.Read(installation.Author);
            return new Author(name ?? said.Name, prefix ?? said.Prefix);
        }
        catch (InvalidDataException problem)
        {
            throw new UserErrorException(problem.Message);
        }
    }

    /// <summary>Says what is there to be named, where nothing was applied.</summary>
    private static void Hint(CheckReport report, IReadOnlyCollection<string> named)
    {
        var others = report.Findings
            .Where(f => f is { Fix: not null, Waiver: null } && !named.Contains(f.Code.Value))
            .CountBy(f => f.Code.Value)
            .OrderByDescending(c => c.Value)
            .Take(MostNamed)
            .ToList();
        if (others.Count > 0)
            Console.Out.WriteLine(
                "Fixes that change bytes or leave a choice are applied when they are named: "
                    + string.Join(", ", others.Select(o => $"--only {o.Key} ({o.Value})")));
    }

    private static string Describe(IReadOnlyList<Prediction> would) =>
        $"{would[0].Path} {(would[0].Kind == PredictionKind.Drop ? "not at all, as it is" : "as")} "
            + $"{would[0].Code}{(would.Count > 1 ? $", and {would.Count - 1} more" : "")}";

    private static string Describe(TreeEdit edit) => edit switch
    {
        TreeEdit.Write write => $"write {write.Path}",
        TreeEdit.Put put => $"write {put.File.Path}",
        TreeEdit.Copy copy => $"copy {copy.From} to {copy.To}",
        TreeEdit.Move move => $"move {move.From} to {move.To}",
        TreeEdit.Delete delete => $"delete {delete.Path}",
        _ => edit.ToString()!,
    };
}
