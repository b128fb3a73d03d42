using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Server.Entries;

/// <summary>A picture by which something is shown.</summary>
/// <param name="IsOfBase">The base's, where the pack has none.</param>
internal sealed record ShownPicture(string Path, string Hash, bool IsOfBase)
{
    /// <summary>
    /// The picture itself, or one of the same group by which people know the thing: no mask or map, and the base's where the pack has
    /// none.
    /// </summary>
    public static ShownPicture? Of(Overlay overlay, Placement placement) =>
        placement.Place.Content == PlaceContent.Picture
            ? Of(placement)
            : overlay.Profile.Groups.Of(placement.Place)
                .Where(p => p is { Content: PlaceContent.Picture, Pattern.HasAnyFolders: false, IsExact: false })
                .Where(p => !p.RulesOf<EnabledByRule>(overlay.Edition).Any())
                .Select(p => p.Pattern?.Fill(placement.Bindings) is { } path ? overlay.Shown(path) : null)
                .OfType<Placement>()
                .Select(Of)
                .FirstOrDefault();

    private static ShownPicture Of(Placement picture) => new(picture.Path.Value, picture.Facts.Hash.Hex, picture.Layer.IsBase);
}
