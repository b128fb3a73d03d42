using Underlay.Core.Packs;

namespace Underlay.Core.Images.Steps;

/// <summary>The edits that shape a picture, or why it cannot be shaped.</summary>
public sealed record ShapingResult(IReadOnlyList<TreeEdit> Edits, string? Problem);

/// <summary>
/// Shapes pictures without losing what the author made: the source is kept under the reserved folder, the steps beside it,
/// and the result goes into the pack. A new source runs the same steps again.
/// </summary>
public static class Shaping
{
    /// <summary>The picture after all steps, or the problem.</summary>
    /// <param name="png">The source.</param>
    /// <param name="steps">In order.</param>
    public static (byte[]? Png, string? Problem) Run(ReadOnlyMemory<byte> png, IEnumerable<Step> steps)
    {
        var (rgba, size, problem) = PngReader.Decode(png);
        if (rgba is null) return (null, problem);
        var picture = new RgbaPicture(size, rgba);
        foreach (var step in steps)
        {
            picture = step.Run(picture);
            if (picture.Size.Width > PngChunks.MaxSide || picture.Size.Height > PngChunks.MaxSide)
                return (null, $"{step.Title} makes it {picture.Size}; a side has at most {PngChunks.MaxSide} pixels");
        }

        return (PngWriter.Write(picture), null);
    }

    /// <summary>Adds steps to a picture. One that was replaced by hand since its last step is a new source.</summary>
    /// <param name="tree">The pack.</param>
    /// <param name="path">The picture.</param>
    /// <param name="steps">The steps to add.</param>
    public static ShapingResult Add(FileTree tree, PackPath path, params IReadOnlyList<Step> steps)
    {
        if (tree.Find(path) is not { } file) return new ShapingResult([], "there is no such picture");
        var current = file.ReadAll();
        if (StepsFile.Read(tree, path) is { } known && known.Result == ContentHash.Of(current) && FindSource(tree, path, known.Source) is { } source)
            return Shape(tree, path, source, [.. known.Steps, .. steps]);
        return Shape(tree, path, current, steps);
    }

    /// <summary>Runs the steps of a picture again on a new source.</summary>
    /// <param name="tree">The pack.</param>
    /// <param name="path">The picture.</param>
    /// <param name="source">What the author saved.</param>
    public static ShapingResult Renew(FileTree tree, PackPath path, byte[] source) =>
        StepsFile.Read(tree, path) is { } known
            ? Shape(tree, path, source, known.Steps)
            : new ShapingResult([new TreeEdit.Write(path, source)], null);

    private static ShapingResult Shape(FileTree tree, PackPath path, byte[] source, IReadOnlyList<Step> steps)
    {
        var (png, problem) = Run(source, steps);
        if (png is null) return new ShapingResult([], problem);
        var hash = ContentHash.Of(source);
        var edits = new List<TreeEdit>();
        var kept = ReservedFolder.SourceOf(path);
        if (tree.Find(kept) is { } earlier && ContentHash.Of(earlier.ReadAll()) is var old && old != hash)
        {
            // The source before this one is the author's work too.
            var aside = PackPath.Parse($"{kept}.{old.Hex[..8]}");
            if (tree.Find(aside) is null) edits.Add(new TreeEdit.Move(kept, aside));
        }

        edits.Add(new TreeEdit.Write(kept, source));
        edits.Add(new TreeEdit.Write(path, png));
        edits.Add(new StepsFile(hash, steps, ContentHash.Of(png)).WriteFor(path));
        return new ShapingResult(edits, null);
    }

    private static byte[]? FindSource(FileTree tree, PackPath path, ContentHash hash) =>
        tree.Find(ReservedFolder.SourceOf(path))?.ReadAll() is { } bytes && ContentHash.Of(bytes) == hash ? bytes : null;
}
