using Underlay.Core.Formats;

namespace Underlay.Core.Decisions;

/// <summary>A decision in a file.</summary>
/// <param name="Value">The decision.</param>
/// <param name="At">Finds where it stands; asked of few.</param>
internal sealed record DecisionRow<T>(T Value, Func<TextPosition> At);

/// <summary>How decisions are written in a file.</summary>
internal interface IRowForm<T>
{
    /// <summary>The rows that can be read, in the order of the file.</summary>
    /// <param name="bytes">The file.</param>
    /// <param name="damage">Gets what cannot be read.</param>
    IReadOnlyList<DecisionRow<T>> Read(byte[] bytes, List<DecisionDamage> damage);

    /// <summary>The file with these rows, in their order. What the file says of them besides is kept.</summary>
    /// <param name="before">The file as it is; null where there is none.</param>
    /// <param name="rows">The rows.</param>
    /// <param name="key">What is the same for a row of the file and what it becomes.</param>
    byte[] Write(byte[]? before, IReadOnlyList<T> rows, Func<T, string> key);
}
