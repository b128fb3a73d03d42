using Underlay.Core.Checks;

namespace Underlay.Cli;

/// <summary>Tells faults of ours with where they were made, to whoever asks for it by UNDERLAY_TRACE=1.</summary>
internal static class Trace
{
    /// <summary>True where that is asked for.</summary>
    public static bool IsOn => Environment.GetEnvironmentVariable("UNDERLAY_TRACE") is { Length: > 0 };

    /// <summary>Writes the faults at files that a check left out.</summary>
    public static void Faults(CheckReport report)
    {
        if (!IsOn) return;
        foreach (var unjudged in report.Unjudged) Console.Error.WriteLine($"{unjudged.File.Path} ({unjudged.File.Hash}): {unjudged.Fault}");
    }
}
