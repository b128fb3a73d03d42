using Underlay.Core.Decisions;
using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Fixes;

/// <summary>
/// Puts a picture of a kindred thing where one is wanted, marked as a placeholder until the author's own comes.
/// </summary>
/// <param name="Path">Where the picture is wanted.</param>
/// <param name="From">The picture, of the pack or the base.</param>
/// <param name="Size">The size that it has to have here; null for its own.</param>
public sealed record BorrowPicture(
    PackPath Path,
    PackPath From,
    PixelSize? Size) : Fix($"Hold the place with {From}", LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <summary>The fix for a missing picture, or null where the base has no kindred thing.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="owner">The entry that wants the picture.</param>
    /// <param name="path">Where it is wanted.</param>
    /// <param name="places">The places of which any will do.</param>
    public static BorrowPicture? For(Overlay overlay, Placement owner, PackPath path, IReadOnlyList<Place> places)
    {
        if (overlay.PackHas(path) || places[0].Content != PlaceContent.Picture) return null;
        foreach (var kin in Kindred.Of(overlay, owner))
            if (places[0].Pattern?.Fill(kin.Bindings) is { } from && overlay.OfBase(from) is { Facts.Picture.IsReadable: true })
                return new BorrowPicture(path, from, SizeAt(overlay, places[0], owner.Bindings));
        return null;
    }

    /// <summary>The picture that a rule wants of an entry, from another entry; null where that has none either.</summary>
    public static BorrowPicture? FromOther(Overlay overlay, Placement owner, Placement other, RequiresRule rule)
    {
        var places = rule.Places.Select(overlay.Profile.Place).Where(p => p.Content == PlaceContent.Picture);
        foreach (var place in places)
            if (place.Pattern?.Fill(owner.Bindings) is { } path && !overlay.PackHas(path)
                && place.Pattern.Fill(other.Bindings) is { } from && overlay.Shown(from) is { Facts.Picture.IsReadable: true })
                return new BorrowPicture(path, from, SizeAt(overlay, place, owner.Bindings));
        return null;
    }

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Path) is not null || (tree.Find(From)?.ReadAll() ?? context.Overlay?.Base.Read(From)) is not { } bytes) return [];
        if (Size is { } size && SourceReader.Read(bytes).Picture is { } picture && picture.Size != size)
        {
            var exact = context.Profile.Locate(Path, context.Edition)?.Place.IsExact == true;
            bytes = FileFormats.Png.Encode(new FitToSize(size, FitMode.Stretch, exact).Run(picture));
        }

        return
        [
            new TreeEdit.Write(Path, bytes),
            .. PlaceholderFiles.Add(tree, [new PlaceholderFile(Path, ContentHash.Of(bytes), From.Value)]).Edits,
        ];
    }

    /// <summary>The size of the picture with which one at the path has to agree, where one is shown.</summary>
    private static PixelSize? SizeAt(Overlay overlay, Place place, Bindings bindings) =>
        place.RulesOf<SameSizeRule>(overlay.Edition)
            .Select(r => overlay.FirstShown(r.Places, bindings)?.Facts.Picture?.Header?.Size)
            .FirstOrDefault(s => s is not null);
}
