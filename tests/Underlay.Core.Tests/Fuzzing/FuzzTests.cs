using Underlay.Testing.Fuzzing;

namespace Underlay.Core.Tests.Fuzzing;

/// <summary>
/// Whatever comes in is read as a value or refused in words; other damage each day. <c>bench/fuzz MINUTES</c> does the same for longer.
/// </summary>
public class FuzzTests
{
    public static TheoryData<string> Intakes => [.. Intake.All.Select(i => i.Name)];

    [Theory]
    [MemberData(nameof(Intakes))]
    public void Damaged_files_become_a_value_or_a_problem_in_words(string name)
    {
        var intake = Intake.All.Single(i => i.Name == name);
        foreach (var sample in intake.Samples) Assert.Null(Fuzzer.Try(intake, sample)?.Says);
        foreach (var seed in Enumerable.Range((int)DaySeed.Value * 20, 20))
            Assert.Null(Fuzzer.Try(intake, Fuzzer.Make(intake, seed)) is { } crash ? $"{name}, seed {seed}: {crash.Says}" : null);
    }

    [Theory]
    [MemberData(nameof(Intakes))]
    public void What_once_went_wrong_goes_right(string name)
    {
        var intake = Intake.All.Single(i => i.Name == name);
        var seeds = Path.Combine(Repository.Root, "tests/Underlay.Core.Tests/Fuzzing/Seeds", name);
        foreach (var seed in Directory.Exists(seeds) ? Directory.EnumerateFiles(seeds) : [])
            Assert.True(Fuzzer.Try(intake, File.ReadAllBytes(seed)) is not { } crash, seed);
    }
}
