using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>A path one slip away from the one that a file has.</summary>
/// <param name="Target">The path.</param>
/// <param name="Slip">The slip in words: "one letter".</param>
/// <param name="FitsContent">Whether the file's bytes are of the format that the target wants.</param>
/// <param name="Picture">The format of the picture that the target wants; null where it wants none.</param>
/// <param name="Folder">The folder or folders that are too many, where that is the slip; else null.</param>
public sealed record NearMissCandidate(PackPath Target, string Slip, bool FitsContent, PackPictureFormat? Picture, string? Folder = null);

/// <summary>Finds the paths that an author may have meant.</summary>
public static class NearMissFinder
{
    private const int ShortestName = 4;

    /// <summary>The likeliest first. When some of the paths are the base's, only those are given.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="file">A file of the pack outside every place.</param>
    public static IReadOnlyList<NearMissCandidate> OfUnplaced(Overlay overlay, TreeFile file)
    {
        var found = new Dictionary<PackPath, (string Slip, string? Folder)>();
        foreach (var (text, slip, folder) in Variants(overlay, file.Path))
            if (PackPath.TryParse(text, out var target, out _) && target != file.Path && Leads(overlay, target))
                found.TryAdd(target, (slip, folder));
        // A sound is no table, whatever its ending: renaming it to one would only hide it.
        var isSound = FileFormats.OfHead(file.ReadStart(FileFormat.HeadBytes)) is SoundFormat;
        var all = found
            .Where(f => !isSound || overlay.Profile.Locate(f.Key, overlay.Pack.Edition)?.Place is null or { Content: PlaceContent.Sound })
            .Select(f => Candidate(overlay, file, f.Key, f.Value.Slip) with { Folder = f.Value.Folder })
            .ToList();
        // What the bytes are tells more than the name: then what they could be saved as, and what the base has.
        var likely = FirstThatAre(all, c => c.FitsContent, c => c.Picture is not null == IsPicture(file));
        return
        [
            .. FirstThatAre(likely, c => overlay.Base.Find(c.Target) is not null)
                .OrderBy(c => overlay.PackHas(c.Target))
                .ThenBy(c => c.Target),
        ];
    }

    /// <summary>
    /// For an addition that lacks what it needs: paths of the base whose names are one letter away, and the paths that are
    /// missing because of the slip.
    /// </summary>
    public static (IReadOnlyList<NearMissCandidate> Candidates, IReadOnlyList<PackPath> Missing) OfAddition(
        Overlay overlay,
        Placement placement)
    {
        if (placement.Place.Pattern is not { Placeholders: [var hole] } pattern) return ([], []);
        var name = placement.Bindings.Find(hole)!;
        var carriesPrefix = overlay.Pack.Manifest.Prefix is { } prefix
            && name.StartsWith(prefix, StringComparison.Ordinal)
            && name.AsSpan(prefix.Length).StartsWith("_");
        if (carriesPrefix || name.Length < ShortestName || overlay.Base.Find(placement.Path) is not null) return ([], []);
        var missing = placement.Place.RulesOf<RequiresRule>(overlay.Pack.Edition)
            .Where(r => !r.AtWanted && overlay.Wants(r, placement))
            .Select(r => overlay.Targets(r.Places, placement.Bindings))
            .Where(targets => targets.Count > 0 && targets.All(t => overlay.Shown(t) is null && !overlay.PackHas(t)))
            .SelectMany(targets => targets)
            .ToList();
        if (missing.Count == 0) return ([], []);
        var format = placement.Place.PictureFormat;
        // Names that the base has in this place, and names of the pack's own things that lack this very file.
        var names = overlay.Base.In(placement.Place).Select(f => f.Bindings.Find(hole)!)
            .Concat(
                overlay.Profile.Groups
                    .Of(placement.Place)
                    .SelectMany(overlay.Pack.In)
                    .Where(p => p.Place != placement.Place)
                    .Select(p => p.Bindings.Find(hole))
                    .OfType<string>());
        var candidates = names
            .Where(n => n != name && Slips.AreOneApart(n, name))
            .Distinct(StringComparer.Ordinal)
            .Select(n => pattern.Fill(placement.Bindings.With(hole, n)))
            .OfType<PackPath>()
            .Where(p => !overlay.PackHas(p))
            .Select(p => new NearMissCandidate(p, "one letter", FitsContent: true, format))
            .OrderBy(c => c.Target)
            .ToList();
        return (candidates, missing);
    }

    private static bool Leads(Overlay overlay, PackPath target) =>
        target == overlay.Profile.Manifest.Path
        || overlay.Profile.Locate(target, overlay.Pack.Edition) is not null
        || FixedPaths(overlay).Contains(target);

    private static IEnumerable<PackPath> FixedPaths(Overlay overlay) =>
        overlay.Profile.Places
            .Where(p => p.ManifestField is not null)
            .Select(p => overlay.Pack.Manifest.FindPath(p.ManifestField!))
            .OfType<PackPath>();

    /// <summary>Those of which the first that holds for any holds; all where none holds for any.</summary>
    private static List<NearMissCandidate> FirstThatAre(
        List<NearMissCandidate> all,
        params ReadOnlySpan<Predicate<NearMissCandidate>> kinds)
    {
        foreach (var kind in kinds)
            if (all.Exists(kind)) return all.FindAll(kind);
        return all;
    }

    private static bool IsPicture(TreeFile file) => SourceReader.FormatOf(file.ReadStart(FileFormat.HeadBytes)) is not null;

