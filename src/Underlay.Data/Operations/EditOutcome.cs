using Underlay.Core.Packs;

namespace Underlay.Data.Operations;

/// <summary>What came of an edit.</summary>
public abstract record EditOutcome
{
    private EditOutcome()
    {
    }

    /// <summary>It is in the log.</summary>
    /// <param name="Revision">The pack's revision now; the same as before when there was nothing to change.</param>
    public sealed record Applied(long Revision) : EditOutcome;

    /// <summary>The pack has another revision than the caller knew. Nothing was changed.</summary>
    public sealed record Stale(long Revision) : EditOutcome;

    /// <summary>Files are not as the edit expects them. Nothing was changed.</summary>
    public sealed record Conflict(IReadOnlyList<PackPath> Paths) : EditOutcome;

    /// <summary>A file would differ from another in case only, or have the name of a folder. Nothing was changed.</summary>
    public sealed record Collides(PackPath Path) : EditOutcome;

    /// <summary>Whoever asked for it thought better of it before it was kept. Nothing was changed.</summary>
    public sealed record Withheld : EditOutcome;

    /// <summary>There is nothing to undo or to do again.</summary>
    public sealed record Nothing : EditOutcome;

    /// <summary>A write with this key was made before. Nothing was changed again.</summary>
    public sealed record MadeBefore : EditOutcome;

    /// <summary>The pack is in the bin. Nothing was changed.</summary>
    /// <param name="Title">What the pack is called.</param>
    public sealed record InBin(string Title) : EditOutcome;

    /// <summary>There is no such pack.</summary>
    public sealed record NoPack : EditOutcome;
}
