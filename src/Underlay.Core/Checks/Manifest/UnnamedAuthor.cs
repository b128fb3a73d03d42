using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The manifest still has the words that stand for an author who was not named yet.</summary>
/// <remarks>Host: shows them as the author. See docs/checks.md#manifestunnamed-author.</remarks>
public sealed class UnnamedAuthor : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("manifest/unnamed-author");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        var manifest = overlay.Pack.Manifest;
        if (manifest.Prefix == WriteManifest.NoAuthor)
        {
            var fix = new NameAuthor(
                overlay.Profile.Manifest.Path,
                overlay.Profile.Manifest.IdField,
                "Your prefix",
                manifest.Id![manifest.Prefix.Length..]);
            yield return Describe(
                overlay,
                fix,
                $"The prefix in the id is “{WriteManifest.NoAuthor}”, which only holds the place of your own: another pack may have "
                    + $"the "
                    + $"same id.");
        }

        if (manifest.IsSound
            && manifest.Text!.FindString(overlay.Profile.Manifest.AuthorField) is { } name
            && (name.Trim().Equals(WriteManifest.NoAuthor, StringComparison.OrdinalIgnoreCase) || LeftoverNames.IsTemplateText(name)))
        {
            var fix = new NameAuthor(overlay.Profile.Manifest.Path, overlay.Profile.Manifest.AuthorField, "Your name", "");
            yield return Describe(overlay, fix, $"The author is “{name}”: people would read that as your name.");
        }
    }

    private Finding Describe(Overlay overlay, NameAuthor fix, string message)
    {
        var path = overlay.Profile.Manifest.Path;
        return new Finding
        {
            Code = Code,
            Severity = Severity.Warning,
            Path = path.Value,
            Pointer = fix.Field,
            Message = message,
            Fix = fix,
            At = overlay.Pack.Manifest.Text!.Locate(fix.Field),
            Saw = new Dictionary<PackPath, ContentHash> { [path] = overlay.Pack.Facts[path].Hash },
        };
    }
}
