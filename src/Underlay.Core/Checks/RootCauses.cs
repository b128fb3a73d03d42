using Underlay.Core.Findings;
using Underlay.Core.Packs;

namespace Underlay.Core.Checks;

/// <summary>
/// Tells each fact once. A finding that only follows from another (a picture that is ownerless because its ware cannot be
/// read) is folded into that other, which takes over what the host would report.
/// </summary>
internal static class RootCauses
{
    private const int MostNamed = 4;

    public static IReadOnlyList<Finding> Fold(IReadOnlyList<Finding> findings)
    {
        var causes = new Causes(findings);
        var followers = new Dictionary<int, List<Finding>>();
        var isFolded = new bool[findings.Count];
        for (var i = 0; i < findings.Count; i++)
        {
            var root = causes.FindRoot(i);
            if (root == i) continue;
            isFolded[i] = true;
            if (!followers.TryGetValue(root, out var known)) followers[root] = known = [];
            known.Add(findings[i]);
        }

        return
        [
            .. findings
                .Select((finding, i) => followers.TryGetValue(i, out var folded) ? Take(finding, folded) : finding)
                .Where((_, i) => !isFolded[i]),
        ];
    }

    /// <summary>Which finding another follows from.</summary>
    private sealed class Causes
    {
        private readonly IReadOnlyList<Finding> findings;
        private readonly Dictionary<PackPath, List<int>> explaining = [];
        private readonly Dictionary<string, List<int>> covering = new(StringComparer.Ordinal);

        public Causes(IReadOnlyList<Finding> findings)
        {
            this.findings = findings;
            // Only what others rest on is worth knowing: most explain a path on which nothing does.
            var restedOn = findings.SelectMany(f => f.RestsOn).ToHashSet();
            for (var i = 0; i < findings.Count; i++)
            {
                foreach (var path in findings[i].Explains.Where(restedOn.Contains)) Add(explaining, path, i);
                if (findings[i].Covers.Count > 0) Add(covering, findings[i].Path, i);
            }
        }

        public int FindRoot(int start)
        {
            if (FindCause(start) is not { } next) return start;
            var trail = new List<int> { start, next };
            while (FindCause(trail[^1]) is { } cause)
            {
                // Findings that explain each other in a circle: the first of the circle is told.
                if (trail.IndexOf(cause) is var turn && turn >= 0) return trail.Skip(turn).Min();
                trail.Add(cause);
            }

            return trail[^1];
        }

        private int? FindCause(int index)
        {
            var finding = findings[index];
            if (covering.TryGetValue(finding.Path, out var better))
                foreach (var i in better)
                    if (i != index && findings[i].Covers.Contains(finding.Code.Value)) return i;
            foreach (var path in finding.RestsOn)
            {
                if (!explaining.TryGetValue(path, out var known)) continue;
                // The cause at the same path is the nearest: a misnamed picture explains its own missing companion.
                int? first = null;
                foreach (var i in known)
                {
                    if (i == index) continue;
                    if (findings[i].Path == finding.Path) return i;
                    first ??= i;
                }

                if (first is not null) return first;
            }

            return null;
        }

        private static void Add<TKey>(Dictionary<TKey, List<int>> to, TKey key, int index)
            where TKey : notnull
        {
            if (!to.TryGetValue(key, out var known)) to[key] = known = [];
            known.Add(index);
        }
    }

    private static string Listed(List<string> paths) =>
        paths.Count <= MostNamed
            ? string.Join(", ", paths)
            : $"{string.Join(", ", paths.Take(MostNamed))} and {paths.Count - MostNamed} more";

    private static Finding Take(Finding cause, List<Finding> followers)
    {
        if (followers.Count == 0 || cause.IsOurFault) return cause;
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
