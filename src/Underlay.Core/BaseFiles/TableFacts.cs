using System.Globalization;
using System.Text;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Hosts;

namespace Underlay.Core.BaseFiles;

/// <summary>What a row of a table does to the table below.</summary>
public enum RowDeed
{
    /// <summary>It is part of a table that replaces the one below.</summary>
    Stand,

    /// <summary>A new row.</summary>
    Add,

    /// <summary>Another row for a key that is there.</summary>
    Change,

    /// <summary>The row of that key goes.</summary>
    Remove,
}

/// <summary>One row.</summary>
/// <param name="Key">The value in the key column.</param>
/// <param name="Deed">What it does.</param>
/// <param name="Values">All values in the order of the columns.</param>
/// <param name="Line">From 1.</param>
public sealed record TableRow(string Key, RowDeed Deed, IReadOnlyList<string> Values, int Line);

/// <summary>A table as the host reads it.</summary>
/// <remarks>RFC 4180; UTF-8 without a mark; a header row.</remarks>
/// <param name="Problem">Why it cannot be read; null when it can.</param>
/// <param name="Faults">What the host does not accept.</param>
/// <param name="Replaces">True when the file replaces the whole table below.</param>
/// <param name="Columns">The header.</param>
/// <param name="Rows">In order.</param>
public sealed record TableFacts(
    TextProblem? Problem,
    IReadOnlyList<EntryFault> Faults,
    bool Replaces,
    IReadOnlyList<string> Columns,
    IReadOnlyList<TableRow> Rows)
    : ContentFacts
{
    /// <inheritdoc/>
    public override TextProblem? Unreadable => Problem;

    /// <inheritdoc/>
    public override IReadOnlyList<EntryFault> Faults { get; } = Faults;

    /// <summary>Reads a table.</summary>
    public static TableFacts Of(byte[] bytes, TableShape shape)
    {
        if (TextLimit.FindProblem(bytes.Length) is { } tooLong) return CannotRead(new TextProblem(null, tooLong));
        if (bytes.AsSpan().StartsWith("\uFEFF"u8)) return CannotRead(new TextProblem(null, "it begins with a byte order mark"));
        if (!System.Text.Unicode.Utf8.IsValid(bytes)) return CannotRead(new TextProblem(null, "it is not UTF-8"));
        if (CsvText.Read(Encoding.UTF8.GetString(bytes), ',', out var stuck) is not { } csv)
            return CannotRead(new TextProblem(stuck, "its quotes do not match"));
        return csv.Rows.Count == 0 ? Reject(shape.Key, "there is no header row") : Judge(csv, shape);
    }

    /// <summary>A table that cannot be read.</summary>
    internal static TableFacts CannotRead(TextProblem problem) => new(problem, [], false, [], []);

    /// <summary>The table's keys over a table below.</summary>
    public IReadOnlySet<string> KeysOver(IEnumerable<string> below)
    {
        var keys = Replaces ? [] : below.ToHashSet(StringComparer.Ordinal);
        foreach (var row in Rows)
        {
            if (row.Deed == RowDeed.Remove) keys.Remove(row.Key);
            else keys.Add(row.Key);
        }

        return keys;
    }

    /// <summary>The values of a row by column, key and deed left aside; what two rows that say the same have alike.</summary>
    public IReadOnlyDictionary<string, string> ValuesOf(TableRow row, TableShape shape) =>
        new RowValues(Columns, row.Values, shape.Key, shape.Merge);

    private static TableFacts Judge(CsvText csv, TableShape shape)
    {
        var header = csv.Header.ToArray();
        if (header.Distinct(StringComparer.Ordinal).Count() < header.Length)
            return Reject(shape.Key, "a column stands twice in the header row");
        var key = Array.IndexOf(header, shape.Key);
        if (key < 0) return Reject(shape.Key, $"the column “{shape.Key}” is missing");
        if (shape.Columns.FirstOrDefault(c => !header.Contains(c.Name)) is { } lacking)
            return Reject(lacking.Name, $"the column “{lacking.Name}” is missing");
        var held = shape.Columns
            .Where(c => c.Holds != ColumnHolds.Text)
            .Select(c => (c.Name, c.Holds, At: Array.IndexOf(header, c.Name)))
            .ToList();
        var merge = shape.Merge is { } column ? Array.IndexOf(header, column) : -1;
        var faults = new List<EntryFault>();
        var rows = new List<TableRow>();
        foreach (var row in csv.Rows.Skip(1))
        {
            var (fields, line) = (row.Fields, row.Line);
            if (fields.Count != header.Length)
                faults.Add(Fault(line, $"line {line} has {fields.Count} values, the header {header.Length}"));
            else if (fields[key].Length == 0) faults.Add(Fault(line, $"line {line} has no {shape.Key}"));
            else if (held.Find(c => !IsHeld(fields[c.At], c.Holds)) is { Name: { } wrong } found)
                faults.Add(
                    Fault(
                        line,
                        $"“{wrong}” is “{fields[found.At]}” in line {line}; wanted is "
                            + (found.Holds == ColumnHolds.Whole ? "a whole number from 0, or nothing" : "a number, or nothing")));
            else if ((merge >= 0 ? DeedOf(fields[merge]) : shape.RowsAdd ? RowDeed.Add : RowDeed.Stand) is { } deed)
                rows.Add(new TableRow(fields[key], deed, fields, line));
            else faults.Add(Fault(line, $"“{shape.Merge}” is “{fields[merge]}” in line {line}; wanted is add, change or remove"));
        }

        return new TableFacts(null, faults, merge < 0 && !shape.RowsAdd, header, rows);
    }

    private static bool IsHeld(string value, ColumnHolds holds) =>
        value.Length == 0
        || (holds == ColumnHolds.Whole
            ? int.TryParse(value, NumberStyles.None, CultureInfo.InvariantCulture, out _)
            : double.TryParse(
                value,
                NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
                CultureInfo.InvariantCulture,
                out _));

    private static RowDeed? DeedOf(string word) => word switch
    {
        "add" => RowDeed.Add,
        "change" => RowDeed.Change,
        "remove" => RowDeed.Remove,
        _ => null,
    };

    private static EntryFault Fault(int line, string says) => new("", $"line {line}", says, new TextPosition(line, 1));

    private static TableFacts Reject(string field, string says) =>
        new(null, [new EntryFault("", field, says, new TextPosition(1, 1))], false, [], []);
}
