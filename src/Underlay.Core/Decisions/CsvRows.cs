using System.Text;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Csv;

namespace Underlay.Core.Decisions;

/// <summary>Decisions as a table with commas.</summary>
/// <param name="columns">The columns, the first of which has to be filled.</param>
/// <param name="read">Reads a row from its values in those columns.</param>
/// <param name="write">The values of a row.</param>
internal sealed class CsvRows<T>(IReadOnlyList<string> columns, Func<IReadOnlyList<string>, T> read, Func<T, IReadOnlyList<string>> write)
    : IRowForm<T>
    where T : class
{
    /// <inheritdoc/>
    public IReadOnlyList<DecisionRow<T>> Read(byte[] bytes, List<DecisionDamage> damage)
    {
        if (!System.Text.Unicode.Utf8.IsValid(bytes))
        {
            damage.Add(new DecisionDamage(new TextPosition(1, 1), "it is not UTF-8: save it in that encoding"));
            return [];
        }

        var text = TextOf(bytes);
        var csv = CsvText.Salvage(text, out var lost);
        damage.AddRange(lost.Select(at => new DecisionDamage(at, "a quote is not closed, or stands within a value")));
        var missing = columns[0];
        if (!csv.Header.Contains(missing))
        {
            if (text.Length > 0) damage.Insert(0, new DecisionDamage(new TextPosition(1, 1), $"a column “{missing}” is wanted"));
            return [];
        }

        var found = new List<DecisionRow<T>>();
        foreach (var row in csv.Rows.Skip(1))
        {
            var at = new TextPosition(row.Line, 1);
            string[] values = [.. columns.Select(c => csv.Value(row, c) ?? "")];
            if (row.Fields.Count > csv.Header.Count) damage.Add(new DecisionDamage(at, "the row has more values than there are columns"));
            else if (values[0].Length > 0) found.Add(new DecisionRow<T>(read(values), () => at));
            else if (row.Fields.Any(f => f.Length > 0)) damage.Add(new DecisionDamage(at, $"the row says nothing in “{columns[0]}”"));
        }

        return found;
    }

    /// <inheritdoc/>
    public byte[] Write(byte[]? before, IReadOnlyList<T> rows, Func<T, string> key)
    {
        var csv = CsvText.Salvage(before is null ? "" : TextOf(before), out _);
        string[] header = [.. csv.Header, .. columns.Except(csv.Header)];
        var known = new Dictionary<string, CsvRow>(StringComparer.Ordinal);
        foreach (var row in csv.Rows.Skip(1)) known[key(read([.. columns.Select(c => csv.Value(row, c) ?? "")]))] = row;
        var text = new StringBuilder(csv.Format(header));
        foreach (var row in rows)
        {
            var values = write(row);
            var own = known.GetValueOrDefault(key(row));
            text.Append(csv.Format(header.Select((c, i) => Array.IndexOf([.. columns], c) is >= 0 and var at
                ? values[at]
                : own?.Fields.ElementAtOrDefault(i) ?? "")));
        }

        return Encoding.UTF8.GetBytes(text.ToString());
    }

    private static string TextOf(byte[] bytes) => Encoding.UTF8.GetString(bytes).TrimStart('\uFEFF');
}
