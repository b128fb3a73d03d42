using Microsoft.AspNetCore.Http.HttpResults;
using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Sounds;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;
using Underlay.Server.Files;
using Underlay.Server.Findings;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;
using Underlay.Server.Pictures;

namespace Underlay.Server.Sounds;

internal static class SoundEndpoints
{
    // As many as a wide screen has pixels for.
    private const int Spans = 1200;

    // Longer, every form would have to be waited for. Seconds.
    private const double LongestTried = 120;

    // How far the end of a loop may move from where it was drawn. Seconds.
    private const double SeamReach = 0.03;

    public static void MapSounds(this IEndpointRouteBuilder app)
    {
        var sound = app.MapGroup("/api/packs/{id:guid}/sound");
        sound.MapGet("", ViewAsync).WithName("viewSound");
        sound.MapGet("/forms", ListFormsAsync).WithName("listSoundForms");
        sound.MapGet("/outline", ViewOutlineAsync).WithName("viewOutline");
        sound.MapGet("/source", ReadSourceAsync).WithName("readSoundSource");
        sound.MapPut("/steps", SetStepsAsync).WithName("setSoundSteps");
        sound.MapPut("/loop", SetLoopAsync).WithName("setLoop");
        sound
            .MapPut("/source", RenewAsync)
            .WithName("renewSoundSource")
            .AcceptsOneFile();
    }

    private static async Task<SoundView> ViewAsync(Guid id, string path, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var at = FileEndpoints.Parse(path);
        var overlay = snapshot.NeedOverlay();
        var yours = overlay.Pack.Placements.FirstOrDefault(p => p.Path == at);
        var under = overlay.OfBase(at);
        var placement = yours ?? under ?? throw ProblemException.NoFile(path);
        var row = placement.Place.RulesOf<SoundRowRule>(overlay.Edition).FirstOrDefault() is { } rule
            ? SoundRow.Of(overlay, rule, placement)
            : null;
        var bytes = yours is null ? null : snapshot.Tree.Find(at)!.ReadAll();
        var known = yours is null ? null : Shaping.FindSteps(snapshot.Tree, at);
        return new SoundView(
            snapshot.Revision,
            path,
            LedgerEndpoints.TitleOf(placement.Place, placement.Bindings),
            placement.Place.Noun,
            placement.Place.Key,
            placement.Place.Title,
            under is null ? null : Side(under.Facts, overlay.Base.Read(at)!),
            yours is null ? null : Side(yours.Facts, bytes!),
            row is not null,
            row?.LoopFrom,
            row?.LoopTo,
            row is null ? null : OtherLoop(snapshot, at, row),
            RuleSentences.Of(overlay, placement, snapshot.Report.Findings),
            [.. snapshot.Report.Findings.Where(f => f.IsAbout(path)).Select(f => FindingView.Of(snapshot, f))],
            known is { Source: var source } && SoundReader.Read(source) is { } from ? SourceOf(from, source) : null,
            [.. (known?.Steps ?? []).Select(s => new StepPlate(s.ToJson(), s.Title, null, s is not UnknownStep))],
            StepPlates.ProblemOf(snapshot.Tree, at),
            yours is not null && SoundReader.Read(bytes!) is { } sound ? OffersFor(overlay, yours, sound, row) : [],
            StepKindView.OfAll(StepKinds.OfSounds));
    }

    /// <summary>The loop of the recording itself, where the table has another.</summary>
    private static LoopSpan? OtherLoop(PackSnapshot snapshot, PackPath path, SoundRow row) =>
        OwnLoop.Of(snapshot.Tree, path) is { } own && own != (row.LoopFrom, row.LoopTo) ? new LoopSpan(own.From, own.To) : null;

    /// <summary>The outline of a part as finely as the whole has it; of the base's sound, or the pack's.</summary>
    private static async Task<SoundOutline> ViewOutlineAsync(
        Guid id,
        string path,
        bool isOfBase,
        int from,
        int to,
        PackService packs,
        CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var at = FileEndpoints.Parse(path);
        var bytes = isOfBase ? snapshot.NeedOverlay().Base.Read(at) : snapshot.Tree.Find(at)?.ReadAll();
        if (bytes is null) throw ProblemException.NoFile(path);
        if (SoundReader.Read(bytes) is not { } sound || from < 0 || from >= to || to > sound.Frames)
            throw ProblemException.Unsound("A part begins before it ends, and lies in the sound.");
        return SoundOutline.Of(sound.Cut(from, to), Spans);
    }

    /// <summary>In what forms a sound of the pack could be saved; none for one that is too long to be tried.</summary>
    private static async Task<IReadOnlyList<SoundFormView>> ListFormsAsync(
        Guid id,
        string path,
        PackService packs,
        CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var overlay = snapshot.NeedOverlay();
        if (overlay.OfPack(FileEndpoints.Parse(path)) is not { } yours) throw ProblemException.NoFile(path);
        if (SoundReader.Read(snapshot.Tree.Find(yours.Path)!.ReadAll()) is not { Seconds: <= LongestTried } sound) return [];
        return [.. SoundForms.Of(overlay, yours, sound).Select(SoundFormView.Of)];
    }

    private static List<StepOfferView> OffersFor(Overlay overlay, Placement yours, Sound sound, SoundRow? row)
    {
        (int, int)? loop = row is { LoopFrom: { } from, LoopTo: { } to } ? (from, to) : null;
        return [.. SoundOffers.For(overlay, yours, sound, loop).Select(o => new StepOfferView(o.Title, o.Step.ToJson()))];
    }

