using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A file lies outside every place of the host, and is not near one either.</summary>
/// <remarks>Host: does not read it. See docs/checks.md#pathno-place.</remarks>
public sealed class NoPlace : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("path/no-place");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var file in overlay.Pack.Unplaced)
        {
            if (Packs.LeftoverNames.Recognise(file.Path) is not null
                || overlay.Profile.FindUnjudged(file.Path) is not null
                || NearMissFinder.OfUnplaced(overlay, file).Count > 0)
                continue;
            yield return new Finding
            {
                Code = Code,
                Severity = Severity.Warning,
                Path = file.Path.Value,
                Message = overlay.Base.Find(file.Path) is not null
                    ? $"{overlay.Profile.Title} has a file of its own here, which packs cannot replace; a built package leaves yours out."
                    : $"{overlay.Profile.Title} has no place for a file here and would not read it; a built package leaves it "
                        + $"out.{InOther(overlay, file.Path)}",
                Shared = new Foreign(overlay.Profile.Manifest.Path.Value, overlay.Profile.Title),
                Saw = new Dictionary<Packs.PackPath, Packs.ContentHash> { [file.Path] = overlay.Pack.Facts[file.Path].Hash },
            };
        }
    }

    /// <summary>What another edition reads at the path.</summary>
    private static string InOther(Overlay overlay, Packs.PackPath path)
    {
        var other = overlay.Profile.Editions.FirstOrDefault(e => e != overlay.Edition && overlay.Profile.Locate(path, e) is not null);
        return other is null ? "" : $" In {other.Title} it is {overlay.Profile.Locate(path, other)!.Value.Place.One}.";
    }

    /// <summary>Many files that are no part of what the host reads: notes, sources, another host's.</summary>
    private sealed record Foreign(string Manifest, string Host) : SharedCause(Manifest, "foreign")
    {
        public override int Least => 10;

        public override string Says(IReadOnlyList<Finding> parts) =>
            $"{parts.Count} files lie where {Host} has no place and would not read them; a built package leaves them out.";

        public override Fix FindFix(IReadOnlyList<Finding> parts) => new FixAll(
            $"Set all {parts.Count} aside",
            [.. parts.Select(p => new SetAside(Packs.PackPath.Parse(p.Path)))]);
    }
}
