using Underlay.Core.Formats;
using Underlay.Core.Packs;
using Underlay.Core.Sounds;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Offers;

/// <summary>
/// Shapes sounds without losing what the author recorded: the source is kept under the reserved folder, the steps beside it, and what
/// the place plays goes into the pack. A loop in the table beside it stays where it is heard.
/// </summary>
public static class SoundShaping
{
    /// <summary>A sound after steps.</summary>
    /// <param name="Sound">The sound.</param>
    /// <param name="CutSeconds">How much of the source was taken away in front.</param>
    public sealed record Shaped(Sound Sound, double CutSeconds);

    /// <summary>The sound after all steps, or the problem.</summary>
    /// <param name="source">The source, in any format that is read.</param>
    /// <param name="steps">In order.</param>
    public static (Shaped? Shaped, string? Problem) Run(byte[] source, IEnumerable<Step> steps)
    {
        if (SoundReader.Read(source) is not { } sound) return (null, SoundReader.CannotDecode);
        var cut = 0.0;
        foreach (var step in steps)
        {
            if (step is not SoundStep known) return (null, Shaping.CannotRun(step));
            cut += (double)known.FramesCut(sound) / sound.Rate;
            sound = known.Run(sound);
        }

        return (new Shaped(sound, cut), null);
    }

    /// <summary>Adds steps to a sound. One that was replaced by hand since its last step is a new source.</summary>
    public static ShapingResult Add(FileTree tree, SoundSeat seat, params IReadOnlyList<Step> steps)
    {
        if (tree.Find(seat.Path) is not { } file) return new ShapingResult([], "there is no such sound");
        return Shaping.FindSteps(tree, seat.Path) is { } known
            ? Shape(tree, seat, known.Source, [.. known.Steps, .. steps])
            : Shape(tree, seat, file.ReadAll(), steps);
    }

    /// <summary>Gives a sound other steps in place of those that it has; without any, the source as its place plays it.</summary>
    public static ShapingResult Set(FileTree tree, SoundSeat seat, IReadOnlyList<Step> steps) =>
        Shaping.FindSteps(tree, seat.Path) is { } known ? Shape(tree, seat, known.Source, steps)
        : steps.Count == 0 ? new ShapingResult([], null)
        : Add(tree, seat, steps);

    /// <summary>
    /// Runs the steps of a sound again on a new source. Without steps, the source as its place plays it: one that has to be saved anew
    /// is brought to the loudness that the place asks for along with that.
    /// </summary>
    public static ShapingResult Renew(FileTree tree, SoundSeat seat, byte[] source) =>
        Shape(tree, seat, source, StepsFile.Read(tree, seat.Path)?.Steps ?? FirstSteps(seat, source));

    private static IReadOnlyList<Step> FirstSteps(SoundSeat seat, byte[] source) =>
        seat.Loudness is { } loudness && !IsPlayed(seat, source) ? [new ToLoudness(loudness)] : [];

    private static ShapingResult Shape(FileTree tree, SoundSeat seat, byte[] source, IReadOnlyList<Step> steps)
    {
        if (StepsFile.IsUnreadable(tree, seat.Path)) return new ShapingResult([], Shaping.Unreadable(seat.Path));
        var (shaped, problem) = Run(source, steps);
        if (shaped is null) return new ShapingResult([], problem);
        // Without steps, a source that the place plays as it is goes in as it is, and nothing has to be kept of it.
        if (steps.Count == 0 && IsPlayed(seat, source))
            return new ShapingResult(
                [new TreeEdit.Write(seat.Path, source), .. Let(tree, seat, source), .. MoveLoop(tree, seat, shaped, source)],
                null);
        var bytes = seat.Fit(shaped.Sound).Save(shaped.Sound);
        var (made, result) = (ContentHash.Of(source), ContentHash.Of(bytes));
        return new ShapingResult(
            [
                .. KeptSource.Edits(tree, seat.Path, source, made),
                new TreeEdit.Write(seat.Path, bytes) { Hash = result },
                new StepsFile(made, steps, result).WriteFor(seat.Path),
                .. MoveLoop(tree, seat, shaped, bytes),
            ],
            null);
    }

    /// <summary>True where the place plays a file as it is: of its format, at a rate and with channels that it takes.</summary>
    public static bool IsPlayed(SoundSeat seat, byte[] source)
    {
        var like = new Sound(1, [[]]);
        var format = seat.Fit(like).Format;
        if (FileFormats.OfHead(source) != format || format.Inspect(source) is not { Problem: null, Header: { } header }) return false;
        var fit = seat.Fit(new Sound(header.Rate, [.. Enumerable.Repeat(Array.Empty<float>(), header.Channels)]));
        return fit.Rate == header.Rate && !fit.IsMono;
    }

    /// <summary>The edits that let go of the steps, and of a kept source that is the file itself; another one is moved aside.</summary>
    private static IEnumerable<TreeEdit> Let(FileTree tree, SoundSeat seat, byte[] source)
    {
        if (tree.Find(StepsFile.PathOf(seat.Path)) is { } steps) yield return new TreeEdit.Delete(steps.Path);
        if (tree.Find(ReservedFolder.SourceOf(seat.Path)) is null) yield break;
        foreach (var edit in KeptSource.Edits(tree, seat.Path, source, ContentHash.Of(source))) yield return edit;
        yield return new TreeEdit.Delete(ReservedFolder.SourceOf(seat.Path));
    }

    /// <summary>The row of the table with the loop at the same moments of the source as before.</summary>
    private static TreeEdit[] MoveLoop(FileTree tree, SoundSeat seat, Shaped now, byte[] bytes)
    {
        if (seat.Loop is not { } loop
            || tree.Find(seat.Path)?.ReadAll() is not { } old
            || SoundReader.Read(old) is not { Rate: var oldRate }
            || SoundReader.Read(bytes) is not { } result)
            return [];
        var before = Shaping.FindSteps(tree, seat.Path) is { } known ? Run(known.Source, known.Steps).Shaped?.CutSeconds ?? 0 : 0;
        int Moved(int frame) =>
            (int)Math.Clamp(Math.Round((((double)frame / oldRate) + before - now.CutSeconds) * result.Rate), 0, result.Frames);
        var (from, to) = (Moved(loop.From), Moved(loop.To));
        if ((from, to) == (loop.From, loop.To) || from >= to) return [];
        return SoundRow.Written(tree.Find(loop.Table)?.ReadAll(), loop.Shape, loop.Name, loop.At(from, to), loop.Below) is { } table
            ? [new TreeEdit.Write(loop.Table, table)]
            : [];
    }
}