    private static NearMissCandidate Candidate(Overlay overlay, TreeFile file, PackPath target, string slip)
    {
        var place = overlay.Profile.Locate(target, overlay.Pack.Edition)?.Place;
        var wanted = place?.PictureFormat ?? (FixedPaths(overlay).Contains(target) ? FileFormats.Png : null);
        return new NearMissCandidate(target, slip, SourceReader.FormatOf(file.ReadStart(FileFormat.HeadBytes)) == wanted, wanted);
    }

    private static IEnumerable<(string Path, string Slip, string? Folder)> Variants(Overlay overlay, PackPath path)
    {
        var segments = path.Segments;
        // Folders around everything, one or more; then one in the middle.
        for (var outer = 1; outer < segments.Length; outer++)
            yield return (
                string.Join('/', segments.Skip(outer)),
                outer == 1 ? "one folder" : $"{outer} folders",
                string.Join('/', segments.Take(outer)));
        for (var i = 1; i < segments.Length - 1; i++)
            yield return (string.Join('/', segments.Where((_, at) => at != i)), "one folder", string.Join('/', segments.Take(i + 1)));
        yield return (path.Value.ToLowerInvariant(), "upper or lower case", null);
        yield return (path.Value.Replace(' ', '_').Replace('-', '_'), "a space or hyphen", null);
        var folder = path.Value[..^path.FileName.Length];
        foreach (var name in OtherExtensions(overlay, path.FileName)) yield return (folder + name, "its extension", null);
        foreach (var fixedPath in FixedPaths(overlay).Append(overlay.Profile.Manifest.Path))
            if (Slips.AreOneApart(fixedPath.Value, path.Value)) yield return (fixedPath.Value, "one letter", null);
        foreach (var place in overlay.Profile.Places)
            if (place.Pattern is { } pattern && OneLetterAway(pattern, segments) is { } near) yield return (near, "one letter", null);
        foreach (var target in WantedBeside(overlay, path)) yield return (target.Value, "its name", null);
    }

    /// <summary>
    /// Files that others need and nobody has, in the folder of a file whose name ends like theirs: "jug_skin.png" beside a ware
    /// without "skin.png".
    /// </summary>
    private static IEnumerable<PackPath> WantedBeside(Overlay overlay, PackPath path)
    {
        if (path.Value.LastIndexOf('/') is not (> 0 and var slash)) yield break;
        var words = NameWords.Of(path.FileName[..Math.Max(1, path.FileName.IndexOf('.', StringComparison.Ordinal))]).Words;
        foreach (var place in overlay.Profile.Places)
        {
            if (place.Pattern is not { } pattern || pattern.Segments[^1] is not { Hole: null, Before: var name }) continue;
            if (!PackPath.TryParse(path.Value[..(slash + 1)] + name, out var target, out _)
                || overlay.PackHas(target)
                || overlay.Base.Find(target) is not null)
                continue;
            if (pattern.Match(target) is null || !words.Contains(name[..name.IndexOf('.', StringComparison.Ordinal)])) continue;
            if (Path.GetExtension(name).Equals(Path.GetExtension(path.FileName), StringComparison.OrdinalIgnoreCase)) yield return target;
        }
    }

    /// <summary>The name with its last extension cut off, changed or added.</summary>
    private static IEnumerable<string> OtherExtensions(Overlay overlay, string name)
    {
        var dot = name.LastIndexOf('.');
        var stem = dot > 0 ? name[..dot] : name;
        if (dot > 0) yield return stem;
        foreach (
            var extension in overlay.Profile.Places
                .Select(p => p.Pattern)
                .OfType<PathPattern>()
                .Select(Extension)
                .Distinct(StringComparer.Ordinal))
        {
            yield return stem + extension;
            yield return name + extension;
        }
    }

    private static string Extension(PathPattern pattern)
    {
        var last = pattern.Text[(pattern.Text.LastIndexOf('/') + 1)..];
        return last[last.IndexOf('.', StringComparison.Ordinal)..];
    }

    /// <summary>The path with one segment put right, when all others fit the pattern as they are.</summary>
    private static string? OneLetterAway(PathPattern pattern, string[] path)
    {
        if (pattern.Segments.Count != path.Length || pattern.Segments.Any(s => s.IsAnyFolders)) return null;
        string[]? near = null;
        for (var i = 0; i < path.Length; i++)
        {
            if (pattern.Segments[i].Matches(path[i], out _)) continue;
            if (near is not null || PutRight(pattern.Segments[i], path[i]) is not { } segment) return null;
            near = [.. path];
            near[i] = segment;
        }

        return near is null ? null : string.Join('/', near);
    }

    private static string? PutRight(PathPattern.Segment wanted, string text)
    {
        if (wanted.Hole is null) return Slips.AreOneApart(wanted.Before, text) ? wanted.Before : null;
        if (!text.StartsWith(wanted.Before, StringComparison.Ordinal)) return null;
        // A member of a set by its name but for a letter.
        if (text.EndsWith(wanted.After, StringComparison.Ordinal)
            && wanted.Hole.Choices.Length > 0
            && text.Length > wanted.Before.Length + wanted.After.Length
            && Slips.Nearest(wanted.Hole.Choices, text[wanted.Before.Length..^wanted.After.Length]) is { } member)
            return wanted.Before + member + wanted.After;
        for (var end = text.Length; end > wanted.Before.Length; end--)
        {
            var value = text[wanted.Before.Length..end];
            if (wanted.Hole.Takes(value) && Slips.AreOneApart(wanted.After, text.AsSpan(end))) return wanted.Before + value + wanted.After;
        }

        return null;
    }
}
