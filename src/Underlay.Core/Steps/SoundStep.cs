using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>One that shapes sounds.</summary>
public abstract record SoundStep : Step
{
    /// <summary>The sound after the step, of one frame at least. The sound before it is not changed.</summary>
    public abstract Sound Run(Sound sound);

    /// <summary>How many frames it takes away in front: so far what lies behind them moves.</summary>
    public virtual int FramesCut(Sound before) => 0;
}
