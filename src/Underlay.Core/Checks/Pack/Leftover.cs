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
            if (LeftoverNames.Recognise(file.Path) is { } what)
                yield return Describe(
                    overlay,
                    file.Path,
                    $"{what.Capitalised()}; {overlay.Profile.Title} does not read it.",
                    ["path/no-place", "path/near-miss"]);
        foreach (var placement in overlay.Pack.Placements)
        {
            if (IsExample(overlay, placement))
                yield return Describe(
                    overlay,
                    placement.Path,
                    $"Its name is that of an example that a template came with; {overlay.Profile.Title} takes it for something new.",
                    ["name/prefix", "companion/missing", "companion/ownerless"]);
            if (FindOriginal(overlay, placement) is { } original)
                yield return Describe(
                    overlay,
                    placement.Path,
                    $"This looks like a copy that was kept of {original}; {overlay.Profile.Title} takes it for something new.",
                    ["name/prefix", "path/near-miss", "companion/missing", "companion/ownerless"]);
        }

        foreach (var finding in WordsOfManifest(overlay)) yield return finding;
    }

    /// <summary>Words of the manifest that a template had in the place of the author's.</summary>
    private IEnumerable<Finding> WordsOfManifest(Overlay overlay)
    {
        if (overlay.Pack.Manifest is not { IsSound: true, Text: { } text }) yield break;
        var field = overlay.Profile.Manifest.TitleField;
        if (text.FindString(field) is not { } title || !LeftoverNames.IsTemplateText(title)) yield break;
        var path = overlay.Profile.Manifest.Path;
        yield return new Finding
        {
            Code = Code,
            Severity = Severity.Warning,
            Path = path.Value,
            Pointer = field,
            Message = $"The title “{title}” is what a template has in its place: people would read it as that of your pack.",
            At = text.Locate(field),
            Saw = new Dictionary<PackPath, ContentHash> { [path] = overlay.Pack.Facts[path].Hash },
        };
    }

    /// <summary>True for something new that is called as templates call what they come with.</summary>
    private static bool IsExample(Overlay overlay, Placement placement) =>
        placement.Place.Pattern is { Placeholders: [.., var hole] }
        && placement.Bindings.Find(hole) is { } name
        && LeftoverNames.IsExample(name)
        && overlay.Base.Find(placement.Path) is null;

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

    [GeneratedRegex(@"_(backup|old|copy|bak|orig|wip|tmp)_?[0-9]*\z", RegexOptions.CultureInvariant, 1000)]
    private static partial Regex Copy();
}
