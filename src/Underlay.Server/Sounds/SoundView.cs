using System.Text.Json.Nodes;
using Underlay.Core.Checks;
using Underlay.Core.Offers;
using Underlay.Server.Findings;
using Underlay.Server.Pictures;

namespace Underlay.Server.Sounds;

/// <summary>A sound of the pack beside the base's.</summary>
/// <param name="Revision">The pack's revision.</param>
/// <param name="Path">Where it lies.</param>
/// <param name="Title">Its name for people.</param>
/// <param name="Noun">What it is.</param>
/// <param name="Place">The key of its place.</param>
/// <param name="PlaceTitle">Its place for people.</param>
/// <param name="Base">The base's; null where it has none.</param>
/// <param name="Yours">The pack's; null where it has none.</param>
/// <param name="MayLoop">Whether the host can play it in a loop.</param>
/// <param name="LoopFrom">The loop's first frame; null for none.</param>
/// <param name="LoopTo">The frame behind its last; null for none.</param>
/// <param name="OwnLoop">Another one that the author's editor wrote into the recording; null for none.</param>
/// <param name="Rules">What the host wants of it.</param>
/// <param name="Findings">What was found at it.</param>
/// <param name="Source">The recording on which its steps run; null where it has none.</param>
/// <param name="Steps">The steps from the recording to what is in the pack.</param>
/// <param name="StepsProblem">Why its steps cannot be shown or run; null where they can.</param>
/// <param name="Offers">Steps that it may be given.</param>
/// <param name="Kinds">Every type of step for sounds.</param>
internal sealed record SoundView(
    long Revision,
    string Path,
    string Title,
    string Noun,
    string Place,
    string PlaceTitle,
    SoundSide? Base,
    SoundSide? Yours,
    bool MayLoop,
    int? LoopFrom,
    int? LoopTo,
    LoopSpan? OwnLoop,
    IReadOnlyList<RuleSentence> Rules,
    IReadOnlyList<FindingView> Findings,
    SoundSource? Source,
    IReadOnlyList<StepPlate> Steps,
    string? StepsProblem,
    IReadOnlyList<StepOfferView> Offers,
    IReadOnlyList<StepKindView> Kinds);

/// <summary>A recording as the author made it.</summary>
/// <param name="Hash">SHA-256 of its bytes.</param>
/// <param name="Length">Bytes.</param>
/// <param name="Rate">Frames a second, Hz.</param>
/// <param name="Channels">Channels.</param>
/// <param name="Frames">Samples a channel.</param>
internal sealed record SoundSource(string Hash, long Length, int Rate, int Channels, int Frames);

/// <summary>One of the two.</summary>
/// <param name="Hash">SHA-256 of its bytes.</param>
/// <param name="Length">Bytes.</param>
/// <param name="Problem">Why the host cannot read it, or null.</param>
/// <param name="Rate">Frames a second, Hz; 0 where it cannot be read at all.</param>
/// <param name="Channels">Channels.</param>
/// <param name="Frames">Samples a channel.</param>
/// <param name="TruePeak">dBTP; null for silence.</param>
/// <param name="Loudness">LUFS; null where it is too soft to count.</param>
/// <param name="NoiseFloor">The level of its pauses, dB under full scale; null where it has none, or digital silence.</param>
/// <param name="ClippedRuns">In how many places the tops of its waves are cut off.</param>
/// <param name="Outline">Its outline.</param>
/// <param name="Levels">Its momentary loudness at the end of each tenth of a second, LUFS.</param>
internal sealed record SoundSide(
    string Hash,
    long Length,
    string? Problem,
    int Rate,
    int Channels,
    int Frames,
    double? TruePeak,
    double? Loudness,
    double? NoiseFloor,
    int ClippedRuns,
    SoundOutline Outline,
    IReadOnlyList<double> Levels);

/// <summary>A form in which the host plays a sound.</summary>
/// <param name="Says">The form in words.</param>
/// <param name="Bytes">How long the file then is.</param>
/// <param name="Loses">What is lost, as it is heard; empty for nothing.</param>
/// <param name="Steps">The steps that lead there; none where it is so now, or where another ending is needed.</param>
/// <param name="IsNow">Whether it is the form that the sound has.</param>
internal sealed record SoundFormView(string Says, long Bytes, string Loses, IReadOnlyList<JsonObject> Steps, bool IsNow)
{
    public static SoundFormView Of(SoundForm form) =>
        new(form.Says, form.Bytes, form.Loses, [.. form.Steps.Select(s => s.ToJson())], form.IsNow);
}

/// <summary>Frames that are gone round in.</summary>
/// <param name="From">The first.</param>
/// <param name="To">The one behind the last.</param>
internal sealed record LoopSpan(int From, int To);

/// <summary>Where a sound is to go round.</summary>
/// <param name="Path">The sound.</param>
/// <param name="From">The first frame; null for no loop.</param>
/// <param name="To">The frame behind the last.</param>
/// <param name="IsExact">Whether the end stays where it is, and is not moved to where the seam is heard least.</param>
internal sealed record LoopRequest(string Path, int? From = null, int? To = null, bool IsExact = false);

/// <summary>Where a sound goes round now.</summary>
internal sealed record LoopSet(long Revision, int? From, int? To);
