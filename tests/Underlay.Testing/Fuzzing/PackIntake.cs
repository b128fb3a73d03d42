using Underlay.Core.Checks;
using Underlay.Core.Mending;

namespace Underlay.Testing.Fuzzing;

/// <summary>What is done with every pack: it is checked, repaired by all that is offered, and built or not.</summary>
internal static class PackIntake
{
    private static readonly string[] AllCodes = [.. CheckList.Codes.Select(c => c.Value)];

    public static void Check(APack pack)
    {
        foreach (var finding in pack.Findings()) AssertWords(finding.Message);
        FixRunner.Run(
            "p",
            pack.Tree,
            t => NoFaults.In(CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, t)),
            Repository.Kilnmoor,
            AllCodes);
    }

    public static void Check(AGuide guide)
    {
        foreach (var finding in guide.Findings()) AssertWords(finding.Message);
        FixRunner.Run(
            "g",
            guide.Tree,
            t => NoFaults.In(CheckReport.Make(Repository.Wrenfield, null, SmallLibrary.Of, t)),
            Repository.Wrenfield,
            AllCodes);
    }

    public static void AssertWords(string? says)
    {
        if (string.IsNullOrWhiteSpace(says) || says.Contains("Exception", StringComparison.Ordinal))
            throw new InvalidDataException($"no problem in words: “{says}”");
    }
}
