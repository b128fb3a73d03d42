using Underlay.Core.Decisions;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>
/// Judges a pack so that a fault of ours takes as little along as can be: the file at which we fail is found and left out, and the rest
/// is judged without it; a check that fails whatever is left out is left out itself.
/// </summary>
/// <param name="tree">The pack's files.</param>
/// <param name="judge">Judges the pack without some files; throws, or tells of faults, where we fail.</param>
internal sealed class Isolation(FileTree tree, Func<IReadOnlyList<UnjudgedFile>, EngineRun> judge)
{
    // More files at which we fail are one fault of ours, which is told as one.
    private const int MostRounds = 32;

    private readonly List<TreeFile> files = [.. tree.Files.Where(f => !ReservedFolder.Holds(f.Path))];

    /// <summary>What is found.</summary>
    /// <param name="known">Files at which we failed before.</param>
    /// <param name="hopeless">Checks that failed before, whatever was left out.</param>
    /// <exception cref="Exception">We fail whatever is left out.</exception>
    public EngineRun Run(IReadOnlyList<UnjudgedFile> known, IReadOnlyCollection<CheckCode> hopeless)
    {
        var aside = known.ToList();
        for (var round = 0; ; round++)
        {
            var (run, fault) = Try(aside);
            if (fault is null) return run!;
            if (run?.Faults.All(f => f.Check is { } check && hopeless.Contains(check)) == true) return Partly(run);
            var failed = round < MostRounds ? FilesOf(run, aside) ?? FindFile(aside, fault) : null;
            if (failed is null) return run is null ? throw fault : Partly(run);
            aside = [.. aside.Concat(failed).OrderBy(u => u.File.Path)];
        }
    }

    /// <summary>The files that the checks name which failed; null where they name none of the pack.</summary>
    private List<UnjudgedFile>? FilesOf(EngineRun? run, List<UnjudgedFile> aside)
    {
        var named = (run?.Faults ?? [])
            .Where(f => f.Path is not null)
            .DistinctBy(f => f.Path)
            .Select(f => (File: tree.Find(f.Path!.Value), f.Fault))
            .Where(f => f.File is not null && !aside.Exists(u => u.File.Path == f.File.Path))
            .Select(f => new UnjudgedFile(f.File!, f.Fault))
            .ToList();
        return named.Count > 0 ? named : null;
    }

    /// <summary>The first file by path with which we fail, and without which and all behind it we do not; null for none.</summary>
    private List<UnjudgedFile>? FindFile(List<UnjudgedFile> aside, Exception fault)
    {
        var left = files.FindAll(f => !aside.Exists(u => u.File.Path == f.Path));
        bool FailsWith(int count) =>
            Try([.. aside.Concat(left.Skip(count).Select(f => new UnjudgedFile(f, fault))).OrderBy(u => u.File.Path)]).Fault is not null;
        if (left.Count == 0 || FailsWith(0)) return null;
        var search = new Bisection(0, left.Count);
        while (!search.IsDone) search = search.Told(FailsWith(search.Next));
        return [new UnjudgedFile(left[search.Failing - 1], fault)];
    }

    private (EngineRun? Run, Exception? Fault) Try(IReadOnlyList<UnjudgedFile> aside)
    {
        try
        {
            var run = judge(aside);
            return (run, run.Faults.Count > 0 ? run.Faults[0].Fault : null);
        }
        catch (Exception fault) when (Faults.IsOurs(fault))
        {
            return (null, Faults.Innermost(fault));
        }
    }

    /// <summary>What was found by the checks that did not fail; nothing of it is taken over.</summary>
    private static EngineRun Partly(EngineRun run)
    {
        var told = run.Faults.DistinctBy(f => (f.Path, f.Check)).Select(FailedJudging.Told);
        return run with
        {
            Findings = [.. told.Concat(run.Findings).OrderBy(f => f.Path, StringComparer.Ordinal)],
            Memory = EngineMemory.Empty,
        };
    }
}
