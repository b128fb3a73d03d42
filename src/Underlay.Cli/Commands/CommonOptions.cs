using System.CommandLine;

namespace Underlay.Cli.Commands;

/// <summary>Arguments and options that several commands share. Each command makes its own set.</summary>
internal sealed class CommonOptions
{
    public Argument<string> Pack { get; } = new("PATH") { Description = "A pack: a folder or an archive." };

    public Option<string> Host { get; } = new(
        "--host")
    { Description = "The host that the pack is for; underlay hosts lists them.", Required = true };

    public Option<string?> Edition { get; } = new(
        "--edition")
    { Description = "The host's edition; default: the newest that the manifest declares." };

    public Option<string?> Base { get; } = new(
        "--base")
    { Description = "The folder with that edition's own files; default: generated ones." };

    public Option<string> Format { get; } = MakeFormat("text", "json");

    public Option<string> ReportFormat { get; } = MakeFormat("text", "json", "sarif");

    public Option<FileInfo?> OutputFile { get; } = new("--output") { Description = "Write the report to this file." };

    private static Option<string> MakeFormat(params string[] formats)
    {
        var format = new Option<string>("--format")
        {
            Description = string.Join(", ", formats) + ".",
            DefaultValueFactory = _ => formats[0],
        };
        format.AcceptOnlyFromAmong(formats);
        return format;
    }
}
