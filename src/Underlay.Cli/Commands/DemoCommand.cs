using System.CommandLine;
using Underlay.Core.Packs;
using Underlay.Demo;
using Underlay.Files;

namespace Underlay.Cli.Commands;

/// <summary><c>underlay demo</c>: writes base files, packs and what mends them.</summary>
internal static class DemoCommand
{
    public static Command Make()
    {
        var output = new Argument<string>("OUT") { Description = "The folder to write to; existing files of the same names are replaced." };
        var command = new Command("demo", "Write the base files and demo packs of the invented hosts.") { output };
        command.SetAction(parsed =>
        {
            var folder = parsed.GetRequiredValue(output);
            var trees = new FileTree[DemoCatalogue.Folders.Count];
            Parallel.For(0, trees.Length, i => trees[i] = DemoCatalogue.Folders[i].Make());
            for (var i = 0; i < trees.Length; i++)
            {
                FolderWriter.WriteAll(Path.Combine(folder, DemoCatalogue.Folders[i].Folder), trees[i]);
                Console.Out.WriteLine($"{DemoCatalogue.Folders[i].Folder}  {ReportWriter.Count(trees[i].Files.Count, "file")}");
            }

            return 0;
        });
        return command;
    }
}
