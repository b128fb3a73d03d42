using Underlay.Core.Findings;
using Underlay.Core.Packs;

namespace Underlay.Core.Checks;

/// <summary>
/// Tells each fact once. A finding that only follows from another (a picture that is ownerless because its ware cannot be
/// read) is folded into that other, which takes over what the host would report.
/// </summary>
internal static class Blame
{
    private const int MostNamed = 4;

    public static IReadOnlyList<Finding> Fold(IReadOnlyList<Finding> findings)
    {
        var causes = new Dictionary<PackPath, List<int>>();
        for (var i = 0; i < findings.Count; i++)
            foreach (var path in findings[i].Explains)
            {
                if (!causes.TryGetValue(path, out var known)) causes[path] = known = [];
                known.Add(i);
            }

        var better = Enumerable.Range(0, findings.Count)
            .Where(i => findings[i].Covers.Count > 0)
            .ToLookup(i => findings[i].Path, StringComparer.Ordinal);
        var byRoot = Enumerable.Range(0, findings.Count).ToLookup(i => FindRoot(findings, causes, better, i));
        return [.. byRoot.OrderBy(g => g.Key).Select(g => Take(findings[g.Key], [.. g.Where(i => i != g.Key).Select(i => findings[i])]))];
    }

    private static int FindRoot(
        IReadOnlyList<Finding> findings,
        Dictionary<PackPath, List<int>> causes,
        ILookup<string, int> better,
        int start)
    {
        // Most rest on nothing.
        if (findings[start].RestsOn.Count == 0 && !better.Contains(findings[start].Path)) return start;
        var trail = new List<int> { start };
        while (FindCause(findings, causes, better, trail[^1]) is { } cause)
        {
            // Findings that explain each other in a circle: the first of the circle is told.
            if (trail.IndexOf(cause) is var turn && turn >= 0) return trail.Skip(turn).Min();
            trail.Add(cause);
        }

        return trail[^1];
    }

    private static int? FindCause(
        IReadOnlyList<Finding> findings,
        Dictionary<PackPath, List<int>> causes,
        ILookup<string, int> better,
        int index)
    {
        foreach (var i in better[findings[index].Path])
            if (i != index && findings[i].Covers.Contains(findings[index].Code.Value)) return i;
        foreach (var path in findings[index].RestsOn)
        {
            if (!causes.TryGetValue(path, out var known)) continue;
            // The cause at the same path is the nearest: a misnamed picture explains its own missing companion.
            var cause = known
                .Where(i => i != index)
                .OrderByDescending(i => findings[i].Path == findings[index].Path)
                .Select(i => (int?)i)
                .FirstOrDefault();
            if (cause is not null) return cause;
        }

        return null;
    }

    private static string Listed(List<string> paths) =>
        paths.Count <= MostNamed
            ? string.Join(", ", paths)
            : $"{string.Join(", ", paths.Take(MostNamed))} and {paths.Count - MostNamed} more";

    private static Finding Take(Finding cause, List<Finding> followers)
    {
        if (followers.Count == 0) return cause;
        var predicts = cause.Predicts.Concat(followers.SelectMany(f => f.Predicts)).Distinct().ToList();
        var also = followers.Select(f => f.Path).Where(p => p != cause.Path).Distinct().Order(StringComparer.Ordinal).ToList();
        // What the host would do is said by the finding that is told, when only the one folded into it knew.
        var host = cause.HostSays.Length > 0
            ? ""
            : followers.FirstOrDefault(f => f.Path == cause.Path && f.HostSays.Length > 0)?.HostSays ?? "";
        var message = host.Length == 0 || cause.Message.Contains(host, StringComparison.Ordinal)
            ? cause.Message
            : $"{cause.Message} {host}";
        return cause with
        {
            Severity = followers
                .Where(f => f.Severity == Severity.Blocker || !cause.Covers.Contains(f.Code.Value))
                .Select(f => f.Severity)
                .Append(cause.Severity)
                .Max(),
            Predicts = predicts,
            HostSays = cause.HostSays.Length > 0 ? cause.HostSays : host,
            Message = also.Count == 0 ? message : $"{message} This also spoils {Listed(also)}.",
        };
    }
}
