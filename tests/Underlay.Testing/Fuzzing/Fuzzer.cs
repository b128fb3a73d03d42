using System.Diagnostics;

namespace Underlay.Testing.Fuzzing;

/// <summary>What went wrong with a damaged file.</summary>
/// <param name="Intake">What it was read as.</param>
/// <param name="Input">The file.</param>
/// <param name="Says">What went wrong.</param>
public sealed record Crash(Intake Intake, byte[] Input, string Says);

/// <summary>Reads damaged files and tells of each that does not come out as a value or a problem in words, within a budget.</summary>
public static class Fuzzer
{
    /// <summary>
    /// What reading one file of a few kilobytes may allocate: the pixels of the largest picture that is taken, a few times over.
    /// </summary>
    public const long MostBytes = 1L << 30;

    /// <summary>
    /// How long reading one file may take; far above what any takes, so that only what never ends is caught on a busy machine.
    /// </summary>
    public static readonly TimeSpan MostTime = TimeSpan.FromMinutes(2);

    /// <summary>Damages a sample of the intake; the same seed damages it alike.</summary>
    public static byte[] Make(Intake intake, int seed)
    {
        var random = new Random(seed);
        var damaged = Damage.Of(intake.Samples[random.Next(intake.Samples.Count)], random);
        return intake.Mend is { } mend && random.Next(2) == 0 ? mend(damaged) : damaged;
    }

    /// <summary>Reads one file; null where all is as it should be.</summary>
    public static Crash? Try(Intake intake, byte[] input)
    {
        var allocated = GC.GetAllocatedBytesForCurrentThread();
        var begun = Stopwatch.GetTimestamp();
        try
        {
            intake.Read(input.ToArray());
        }
        catch (Exception problem) when (problem is not OutOfMemoryException)
        {
            return new Crash(intake, input, problem.ToString());
        }

        if (GC.GetAllocatedBytesForCurrentThread() - allocated is var bytes && bytes > MostBytes)
            return new Crash(intake, input, $"allocated {bytes:N0} bytes for {input.Length:N0}");
        return Stopwatch.GetElapsedTime(begun) is var time && time > MostTime ? new Crash(intake, input, $"took {time}") : null;
    }
}
