using System.Globalization;
using Underlay.Core.Packs;
using Underlay.Testing.Fuzzing;

/// <summary>Damages files and reads them for as long as is asked for; the tests do the same for a moment.</summary>
internal static class LongFuzz
{
    /// <summary>Runs over all formats on all processors.</summary>
    /// <param name="time">How long.</param>
    /// <param name="seeds">Where files that break something are kept, a folder for each format; the tests read them from then on.</param>
    /// <param name="output">Where it is told.</param>
    /// <returns>0 when nothing broke, else 1.</returns>
    public static int Run(TimeSpan time, string seeds, TextWriter output)
    {
        var until = DateTime.UtcNow + time;
        var next = Environment.TickCount & 0x3FFFFFFF;
        var (done, broken) = (0, 0);
        var told = new HashSet<string>();
        Parallel.For(0, Environment.ProcessorCount, _ =>
        {
            while (DateTime.UtcNow < until)
            {
                var seed = Interlocked.Increment(ref next);
                var intake = Intake.All[seed % Intake.All.Count];
                Interlocked.Increment(ref done);
                if (Fuzzer.Try(intake, Fuzzer.Make(intake, seed)) is not { } crash) continue;
                Interlocked.Increment(ref broken);
                lock (told) Keep(crash, seeds, told, output);
            }
        });
        output.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{done:N0} damaged files read, {broken:N0} broke something"));
        return broken == 0 ? 0 : 1;
    }

    /// <summary>Keeps the first file of each way to break.</summary>
    private static void Keep(Crash crash, string seeds, HashSet<string> told, TextWriter output)
    {
        var lines = crash.Says.Split('\n');
        if (!told.Add(string.Join('\n', lines.Where(l => l.TrimStart().StartsWith("at ", StringComparison.Ordinal)).Take(4)))) return;
        var folder = Path.Combine(seeds, crash.Intake.Name);
        Directory.CreateDirectory(folder);
        var path = Path.Combine(folder, ContentHash.Of(crash.Input).ToString()[..12] + ".bin");
        File.WriteAllBytes(path, crash.Input);
        output.WriteLine($"{path}\n{string.Join('\n', lines.Take(8))}");
    }
}
