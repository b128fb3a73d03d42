using System.Collections;
using System.Diagnostics.CodeAnalysis;

namespace Underlay.Core.BaseFiles;

/// <summary>
/// The values of a row of a table by column, those that say which row it is and what is done with it left aside. Tables have few
/// columns, and thousands of rows are asked for one value each: nothing is copied.
/// </summary>
internal sealed class RowValues(IReadOnlyList<string> columns, IReadOnlyList<string> values, string key, string? merge)
    : IReadOnlyDictionary<string, string>
{
    /// <inheritdoc/>
    public IEnumerable<string> Keys => this.Select(v => v.Key);

    /// <inheritdoc/>
    public IEnumerable<string> Values => this.Select(v => v.Value);

    /// <inheritdoc/>
    public int Count => Enumerable.Range(0, Math.Min(columns.Count, values.Count)).Count(Holds);

    /// <inheritdoc/>
    public string this[string column] =>
        TryGetValue(column, out var value) ? value : throw new KeyNotFoundException($"There is no column “{column}”.");

    /// <inheritdoc/>
    public bool ContainsKey(string column) => TryGetValue(column, out _);

    /// <inheritdoc/>
    public bool TryGetValue(string column, [MaybeNullWhen(false)] out string value)
    {
        for (var i = 0; i < columns.Count && i < values.Count; i++)
            if (columns[i] == column && Holds(i))
            {
                value = values[i];
                return true;
            }

        value = null;
        return false;
    }

    /// <inheritdoc/>
    public IEnumerator<KeyValuePair<string, string>> GetEnumerator()
    {
        for (var i = 0; i < columns.Count && i < values.Count; i++)
            if (Holds(i)) yield return new KeyValuePair<string, string>(columns[i], values[i]);
    }

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

    private bool Holds(int index) => columns[index] != key && columns[index] != merge;
}
