using System.Text.RegularExpressions;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A file that was left behind: system junk, backup copies, editors' masters, a template's examples.</summary>
/// <remarks>Host: does not read it, or takes it for something new. See docs/checks.md#packleftover.</remarks>
public sealed partial class Leftover : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("pack/leftover");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var file in overlay.Pack.Unplaced)
            if (Recognise(file.Path) is { } what)
                yield return Describe(
                    overlay,
                    file.Path,
                    $"{what.Capitalised()}; {overlay.Profile.Title} does not read it.",
                    ["path/no-place", "path/near-miss"]);
        foreach (var placement in overlay.Pack.Placements)
            if (FindOriginal(overlay, placement) is { } original)
                yield return Describe(
                    overlay,
                    placement.Path,
                    $"This looks like a copy that was kept of {original}; {overlay.Profile.Title} takes it for something new.",
                    ["name/prefix", "path/near-miss", "companion/missing", "companion/ownerless"]);
    }

    /// <summary>What a name says of a file that nothing reads, or null.</summary>
    public static string? Recognise(PackPath path)
    {
        var name = path.FileName;
        if (Junk().IsMatch(name)
            || path.Segments.Any(s => s.StartsWith("__", StringComparison.Ordinal) && s.EndsWith("OSX", StringComparison.Ordinal)))
            return "an operating system or an editor left this behind";
        if (name.StartsWith('.')) return "this is a hidden file";
        if (Backup().IsMatch(name)) return "this is a backup copy";
        if (Example().IsMatch(name)) return "this is an example that a template came with";
        return Master().IsMatch(name) ? "this is a master that an editor works on; keep it beside the pack" : null;
    }

    /// <summary>The file of which an addition is a copy by its name, or null.</summary>
    private static PackPath? FindOriginal(Overlay overlay, Placement placement)
    {
        if (placement.Place.Pattern is not { Placeholders: [var hole] } pattern || overlay.Base.Find(placement.Path) is not null)
            return null;
        if (placement.Bindings.Find(hole) is not { } name || Copy().Match(name) is not { Success: true } copy) return null;
        var original = pattern.Fill(placement.Bindings.With(hole, name[..copy.Index]));
        return original is { } path && overlay.Shown(path) is not null ? path : null;
    }

    private Finding Describe(Overlay overlay, PackPath path, string message, IReadOnlyList<string> covers) => new()
    {
        Code = Code,
        Severity = Severity.Warning,
        Path = path.Value,
        Message = message,
        Covers = covers,
        Saw = new Dictionary<PackPath, ContentHash> { [path] = overlay.Pack.Facts[path].Hash },
        Fix = new SetAside(path),
    };

    [
        GeneratedRegex(
            @"\A(thumbs\.db|desktop\.ini|\.ds_store|\._.*|~\$.*|.*\.(tmp|temp|swp|part|crdownload|lnk|lock))\z",
            RegexOptions.IgnoreCase | RegexOptions.CultureInvariant,
            1000),
    ]
    private static partial Regex Junk();

    [
        GeneratedRegex(
            @"(\.(bak|old|orig|backup)|~)\z|[ _-](backup|old|copy|kopie|copie)( ?\(?[0-9]+\)?)?\.[a-z0-9]+\z",
            RegexOptions.IgnoreCase | RegexOptions.CultureInvariant,
            1000),
    ]
    private static partial Regex Backup();

    [GeneratedRegex(@"\.(ora|svg|tiff?|exr|layers|master)\z", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, 1000)]
    private static partial Regex Master();

    [
        GeneratedRegex(
            @"\A(example|sample|template|untitled|placeholder)([ _.-].*)?\z",
            RegexOptions.IgnoreCase | RegexOptions.CultureInvariant,
            1000),
    ]
    private static partial Regex Example();

    [GeneratedRegex(@"_(backup|old|copy|bak|orig|wip|tmp)_?[0-9]*\z", RegexOptions.CultureInvariant, 1000)]
    private static partial Regex Copy();
}
