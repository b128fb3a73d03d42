namespace Underlay.Core.BaseFiles;

/// <summary>Proposes the values of a new row of a table, by what the base's rows have.</summary>
public static class RowDefaults
{
    /// <summary>What a column of a new row should hold.</summary>
    /// <param name="ofBase">The base's table, or null.</param>
    /// <param name="column">The column.</param>
    /// <param name="key">The new row's key.</param>
    /// <param name="prefix">The author's prefix, which people are not shown; null for none.</param>
    public static string For(TableFacts? ofBase, string column, string key, string? prefix)
    {
        var at = ofBase?.Columns.ToList().IndexOf(column) ?? -1;
        if (ofBase is null || at < 0) return "";
        var values = ofBase.Rows.Select(r => r.Values[at]).ToList();
        // A column in which every row has something else names the thing; in others, most rows say what is usual.
        return values.Distinct(StringComparer.Ordinal).Count() == values.Count
            ? NameOf(key, prefix)
            : values
                .GroupBy(v => v, StringComparer.Ordinal)
                .OrderByDescending(g => g.Count())
                .ThenBy(g => g.Key, StringComparer.Ordinal)
                .First().Key;
    }

    /// <summary>True where a value belongs in the column: every row of the base has one.</summary>
    public static bool IsFilled(TableFacts ofBase, string column)
    {
        var at = ofBase.Columns.ToList().IndexOf(column);
        return at >= 0 && ofBase.Rows.Count > 0 && ofBase.Rows.All(r => r.Values[at].Length > 0);
    }

    /// <summary>A name for people from a key: "saltbrook_high_tide" is "High tide".</summary>
    private static string NameOf(string key, string? prefix)
    {
        var bare = prefix is not null && key.Length > prefix.Length + 1 && key.StartsWith(prefix + "_", StringComparison.Ordinal)
            ? key[(prefix.Length + 1)..]
            : key;
        var words = bare.Replace('_', ' ').Trim();
        return words.Length == 0 ? key : char.ToUpperInvariant(words[0]) + words[1..];
    }
}