    private static SoundSource SourceOf(Sound sound, byte[] bytes) =>
        new(ContentHash.Of(bytes).Hex, bytes.Length, sound.Rate, sound.Channels.Count, sound.Frames);

    /// <summary>The recording on which the steps run.</summary>
    private static async Task<FileContentHttpResult> ReadSourceAsync(
        Guid id,
        string path,
        PackService packs,
        HttpResponse response,
        CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        return Shaping.FindSteps(snapshot.Tree, FileEndpoints.Parse(path)) is { Source: var source }
            ? FileEndpoints.Serve(source, "source", false, response)
            : throw ProblemException.NoFile(path);
    }

    private static async Task<Changed> SetStepsAsync(Guid id, StepsRequest request, PackService packs, CancellationToken cancel)
    {
        var path = FileEndpoints.Parse(request.Path);
        var before = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var steps = request.Steps.Select(s => StepPlates.Read(before, path, s, NoPictures)).ToList();
        var what = steps.Count == 0 ? $"Take the steps off {path}" : $"{steps[^1].Title} ({path})";
        var after = await packs.EditAsync(
            id,
            null,
            what,
            snapshot => EditsOf(SoundShaping.Set(snapshot.Tree, SeatAt(snapshot, path), steps), path, 409, "The steps cannot run"),
            cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    private static async Task<Changed> RenewAsync(Guid id, string path, HttpRequest request, PackService packs, CancellationToken cancel)
    {
        var at = FileEndpoints.Parse(path);
        var given = await OneFile.ReadAsync(request, cancel).ConfigureAwait(false);
        var after = await packs.EditAsync(
            id,
            null,
            $"New source for {path}",
            snapshot => EditsOf(SoundShaping.Renew(snapshot.Tree, SeatAt(snapshot, at), given), at, 422, "The new source cannot be used"),
            cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    /// <summary>Writes the loop into the table beside the sound; its end moves a little to where the seam is heard least.</summary>
    private static async Task<LoopSet> SetLoopAsync(Guid id, LoopRequest request, PackService packs, CancellationToken cancel)
    {
        var path = FileEndpoints.Parse(request.Path);
        (int From, int To)? set = null;
        var after = await packs.EditAsync(id, null, request.From is null ? $"No loop ({path})" : $"Loop ({path})", snapshot =>
        {
            var overlay = snapshot.NeedOverlay();
            if (overlay.OfPack(path) is not { } placement) throw ProblemException.NoFile(request.Path);
            if (request is { From: { } from, To: { } to })
            {
                if (SoundReader.Read(snapshot.Tree.Find(path)!.ReadAll()) is not { } sound || from < 0 || from >= to || to > sound.Frames)
                    throw ProblemException.Unsound("A loop begins before it ends, and lies in the sound.");
                set = request.IsExact ? (from, to) : LoopFinder.Near(sound, from, to, SeamReach);
            }

            return SoundSeat.WithLoop(overlay, placement, set)
                ?? throw ProblemException.Unsound("What is played here has no loop, or its table cannot be read.");
        }, cancel).ConfigureAwait(false);
        return new LoopSet(after.Revision, set?.From, set?.To);
    }

    private static StepContext NoPictures { get; } = new(_ => null, () => null, () => null);

    private static SoundSeat SeatAt(PackSnapshot snapshot, PackPath path)
    {
        var overlay = snapshot.NeedOverlay();
        // Over a sound that only the base has, the first recording is an override.
        return (overlay.OfPack(path) ?? overlay.OfBase(path)) is { } placement && SoundSeat.Of(overlay, placement) is { } seat
            ? seat
            : throw ProblemException.NoFile(path.Value);
    }

    private static IReadOnlyList<TreeEdit> EditsOf(ShapingResult result, PackPath path, int status, string what) =>
        result.Problem is null
            ? result.Edits
            : throw new ProblemException(status, "sound-unreadable", $"{what}: {result.Problem}. Yours stays as it is.")
            { Paths = [path.Value] };

    /// <summary>What is known of a file; its outline also where the host cannot read it and Underlay can.</summary>
    private static SoundSide Side(FileFacts facts, byte[] bytes)
    {
        var sound = SoundReader.Read(bytes);
        var measure = facts.Sound?.Measure ?? (sound is null ? null : SoundMeasure.Of(sound));
        // What is too long to be decoded still has a header, and is played by the browser.
        var header = facts.Sound?.Header;
        return new SoundSide(
            facts.Hash.Hex,
            facts.Length,
            facts.Sound?.Problem,
            sound?.Rate ?? header?.Rate ?? 0,
            sound?.Channels.Count ?? header?.Channels ?? 0,
            sound?.Frames ?? header?.Frames ?? 0,
            measure is { TruePeak: var peak } && double.IsFinite(peak) ? Math.Round(peak, 1) : null,
            measure?.Loudness is { } loudness ? Math.Round(loudness, 1) : null,
            measure?.NoiseFloor is { } floor && double.IsFinite(floor) ? Math.Round(floor) : null,
            measure?.ClippedRuns ?? 0,
            sound is null ? SoundOutline.None : SoundOutline.Of(sound, Spans),
            sound is null ? [] : [.. Loudness.Over(sound).Select(l => Math.Round(l, 1))]);
    }
}
