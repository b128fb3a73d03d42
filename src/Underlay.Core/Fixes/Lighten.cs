using System.Globalization;
using Underlay.Core.Formats;
using Underlay.Core.Packs;
using Underlay.Core.Steps;

namespace Underlay.Core.Fixes;

/// <summary>
/// Makes a picture's file lighter: saved anew without what editors keep in it, and where that is not enough with fewer shades.
/// </summary>
/// <param name="Path">The picture.</param>
/// <param name="Bits">How many bits of a channel are kept; 8 for all of them.</param>
/// <param name="Bytes">What the file weighs then.</param>
public sealed record Lighten(PackPath Path, int Bits, long Bytes)
    : Fix(
        string.Create(
            CultureInfo.InvariantCulture,
            $"{(Bits == 8 ? "Save it anew without what editors keep in it" : new FewerShades(Bits).Title)}: {Bytes:N0} bytes"),
        LosesNothing: false,
        LeavesNoChoice: Bits == 8)
{
    /// <summary>The fix that loses least of those that are enough; null where none is, or the picture cannot be read.</summary>
    public static Lighten? For(FileTree tree, PackPath path, long mostBytes)
    {
        if (FileFormats.PictureAt(path) is not { IsLighterWithFewerShades: true } format
            || tree.Find(path) is not { } file
            || SourceReader.Read(file.ReadAll()).Picture is not { } picture)
            return null;
        if (format.Encode(picture).LongLength is var plain && plain <= mostBytes) return new Lighten(path, 8, plain);
        for (var bits = FewerShades.Most; bits >= FewerShades.Least; bits--)
            if (format.Encode(new FewerShades(bits).Run(picture)).LongLength is var bytes && bytes <= mostBytes)
                return new Lighten(path, bits, bytes);
        return null;
    }

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (Bits < 8) return Shaping.Add(tree, Path, new FewerShades(Bits)).Edits;
        return FileFormats.PictureAt(Path) is { } format
            && tree.Find(Path) is { } file
            && SourceReader.Read(file.ReadAll()).Picture is { } picture
            ? [new TreeEdit.Write(Path, format.Encode(picture))]
            : [];
    }
}
