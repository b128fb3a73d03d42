using System.Globalization;
using System.Text.RegularExpressions;
using Underlay.Core.Formats;
using Underlay.Core.Packs;
using Underlay.Server.Packs;

namespace Underlay.Server.Releases;

/// <summary>What a draft changes since the last release, and the version that this calls for.</summary>
internal static partial class ReleaseChanges
{
    private const int MostNamed = 12;

    public static bool IsVersion(string text) => Version().IsMatch(text);

    /// <summary>All files of a first release.</summary>
    public static IReadOnlyList<ChangedFile> First(IReadOnlyList<TreeFile> now, PackPath manifest, Func<PackPath, bool> isOfBase) =>
        InOrder(now
            .Where(f => f.Path != manifest)
            .Select(
                f =>
                    new ChangedFile(
                        f.Path.Value,
                        isOfBase(f.Path) ? "override" : "addition",
                        FileFormats.IsPicture(f.Path),
                        PackSnapshot.HashOf(f))));

    /// <summary>
    /// The files that differ. A manifest in which no more than the version differs would tell nothing, so manifests are left aside.
    /// </summary>
    public static IReadOnlyList<ChangedFile> Between(
        FileTree before,
        IReadOnlyList<TreeFile> now,
        PackPath manifest,
        Func<PackPath, bool> isOfBase)
    {
        var changes = new List<ChangedFile>();
        foreach (var file in now.Where(f => f.Path != manifest))
        {
            var hash = PackSnapshot.HashOf(file);
            if (!before.TryFind(file.Path, out var old))
                changes.Add(
                    new ChangedFile(
                        file.Path.Value,
                        isOfBase(file.Path) ? "override" : "addition",
                        FileFormats.IsPicture(file.Path),
                        hash));
            else if (old.Length != file.Length || old.Hash.Hex != hash)
                changes.Add(new ChangedFile(file.Path.Value, "changed", FileFormats.IsPicture(file.Path), hash));
        }

        var there = now.Select(f => f.Path).ToHashSet();
        changes.AddRange(
            before.Files
                .Where(f => f.Path != manifest && !there.Contains(f.Path))
                .Select(f => new ChangedFile(f.Path.Value, "removed", FileFormats.IsPicture(f.Path), null)));
        return InOrder(changes);
    }

    /// <summary>Semantic Versioning 2.0.0 as packs use it: a removed file may break who relies on it, a new one is a feature.</summary>
    public static (string Version, string Why) Suggest(string? manifest, string? last, IReadOnlyList<ChangedFile> changes)
    {
        // Some hosts count whole versions.
        if (IsWhole(last ?? manifest))
            return last is null
                ? (manifest!, "the first release")
                : ((int.Parse(last, CultureInfo.InvariantCulture) + 1).ToString(CultureInfo.InvariantCulture), "the next version");
        if (last is null || !IsVersion(last)) return (manifest is { } own && IsVersion(own) ? own : "1.0.0", "the first release");
        var parts = last.Split('.').Select(p => int.Parse(p, CultureInfo.InvariantCulture)).ToArray();
        if (changes.Any(c => c.Change == "removed")) return (Text(parts[0] + 1, 0, 0), "files were taken away");
        if (changes.Any(c => c.Change is "override" or "addition")) return (Text(parts[0], parts[1] + 1, 0), "files were added");
        return (Text(parts[0], parts[1], parts[2] + 1), changes.Count > 0 ? "files were changed" : "nothing changed but the manifest");
    }

    /// <summary>The version after one whose files are not known: it may have had any.</summary>
    public static (string Version, string Why) SuggestBlindly(string last)
    {
        var why = $"what {last} held cannot be compared";
        if (IsWhole(last)) return (Suggest(null, last, []).Version, why);
        if (!IsVersion(last)) return ("1.0.0", why);
        return (Text(int.Parse(last.Split('.')[0], CultureInfo.InvariantCulture) + 1, 0, 0), why);
    }

    public static string Notes(string? last, IReadOnlyList<ChangedFile> changes)
    {
        if (last is null) return changes.Count == 1 ? "First release, 1 file." : $"First release, {changes.Count} files.";
        if (changes.Count == 0) return $"As {last}.";
        var lines = new[]
            {
                (Change: "override", Word: "Newly overrides"),
                (Change: "addition", Word: "Adds"),
                (Change: "changed", Word: "Changes"),
                (Change: "removed", Word: "Removes"),
            }
            .Select(kind => (kind.Word, Paths: changes.Where(c => c.Change == kind.Change).Select(c => c.Path).ToList()))
            .Where(kind => kind.Paths.Count > 0)
            .Select(
                kind =>
                    $"{kind.Word}: "
                        + $"{string.Join(", ", kind.Paths.Take(MostNamed))}"
                        + $"{(kind.Paths.Count > MostNamed ? $" and {kind.Paths.Count - MostNamed} more" : "")}.");
        return string.Join('\n', lines);
    }

    /// <summary>As a person counts: 64.png before 128.png.</summary>
    private static List<ChangedFile> InOrder(IEnumerable<ChangedFile> changes) => [.. changes.OrderBy(c => c.Path, NaturalOrder.Comparer)];

    public static bool IsWhole(string? version) => version is { Length: > 0 and < 9 } && version.All(char.IsAsciiDigit);

    private static string Text(int major, int minor, int patch) => string.Create(CultureInfo.InvariantCulture, $"{major}.{minor}.{patch}");

    [GeneratedRegex(@"^(0|[1-9][0-9]{0,4})\.(0|[1-9][0-9]{0,4})\.(0|[1-9][0-9]{0,4})\z", RegexOptions.CultureInvariant)]
    private static partial Regex Version();
}
