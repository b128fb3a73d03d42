using Underlay.Core.Fixes;

namespace Underlay.Core.Findings;

/// <summary>
/// What several findings of one check have in common, so that the cause is told once with the files opened below it. A value:
/// findings whose causes are equal belong together.
/// </summary>
/// <param name="Path">Where the common finding stands.</param>
/// <param name="Discriminator">Tells common findings of one check at one path apart.</param>
public abstract record SharedCause(string Path, string Discriminator)
{
    /// <summary>So many findings are told as one; fewer stand each for itself.</summary>
    public virtual int Least => 2;

    /// <summary>What is wrong with all of them, in sentences.</summary>
    /// <param name="parts">The findings, ordered by path.</param>
    public abstract string Says(IReadOnlyList<Finding> parts);

    /// <summary>A repair of all of them at once, or null.</summary>
    /// <param name="parts">The findings, ordered by path.</param>
    public abstract Fix? FindFix(IReadOnlyList<Finding> parts);
}

/// <summary>One of the files that a finding stands for.</summary>
/// <param name="Path">The file, or where one is wanted.</param>
/// <param name="Message">What is wrong with it.</param>
/// <param name="Fix">A repair of this file alone, or null.</param>
public sealed record FindingPart(string Path, string Message, Fix? Fix);
