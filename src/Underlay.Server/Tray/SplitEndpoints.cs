using Underlay.Core.Formats;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Sounds;
using Underlay.Core.Steps;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Tray;

/// <summary>A part of a long recording.</summary>
/// <param name="From">Its first frame.</param>
/// <param name="To">The frame behind its last.</param>
/// <param name="Kind">take, noise or repeated.</param>
/// <param name="IsDoubtful">Whether it is worth hearing before it is trusted.</param>
internal sealed record PartOfRecording(int From, int To, string Kind, bool IsDoubtful);

/// <summary>Names of sounds that may have been recorded one after the other.</summary>
internal sealed record NameList(string Title, IReadOnlyList<string> Names);

/// <summary>A long recording of the tray and the parts that it seems to have.</summary>
/// <param name="Rate">Frames a second, Hz.</param>
/// <param name="Frames">Samples a channel.</param>
/// <param name="Lows">The lowest samples over spans of one length, -1 to 1.</param>
/// <param name="Highs">The highest samples over the same spans.</param>
internal sealed record RecordingView(
    long Revision,
    string File,
    string Path,
    string Hash,
    int Rate,
    int Frames,
    IReadOnlyList<float> Lows,
    IReadOnlyList<float> Highs,
    IReadOnlyList<PartOfRecording> Parts,
    IReadOnlyList<NameList> Lists);

/// <summary>A part to be taken, and what it is to be called: a path without ending.</summary>
internal sealed record NamedPart(int From, int To, string Name);

/// <summary>The parts that a recording of the tray is to be split into.</summary>
/// <param name="IsEven">Whether each is brought to the loudness of the base's sound of its name, or of those in its folder.</param>
internal sealed record SplitRequest(string File, IReadOnlyList<NamedPart> Parts, bool IsEven = false);

/// <summary>What came of it.</summary>
/// <param name="Kept">Where the recording is kept.</param>
internal sealed record SplitResult(long Revision, int Taken, string Kept);

/// <summary>Splits recordings of many sounds, one after the other, into files of the tray.</summary>
internal static class SplitEndpoints
{
    private const int Spans = 1600;
    private const int MostParts = 2000;

    public static void MapSplits(this IEndpointRouteBuilder app)
    {
        var tray = app.MapGroup("/api/packs/{id:guid}/tray");
        tray.MapGet("/parts", ViewAsync).WithName("viewParts");
        tray.MapPost("/parts", SplitAsync).WithName("splitRecording");
    }

    private static async Task<RecordingView> ViewAsync(Guid id, string file, PackDesk desk, CancellationToken cancel)
    {
        var snapshot = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var found = snapshot.Tree.Find(TrayEndpoints.PathOf(file)) ?? throw ProblemException.NoFile(file);
        var sound = Read(found);
        var outline = Peaks.Of(sound, Spans);
        return new RecordingView(
            snapshot.Revision,
            file,
            found.Path.Value,
            PackSnapshot.HashOf(found),
            sound.Rate,
            sound.Frames,
            [.. outline.Select(s => MathF.Round(s.Low, 3))],
            [.. outline.Select(s => MathF.Round(s.High, 3))],
            [.. Splitter.Split(sound).Select(p => new PartOfRecording(p.From, p.To, WordOf(p.Kind), p.IsDoubtful))],
            snapshot.Overlay is { } overlay ? [.. SpokenList.Of(overlay).Select(l => new NameList(l.Title, l.Names))] : []);
    }

    private static async Task<SplitResult> SplitAsync(Guid id, SplitRequest request, PackDesk desk, CancellationToken cancel)
    {
        if (request.Parts.Count is 0 or > MostParts) throw ProblemException.Unsound("Say which parts to take, 2,000 at most.");
        var paths = request.Parts.Select(p => TrayEndpoints.PathOf(p.Name + FileFormats.Wav.Endings[0])).ToList();
        if (paths.GroupBy(p => p).FirstOrDefault(g => g.Count() > 1) is { Key: var twice })
            throw ProblemException.Unsound($"Two parts are called {twice.FileName}; each needs a name of its own.");
        var kept = default(PackPath);
        var after = await desk.EditAsync(id, null, $"Split {request.File} into {request.Parts.Count} sounds", snapshot =>
        {
            var from = TrayEndpoints.PathOf(request.File);
            var found = snapshot.Tree.Find(from) ?? throw ProblemException.NoFile(request.File);
            var sound = Read(found);
            if (request.Parts.Any(p => p.From < 0 || p.To > sound.Frames || p.From >= p.To))
                throw ProblemException.Unsound("A part begins before it ends, and lies in the recording.");
            if (paths.Find(p => p != from && snapshot.Tree.Find(p) is not null) is { Value.Length: > 0 } there)
                throw new ProblemException(409, "collides", $"A file {there.FileName} is in the tray already; place or rename it first.")
                { Paths = [there.Value] };
            kept = KeptAt(snapshot.Tree, request.File, found.Hash);
            TreeEdit[] moved = snapshot.Tree.Find(kept) is null ? [new TreeEdit.Move(from, kept)] : [new TreeEdit.Delete(from)];
            return
            [
                .. moved,
                .. request.Parts.Zip(
                    paths,
                    (part, path) =>
                    {
                        var own = sound.Cut(part.From, part.To);
                        return new TreeEdit.Write(path, FileFormats.Wav.Encode(request.IsEven ? Even(snapshot, part.Name, own) : own));
                    }),
            ];
        }, cancel).ConfigureAwait(false);
        return new SplitResult(after.Revision, request.Parts.Count, kept.Value);
    }

    private static Sound Even(PackSnapshot snapshot, string name, Sound sound) =>
        snapshot.Overlay is { } overlay && UsualLoudness.For(overlay, name) is { } usual
            ? new ToLoudness(Math.Round(usual, 1)).Run(sound)
            : sound;

    /// <summary>Where the recording stays: under its own name, or one with its hash where another has that.</summary>
    private static PackPath KeptAt(FileTree tree, string file, ContentHash hash)
    {
        var kept = PackPath.Parse($"{ReservedFolder.Name}/sources/recordings/{file}");
        return tree.Find(kept) is { } other && other.Hash != hash ? PackPath.Parse($"{kept}.{hash.Hex[..8]}") : kept;
    }

    private static Sound Read(TreeFile file) =>
        SoundReader.Read(file.ReadAll())
        ?? throw new ProblemException(
            422,
            "sound-unreadable",
            $"{file.Path.FileName} stays as it is: {SoundReader.CannotDecode}.")
        { Paths = [file.Path.Value] };

    private static string WordOf(PartKind kind) => kind switch
    {
        PartKind.Noise => "noise",
        PartKind.Repeated => "repeated",
        _ => "take",
    };
}
