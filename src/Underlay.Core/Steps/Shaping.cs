using Underlay.Core.Formats;
using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.Steps;

/// <summary>The edits that shape a picture, or why it cannot be shaped.</summary>
public sealed record ShapingResult(IReadOnlyList<TreeEdit> Edits, string? Problem);

/// <summary>
/// Shapes pictures without losing what the author made: the source is kept under the reserved folder, the steps beside it,
/// and the result goes into the pack. A new source runs the same steps again.
/// </summary>
public static class Shaping
{
    /// <summary>The picture after all steps, or the problem.</summary>
    /// <param name="source">The source, in any format that is read.</param>
    /// <param name="steps">In order.</param>
    /// <param name="format">The format of the result.</param>
    public static (byte[]? Bytes, string? Problem) Run(ReadOnlyMemory<byte> source, IEnumerable<Step> steps, PackPictureFormat format)
    {
        var (picture, problem) = SourceReader.Read(source);
        if (picture is null) return (null, problem);
        foreach (var step in steps)
        {
            if (step is not PictureStep known) return (null, CannotRun(step));
            var next = known.SizeAfter(picture.Size);
            if (next.Width > PackPictureFormat.MaxSide || next.Height > PackPictureFormat.MaxSide)
                return (null, $"{step.Title} makes it {next}; a side has at most {PackPictureFormat.MaxSide} pixels");
            picture = known.Run(picture);
        }

        return (format.Encode(picture), null);
    }

    /// <summary>Adds steps to a picture. One that was replaced by hand since its last step is a new source.</summary>
    /// <param name="tree">The pack.</param>
    /// <param name="path">The picture.</param>
    /// <param name="steps">The steps to add.</param>
    public static ShapingResult Add(FileTree tree, PackPath path, params IReadOnlyList<Step> steps)
    {
        if (tree.Find(path) is not { } file) return new ShapingResult([], "there is no such picture");
        return FindSteps(tree, path) is { } known
            ? Shape(tree, path, known.Source, [.. known.Steps, .. steps])
            : Shape(tree, path, file.ReadAll(), steps, file.Hash);
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
            : new ShapingResult(
                [
                    new TreeEdit.Write(path, known.Source),
                    new TreeEdit.Delete(ReservedFolder.SourceOf(path)),
                    new TreeEdit.Delete(StepsFile.PathOf(path)),
                ],
                null);
    }

    /// <summary>The source and the steps of a picture; null when it has none, or was replaced by hand since.</summary>
    public static (byte[] Source, IReadOnlyList<Step> Steps)? FindSteps(FileTree tree, PackPath path) =>
        StepsFile.Read(tree, path) is { } known
        && tree.Find(path) is { } file
        && known.Result == file.Hash
        && FindSource(tree, path, known.Source) is { } source
            ? (source, known.Steps)
            : null;

    /// <summary>Runs the steps of a picture again on a new source; without steps, the source in the format of its place.</summary>
    /// <param name="tree">The pack.</param>
    /// <param name="path">The picture.</param>
    /// <param name="source">What the author saved.</param>
    public static ShapingResult Renew(FileTree tree, PackPath path, byte[] source) =>
        StepsFile.Read(tree, path) is { } known ? Shape(tree, path, source, known.Steps)
        : StepsFile.IsUnreadable(tree, path) ? new ShapingResult([], Unreadable(path))
        : PutIn(tree, path, source);

    /// <summary>
    /// Puts a picture at a path in the format that hosts read there; where that changes its bytes, it is kept as the source.
    /// </summary>
    /// <param name="tree">The pack.</param>
    /// <param name="path">Where it goes.</param>
    /// <param name="picture">What the author saved, in any format that is read.</param>
    public static ShapingResult PutIn(FileTree tree, PackPath path, byte[] picture)
    {
        var format = FormatAt(path);
        if (format.Inspect(picture, PixelNeed.None).IsReadable)
            return new ShapingResult([new TreeEdit.Write(path, picture)], null);
        var (read, problem) = SourceReader.Read(picture);
        if (read is null) return new ShapingResult([], problem);
        if (read.Size is not { Width: <= PackPictureFormat.MaxSide, Height: <= PackPictureFormat.MaxSide })
            return new ShapingResult([], $"it is {read.Size}; a side may have at most {PackPictureFormat.MaxSide} pixels");
        return new ShapingResult(
            [
                .. KeptSource.Edits(tree, path, picture, ContentHash.Of(picture)),
                new TreeEdit.Write(path, format.Encode(read)),
            ],
            null);
    }

    /// <summary>Why a step does not run on what its file is.</summary>
    internal static string CannotRun(Step step) =>
        step is UnknownStep unknown
            ? $"one of its steps is {unknown.Title}; take that step off first"
            : $"one of its steps, “{step.Title}”, is for {(step is SoundStep ? "sounds" : "pictures")}; take that step off first";

    /// <summary>The format in which a pack keeps pictures at a path.</summary>
    internal static PackPictureFormat FormatAt(PackPath path) => FileFormats.PictureAt(path) ?? FileFormats.Png;

    internal static string Unreadable(PackPath path) =>
        $"the file of its steps, {StepsFile.PathOf(path)}, cannot be read and is not overwritten: mend it, or take it out of the pack";

    private static ShapingResult Shape(FileTree tree, PackPath path, byte[] source, IReadOnlyList<Step> steps, ContentHash? hash = null)
    {
        if (StepsFile.IsUnreadable(tree, path)) return new ShapingResult([], Unreadable(path));
        var (bytes, problem) = Run(source, steps, FormatAt(path));
        if (bytes is null) return new ShapingResult([], problem);
        var (made, result) = (hash ?? ContentHash.Of(source), ContentHash.Of(bytes));
        return new ShapingResult(
            [
                .. KeptSource.Edits(tree, path, source, made),
                .. StepsFile.Pictures(steps),
                new TreeEdit.Write(path, bytes) { Hash = result },
                new StepsFile(made, steps, result).WriteFor(path),
            ],
            null);
    }

    /// <summary>The source that is kept of a picture, where it is the one of a hash.</summary>
    internal static byte[]? FindSource(FileTree tree, PackPath path, ContentHash hash) =>
        tree.Find(ReservedFolder.SourceOf(path))?.ReadAll() is { } bytes && ContentHash.Of(bytes) == hash ? bytes : null;
}
