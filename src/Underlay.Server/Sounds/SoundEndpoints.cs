using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Sounds;
using Underlay.Core.Stacks;
using Underlay.Server.Files;
using Underlay.Server.Findings;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Sounds;

internal static class SoundEndpoints
{
    // As many as a wide screen has pixels for.
    private const int Spans = 1200;

    public static void MapSounds(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/packs/{id:guid}/sound", ViewAsync).WithName("viewSound");

    private static async Task<SoundView> ViewAsync(Guid id, string path, PackDesk desk, CancellationToken cancel)
    {
        var snapshot = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var at = FileEndpoints.Parse(path);
        var overlay = snapshot.NeedOverlay();
        var yours = overlay.Pack.Placements.FirstOrDefault(p => p.Path == at);
        var under = overlay.OfBase(at);
        var placement = yours ?? under ?? throw ProblemException.NoFile(path);
        var row = placement.Place.RulesOf<SoundRowRule>(overlay.Edition).FirstOrDefault() is { } rule
            ? SoundRow.Of(overlay, rule, placement)
            : null;
        return new SoundView(
            snapshot.Revision,
            path,
            LedgerEndpoints.TitleOf(placement.Place, placement.Bindings),
            placement.Place.Noun,
            placement.Place.Key,
            placement.Place.Title,
            under is null ? null : Side(under.Facts, overlay.Base.Read(at)!),
            yours is null ? null : Side(yours.Facts, snapshot.Tree.Find(at)!.ReadAll()),
            row?.LoopFrom,
            row?.LoopTo,
            RuleSentences.Of(overlay, placement, snapshot.Report.Findings),
            [.. snapshot.Report.Findings.Where(f => f.IsAbout(path)).Select(f => FindingView.Of(snapshot, f))]);
    }

    /// <summary>What is known of a file; its outline also where the host cannot read it and Underlay can.</summary>
    private static SoundSide Side(FileFacts facts, byte[] bytes)
    {
        var sound = SoundReader.Read(bytes);
        var measure = facts.Sound?.Measure ?? (sound is null ? null : SoundMeasure.Of(sound));
        // What is too long to be decoded still has a header, and is played by the browser.
        var header = facts.Sound?.Header;
        var spans = sound is null ? [] : Peaks.Of(sound, Spans);
        return new SoundSide(
            facts.Hash.Hex,
            facts.Length,
            facts.Sound?.Problem,
            sound?.Rate ?? header?.Rate ?? 0,
            sound?.Channels.Count ?? header?.Channels ?? 0,
            sound?.Frames ?? header?.Frames ?? 0,
            measure is { TruePeak: var peak } && double.IsFinite(peak) ? Math.Round(peak, 1) : null,
            measure?.Loudness is { } loudness ? Math.Round(loudness, 1) : null,
            [.. spans.Select(s => MathF.Round(s.Low, 3))],
            [.. spans.Select(s => MathF.Round(s.High, 3))]);
    }
}
