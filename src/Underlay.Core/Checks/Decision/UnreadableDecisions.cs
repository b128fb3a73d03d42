using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>A file of the author's decisions cannot be read, or not all of it.</summary>
/// <remarks>Host: does not read it. See docs/checks.md#decisionunreadable.</remarks>
public sealed class UnreadableDecisions : Check
{
    private static readonly TextPosition Start = new(1, 1);

    /// <inheritdoc/>
    public override CheckCode Code => new("decision/unreadable");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Pack;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        var tree = overlay.Pack.Tree;
        return DecisionFiles.All.Select(f => OfRows(tree, f)).Concat(StepsFile.All(tree).Select(f => OfSteps(tree, f))).OfType<Finding>();
    }

    private Finding? OfRows(FileTree tree, IDecisionFile file)
    {
        var (rows, damage) = file.Judge(tree);
        if (damage.Count == 0) return null;
        var first = damage[0];
        var kept = rows == 0
            ? $"None of your {file.Noun} can be read"
            : $"Not all of your {file.Noun} can be read; {rows} {(rows == 1 ? "can, and counts" : "can, and count")}";
        var more = damage.Count > 1 ? $" So {(damage.Count == 2 ? "is one more place" : $"are {damage.Count - 1} more places")}." : "";
        return Told(tree, file.Path, first.At) with
        {
            Message = $"{kept}. {Where(first.At)} is damaged: {first.Says}.{more} The file is not written over.",
            Fix = new MendDecisions(file.Path, rows, !damage.Any(d => d.LosesText)),
        };
    }

    private Finding? OfSteps(FileTree tree, TreeFile file) =>
        StepsFile.HeadOf(tree, file) is null && StepsFile.FindProblem(tree, file) is { } problem
            ? Told(tree, file.Path, problem.At ?? Start) with
            {
                Message = $"These steps cannot be read, so what they made stays as it is. {Where(problem.At ?? Start)}: {problem.Says}.",
                Fix = new SetAside(file.Path),
            }
            : null;

    private static string Where(TextPosition at) => at.ToString().Capitalised();

    private Finding Told(FileTree tree, PackPath path, TextPosition at) => new()
    {
        Code = Code,
        Severity = Severity.Warning,
        Path = path.Value,
        At = at,
        Message = "",
        Saw = new Dictionary<PackPath, ContentHash> { [path] = tree.Find(path)!.Hash },
    };
}
