using System.Diagnostics;
using Underlay.Testing;

namespace Underlay.Cli.Tests;

/// <summary>What a run of a command printed.</summary>
public sealed record Ran(int ExitCode, string Output, string Error);

/// <summary>Runs the built underlay command and other programs, as an author would.</summary>
public static class UnderlayCommand
{
    public static Ran Run(params string[] arguments) => RunProgram(Path.Combine(Repository.Root, "underlay"), arguments);

    /// <summary>The command on a machine whose people speak another language.</summary>
    public static Ran RunIn(string language, params string[] arguments) =>
        RunProgram(Path.Combine(Repository.Root, "underlay"), arguments, ("LC_ALL", language));

    public static Ran RunProgram(string program, params string[] arguments) => RunProgram(program, arguments, []);

    private static Ran RunProgram(string program, string[] arguments, params (string Name, string Value)[] environment)
    {
        var start = new ProcessStartInfo(program) { RedirectStandardOutput = true, RedirectStandardError = true };
        // What whoever runs the tests said of themselves is of no account.
        start.Environment["UNDERLAY_AUTHOR"] = "/nowhere/author.json";
        foreach (var (name, value) in environment) start.Environment[name] = value;
        foreach (var argument in arguments) start.ArgumentList.Add(argument);
        using var process = Process.Start(start)!;
        var error = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return new Ran(process.ExitCode, output, error.Result);
    }
}

/// <summary>The demo, written once, and a folder of its own for each test.</summary>
public sealed class DemoFolders : IDisposable
{
    private int copies;

    public DemoFolders()
    {
        Root = Directory.CreateTempSubdirectory("underlay-tests-").FullName;
        var ran = UnderlayCommand.Run("demo", Demo);
        if (ran.ExitCode != 0) throw new InvalidOperationException(ran.Error);
    }

    public string Root { get; }

    public string Demo => Path.Combine(Root, "demo");

    public string Base => Path.Combine(Demo, "base/kilnmoor/4.0");

    public string NewFolder() => Directory.CreateDirectory(Path.Combine(Root, $"t{Interlocked.Increment(ref copies)}")).FullName;

    /// <summary>A copy of a demo pack.</summary>
    public string CopyOf(string pack)
    {
        var to = Path.Combine(NewFolder(), Path.GetFileName(pack));
        Lay(pack, to);
        return to;
    }

    /// <summary>Copies a demo folder's files over a folder.</summary>
    public void Lay(string from, string to)
    {
        var source = Path.Combine(Demo, from);
        foreach (var file in Directory.EnumerateFiles(source, "*", SearchOption.AllDirectories))
        {
            var target = Path.Combine(to, Path.GetRelativePath(source, file));
            Directory.CreateDirectory(Path.GetDirectoryName(target)!);
            File.Copy(file, target, overwrite: true);
        }
    }

    public void Dispose() => Directory.Delete(Root, recursive: true);
}
