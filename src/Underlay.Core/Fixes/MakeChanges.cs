using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>
/// Turns a table that replaces the base's into one that changes it: rows that the base has alike go, others say whether they
/// add or change. The base's rows that it leaves out come back.
/// </summary>
/// <param name="Table">The table's path.</param>
/// <param name="Shape">Its columns, the one that says what a row does among them.</param>
public sealed record MakeChanges(
    PackPath Table,
    TableShape Shape) : Fix($"Make {Table.FileName} a table of changes", LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (Shape.Merge is not { } merge
            || tree.Find(Table) is not { } file
            || context.Overlay?.Base.Find(Table)?.Facts.Table is not { } ofBase)
            return [];
        if (CsvText.Read(Encoding.UTF8.GetString(file.ReadAll())) is not { } csv
            || TableFacts.Of(file.ReadAll(), Shape) is not { Problem: null, Replaces: true, Faults.Count: 0 } mine)
            return [];
        var under = ofBase.Rows
            .GroupBy(r => r.Key, StringComparer.Ordinal)
            .ToDictionary(g => g.Key, g => ofBase.ValuesOf(g.Last(), Shape), StringComparer.Ordinal);
        var key = csv.Header.ToList().IndexOf(Shape.Key);
        string[] WithDeed(IEnumerable<string> fields, string deed) => [.. fields.Take(key + 1), deed, .. fields.Skip(key + 1)];
        var records = new List<string> { csv.Format(WithDeed(csv.Header, merge)) };
        foreach (var row in mine.Rows)
        {
            if (!under.TryGetValue(row.Key, out var values)) records.Add(csv.Format(WithDeed(row.Values, "add")));
            else if (mine.ValuesOf(row, Shape).Any(v => values.GetValueOrDefault(v.Key) != v.Value))
                records.Add(csv.Format(WithDeed(row.Values, "change")));
        }

        return [new TreeEdit.Write(Table, csv.Write(records))];
    }
}
