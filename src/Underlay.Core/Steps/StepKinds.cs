namespace Underlay.Core.Steps;

/// <summary>Every type of step there is.</summary>
public static class StepKinds
{
    /// <summary>Those that shape pictures, in the order in which they are offered.</summary>
    public static IReadOnlyList<StepKind> OfPictures { get; } =
    [
        FitToSize.Type, Enlarge.Type, ClearBorder.Type, CutMatte.Type, TakeAlpha.Type, LayOnColour.Type, LayOnPicture.Type,
        HardenAlpha.Type, SpreadColour.Type, ToGrey.Type, FewerShades.Type,
    ];

    /// <summary>Those that shape sounds, in the order in which they are offered.</summary>
    public static IReadOnlyList<StepKind> OfSounds { get; } =
    [
        CutSound.Type, CutSilence.Type, FadeSound.Type, Louder.Type, ToLoudness.Type, ToPeak.Type, ToMono.Type, ToRate.Type,
        CrossFade.Type, ToDepth.Type,
    ];

    /// <summary>All of them; each word is one type.</summary>
    public static IReadOnlyList<StepKind> All { get; } = [.. OfPictures, .. OfSounds];
}
