using System.CommandLine;
using System.Globalization;
using Underlay.Cli;
using Underlay.Cli.Commands;
using Underlay.Core.Packs;
using Underlay.Files;

const long CollectedFrom = 320L << 20;

// The same words and numbers wherever it runs.
CultureInfo.DefaultThreadCurrentCulture = CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;

// The system's cryptography takes a while to load, and every command that reads a pack hashes: it loads beside the rest.
_ = Task.Run(() => ContentHash.Of([]));

// A command ends before there is much to collect: of packs of some ten thousand files nothing is, and of larger ones later.
if (GC.GetGCMemoryInfo().TotalAvailableMemoryBytes > 8 * CollectedFrom) GC.TryStartNoGCRegion(CollectedFrom);

var installation = Installation.Find();
var root = new RootCommand("Underlay takes the author of a pack from loose files to a package that the host loads.")
{
    HostsCommand.Make(installation),
    DemoCommand.Make(),
    CheckCommand.Make(installation),
    FixCommand.Make(installation),
    BuildCommand.Make(installation),
    TryCommand.Make(installation),
};

var parsed = root.Parse(args);
if (parsed.Errors.Count > 0)
{
    Console.Error.WriteLine($"{parsed.Errors[0].Message} (underlay --help lists the commands.)");
    return 2;
}

try
{
    return await parsed.InvokeAsync(new InvocationConfiguration { EnableDefaultExceptionHandler = false }).ConfigureAwait(false);
}
catch (Exception problem)
    when (problem is UserErrorException or IOException or UnauthorizedAccessException or InvalidDataException or TimeoutException)
{
    Console.Error.WriteLine(problem.Message);
    return 2;
}
catch (Exception fault)
{
    // Told as the fault that it is, and not by the system's own means.
    var what = $"{fault.GetType().Name}: {fault.Message}";
    Console.Error.WriteLine($"Underlay itself failed ({what}). Nothing more was written. UNDERLAY_TRACE=1 tells where.");
    if (Trace.IsOn) Console.Error.WriteLine(fault);
    return 2;
}
