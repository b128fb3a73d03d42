using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A file of the pack has the bytes that the base has at the same path, and nothing relies on its being in the pack.</summary>
/// <remarks>Host: no difference, until its own file changes. See docs/checks.md#packunchanged.</remarks>
public sealed class Unchanged : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("pack/unchanged");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Pack;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        var found = Find(overlay).ToList();
        // Where all that the host reads is a copy, taking it out would leave an empty pack.
        return !EmptyPack.IsEmptyWithout(overlay, found.Select(f => f.Path).ToHashSet(StringComparer.Ordinal))
            ? found
            : found.Select(f => f with { Fix = null, Shared = new OnlyCopies(overlay.Profile.Title) });
    }

    private IEnumerable<Finding> Find(Overlay overlay)
    {
        var reliance = overlay.Reliance;
        var held = PlaceholderFiles.Read(overlay.Pack.Tree);
        bool IsHeld(PackPath path, ContentHash hash) => held.GetValueOrDefault(path)?.Hash == hash;
        foreach (var placement in overlay.Pack.Placements)
        {
            var hash = placement.Facts.Hash;
            if (reliance.IsCopy(placement.Path, hash) && !IsHeld(placement.Path, hash) && reliance.MayLeave(placement))
                yield return Describe(
                    overlay,
                    placement.Path,
                    hash,
                    $"It has the same bytes as {overlay.Profile.Title}’s own file: it changes nothing, and would undo that file’s next "
                        + $"update.");
        }

        foreach (var file in overlay.Pack.Unplaced)
            if (overlay.Pack.Facts[file.Path] is var facts && reliance.IsCopy(file.Path, facts.Hash))
                yield return Describe(
                    overlay,
                    file.Path,
                    facts.Hash,
                    $"It is {overlay.Profile.Title}’s own file, and changes nothing here.") with
                {
                    Covers =
                    [
                        "path/no-place",
                        "path/near-miss",
                        "path/not-judged",
                    ]
                };
    }

    private Finding Describe(Overlay overlay, PackPath path, ContentHash hash, string message) => new()
    {
        Code = Code,
        Severity = Severity.Note,
        Path = path.Value,
        Message = message,
        Saw = new Dictionary<PackPath, ContentHash> { [path] = hash },
        Fix = new TakeOut(path),
        Shared = new Copies(overlay.Pack.Facts.Count, overlay.Profile.Title),
    };

    /// <summary>All files are the base's own.</summary>
    private sealed record OnlyCopies(string Host) : SharedCause("", "only-copies")
    {
        public override string Says(IReadOnlyList<Finding> parts) =>
            $"All {parts.Count} files that the host reads have {Host}’s own bytes: the pack changes nothing yet.";

        public override Fix? FindFix(IReadOnlyList<Finding> parts) => null;
    }

    /// <summary>Many files that are the base's own.</summary>
    private sealed record Copies(int Files, string Host) : SharedCause("", "copies")
    {
        public override string Says(IReadOnlyList<Finding> parts) =>
            $"{parts.Count} of {Files} files have {Host}’s own bytes: they change nothing, and would undo the next update of those "
                + $"files. Without them the pack is as good, and lighter.";

        public override Fix FindFix(IReadOnlyList<Finding> parts) => new SlimPack([.. parts.Select(p => PackPath.Parse(p.Path))]);
    }
}
