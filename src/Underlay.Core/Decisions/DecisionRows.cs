using Underlay.Core.Formats;

namespace Underlay.Core.Decisions;

/// <summary>Something in a file of decisions that cannot be read.</summary>
/// <param name="At">Where.</param>
/// <param name="Says">What is wrong, as the end of a sentence.</param>
/// <param name="LosesText">
/// True where the file says something that is in none of its rows, so that writing the rows anew would lose it; false for a comma
/// that is missing, say.
/// </param>
public sealed record DecisionDamage(TextPosition At, string Says, bool LosesText = true);

/// <summary>What a file of decisions says: every row of it that can be read, and what cannot.</summary>
/// <typeparam name="T">A decision.</typeparam>
/// <param name="Rows">In the order of the file; of two with one key the last.</param>
/// <param name="Damage">In the order of the file; empty where all of it was read.</param>
public sealed record DecisionRows<T>(IReadOnlyList<T> Rows, IReadOnlyList<DecisionDamage> Damage);

/// <summary>What decisions that are to be kept come to.</summary>
/// <param name="Edits">What changes; nothing where the file is damaged, which is never written over.</param>
/// <param name="Damaged">The file that cannot be read, and so was left as it is; null where it was written.</param>
public sealed record DecisionChange(IReadOnlyList<Packs.TreeEdit> Edits, DamagedDecisions? Damaged)
{
    /// <summary>Nothing changes.</summary>
    public static DecisionChange None { get; } = new([], null);
}

/// <summary>A file of decisions that cannot be read as a whole.</summary>
/// <param name="Path">The file.</param>
/// <param name="Damage">What is wrong with it first.</param>
public sealed record DamagedDecisions(Packs.PackPath Path, DecisionDamage Damage)
{
    /// <summary>A sentence for whoever wanted to keep more in it.</summary>
    public string Says => $"{Path} cannot be read ({Damage.At}: {Damage.Says}), and is not written over. Mend it on Prove first.";
}
