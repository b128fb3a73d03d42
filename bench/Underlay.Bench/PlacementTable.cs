using System.Globalization;
using Underlay.Core.Hosts;
using Underlay.Demo;
using Underlay.Testing.Trays;

/// <summary>Precision and recall of placing, by how files came by their names.</summary>
internal static class PlacementTable
{
    // Of each naming; enough to see why.
    private const int MostMissed = 8;

    /// <summary>Places generated files and prints a table.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="files">How many files.</param>
    /// <param name="output">Where to.</param>
    public static void Print(HostProfile profile, int files, TextWriter output)
    {
        var scores = PlacementScore.Take(profile, DemoCatalogue.FindBase(profile.Key, profile.Newest.Key)!.Make(), files, seed: 2);
        output.WriteLine($"\n{profile.Title}\n");
        output.WriteLine("| Named | Files | Offered | Proposed | Proposed wrongly | Sure | Sure and wrong |");
        output.WriteLine("| --- | ---: | ---: | ---: | ---: | ---: | ---: |");
        foreach (var s in scores)
            output.WriteLine(
                $"| {s.Naming} | {s.Files} | {Share(s.Offered, s.Files)} | {Share(s.First, s.Files)} "
                + $"| {Share(s.FirstWrong, s.Files)} | {Share(s.Sure, s.Files)} | {s.SureWrong.Count} |");
        output.WriteLine();
        foreach (var missed in scores.SelectMany(s => s.Missed.Take(MostMissed).Select(m => $"{s.Naming}: {m}"))) output.WriteLine(missed);
    }

    private static string Share(int part, int of) => string.Create(CultureInfo.InvariantCulture, $"{100.0 * part / of:F1} %");
}
