namespace Underlay.Core.Decisions;

/// <summary>Every file of decisions that has rows.</summary>
public static class DecisionFiles
{
    /// <summary>In the order of their paths.</summary>
    public static IReadOnlyList<IDecisionFile> All { get; } = [LaterValues.File, PlaceholderFiles.File, ScriptFile.File, Waivers.File];
}
