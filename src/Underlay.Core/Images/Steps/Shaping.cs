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
    /// <param name="png">The source, in any format that is read.</param>
    /// <param name="steps">In order.</param>
    /// <param name="asDds">True for a DDS as result, false for a PNG.</param>
    public static (byte[]? Bytes, string? Problem) Run(ReadOnlyMemory<byte> png, IEnumerable<Step> steps, bool asDds = false)
    {
        var (picture, problem) = SourceReader.Read(png);
        if (picture is null) return (null, problem);
        foreach (var step in steps)
        {
            var next = step.SizeAfter(picture.Size);
            if (next.Width > PngReader.MaxSide || next.Height > PngReader.MaxSide) return (null, $"{step.Title} makes it {next}; a side has at most {PngReader.MaxSide} pixels");
            picture = step.Run(picture);
        }

        return (asDds ? DdsWriter.Write(picture) : PngWriter.Write(picture), null);
    }

    /// <summary>Adds steps to a picture. One that was replaced by hand since its last step is a new source.</summary>
    /// <param name="tree">The pack.</param>
    /// <param name="path">The picture.</param>
    /// <param name="steps">The steps to add.</param>
    public static ShapingResult Add(FileTree tree, PackPath path, params IReadOnlyList<Step> steps)
    {
        if (tree.Find(path) is not { } file) return new ShapingResult([], "there is no such picture");
        var current = file.ReadAll();
        if (FindSteps(tree, path) is { } known) return Shape(tree, path, known.Source, [.. known.Steps, .. steps]);
        return Shape(tree, path, current, steps);
    }

    /// <summary>Gives a picture other steps in place of those that it has. Without any, the source itself goes into the pack.</summary>
    /// <param name="tree">The pack.</param>
    /// <param name="path">The picture.</param>
    /// <param name="steps">All of its steps, in order.</param>
    public static ShapingResult Set(FileTree tree, PackPath path, IReadOnlyList<Step> steps)
    {
        if (FindSteps(tree, path) is not { } known) return steps.Count == 0 ? new ShapingResult([], null) : Add(tree, path, steps);
        return steps.Count > 0
            ? Shape(tree, path, known.Source, steps)
            : new ShapingResult([new TreeEdit.Write(path, known.Source), new TreeEdit.Delete(ReservedFolder.SourceOf(path)), new TreeEdit.Delete(StepsFile.PathOf(path))], null);
    }

    /// <summary>The source and the steps of a picture; null when it has none, or was replaced by hand since.</summary>
    public static (byte[] Source, IReadOnlyList<Step> Steps)? FindSteps(FileTree tree, PackPath path) =>
        StepsFile.Read(tree, path) is { } known
        && tree.Find(path) is { } file
        && known.Result == ContentHash.Of(file.ReadAll())
        && FindSource(tree, path, known.Source) is { } source
            ? (source, known.Steps)
            : null;

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
        var (png, problem) = Run(source, steps, path.Value.EndsWith(".dds", StringComparison.Ordinal));
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

        edits.AddRange(StepsFile.Alphas(steps));
        edits.Add(new TreeEdit.Write(kept, source));
        edits.Add(new TreeEdit.Write(path, png));
        edits.Add(new StepsFile(hash, steps, ContentHash.Of(png)).WriteFor(path));
        return new ShapingResult(edits, null);
    }

    private static byte[]? FindSource(FileTree tree, PackPath path, ContentHash hash) =>
        tree.Find(ReservedFolder.SourceOf(path))?.ReadAll() is { } bytes && ContentHash.Of(bytes) == hash ? bytes : null;
}
