using Underlay.Core.Checks;

namespace Underlay.Testing;

/// <summary>Faults of ours become findings, so that they take nothing along; in a test they are what is looked for.</summary>
public static class NoFaults
{
    /// <summary>The report, of which nothing was left out.</summary>
    public static CheckReport In(CheckReport report)
    {
        if (report.Unjudged is [var first, ..]) throw new InvalidOperationException($"{first.File.Path} cannot be judged.", first.Fault);
        return report.Skipped is [var check, ..] && report.Overlay is not null
            ? throw new InvalidOperationException($"{check} cannot be made.")
            : report;
    }
}
