using Underlay.Core.Formats;
using Underlay.Core.Mending;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Sounds;
using Underlay.Core.Steps;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;
using Underlay.Server.Sounds;

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
/// <param name="Outline">Its outline.</param>
/// <param name="Answers">Names of sounds that answer signals, or are to: their places, rows and strokes are known.</param>
internal sealed record RecordingView(
    long Revision,
    string File,
    string Path,
    string Hash,
    int Rate,
    int Frames,
    SoundOutline Outline,
    IReadOnlyList<PartOfRecording> Parts,
    IReadOnlyList<NameList> Lists,
    IReadOnlyList<string> Answers);

/// <summary>The parts that a recording of the tray is to be split into.</summary>
/// <param name="IsEven">Whether each is brought to the loudness of the base's sound of its name, or of those in its folder.</param>
/// <param name="IsPlaced">Whether those that answer signals go to their places, with row and stroke, and not into the tray.</param>
internal sealed record SplitRequest(string File, IReadOnlyList<Cut> Parts, bool IsEven = false, bool IsPlaced = false);

/// <summary>What came of it.</summary>
/// <param name="Taken">How many sounds there are now.</param>
/// <param name="Placed">How many of them are in their places; the others wait in the tray.</param>
/// <param name="Kept">Where the recording is kept.</param>
internal sealed record SplitResult(long Revision, int Taken, int Placed, string Kept);

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

    private static async Task<RecordingView> ViewAsync(Guid id, string file, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var found = snapshot.Tree.Find(TrayEndpoints.PathOf(file)) ?? throw ProblemException.NoFile(file);
        var sound = Read(found);
        return new RecordingView(
            snapshot.Revision,
            file,
            found.Path.Value,
            PackSnapshot.HashOf(found),
            sound.Rate,
            sound.Frames,
            SoundOutline.Of(sound, Spans),
            [.. Splitter.Split(sound).Select(p => new PartOfRecording(p.From, p.To, WordOf(p.Kind), p.IsDoubtful))],
            snapshot.Overlay is { } overlay ? [.. SpokenList.Of(overlay).Select(l => new NameList(l.Title, l.Names))] : [],
            [.. ScriptOf(snapshot).Select(l => Cuts.NameOf(l.Path)).Distinct(StringComparer.Ordinal)]);
    }

    private static async Task<SplitResult> SplitAsync(Guid id, SplitRequest request, PackService packs, CancellationToken cancel)
    {
        if (request.Parts.Count is 0 or > MostParts) throw ProblemException.Unsound("Say which parts to take, 2,000 at most.");
        var (kept, placed) = (default(PackPath), 0);
        var after = await packs.EditAsync(id, null, $"Split {request.File} into {request.Parts.Count} sounds", snapshot =>
        {
            var from = TrayEndpoints.PathOf(request.File);
            var found = snapshot.Tree.Find(from) ?? throw ProblemException.NoFile(request.File);
            var sound = Read(found);
            if (request.Parts.Any(p => p.From < 0 || p.To > sound.Frames || p.From >= p.To))
                throw ProblemException.Unsound("A part begins before it ends, and lies in the recording.");
            kept = KeptAt(snapshot.Tree, request.File, found.Hash);
            var edits = new List<TreeEdit>
            {
                snapshot.Tree.Find(kept) is null ? new TreeEdit.Move(from, kept) : new TreeEdit.Delete(from),
            };
            var (waiting, answering) = Sorted(snapshot, request, from);
            byte[] BytesOf(NamedCut part)
            {
                var own = sound.Cut(part.Cut.From, part.Cut.To);
                return FileFormats.Wav.Encode(request.IsEven ? Even(snapshot, part.Cut.Name, own) : own);
            }

            edits.AddRange(waiting.Select(part => new TreeEdit.Write(InTray(part), BytesOf(part))));
            placed = answering.Count;
            if (placed == 0) return edits;
            var takes = answering.SelectMany(part => part.As(BytesOf(part)));
            var (more, problem) = SignalTakes.Plan(snapshot.NeedOverlay(), snapshot.Tree.With(edits), takes);
            if (problem is not null) throw new ProblemException(422, "sound-unreadable", $"{problem} Nothing was changed.");
            edits.AddRange(more);
            return edits;
        }, cancel).ConfigureAwait(false);
        return new SplitResult(after.Revision, request.Parts.Count, placed, kept.Value);
    }

    /// <summary>The parts that go into the tray, and those that answer signals; a name may be used once and hide nothing.</summary>
    private static (IReadOnlyList<NamedCut> Waiting, IReadOnlyList<NamedCut> Answering) Sorted(
        PackSnapshot snapshot,
        SplitRequest request,
        PackPath recording)
    {
        // What cannot be a name is told before names are counted on.
        foreach (var part in request.Parts) _ = TrayEndpoints.PathOf(part.Name);
        var named = Cuts.Name(snapshot.Overlay, snapshot.Tree, request.Parts, request.IsPlaced ? ScriptOf(snapshot) : []);
        if (named.GroupBy(InTray).FirstOrDefault(g => g.Count() > 1) is { Key: var twice })
            throw ProblemException.Unsound($"Two parts are called {twice.FileName}; each needs a name of its own.");
        var sorted = named.ToLookup(p => p.Lines.Count > 0);
        bool IsThere(PackPath path) => path != recording && snapshot.Tree.Find(path) is not null;
        if (sorted[false].Select(InTray).FirstOrDefault(IsThere) is { Value.Length: > 0 } there)
            throw new ProblemException(409, "collides", $"A file {there.FileName} is in the tray already; place or rename it first.")
            { Paths = [there.Value] };
        return ([.. sorted[false]], [.. sorted[true]]);
    }

    private static PackPath InTray(NamedCut part) => TrayEndpoints.PathOf(part.Name + FileFormats.Wav.Endings[0]);

    private static IReadOnlyList<ScriptLine> ScriptOf(PackSnapshot snapshot) =>
        snapshot.Overlay is { } overlay ? SignalScript.Of(overlay) : [];

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
