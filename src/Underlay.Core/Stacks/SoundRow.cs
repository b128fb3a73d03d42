using System.Globalization;
using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>What the table beside a sound says of it.</summary>
/// <param name="Table">The table's path.</param>
/// <param name="Name">The key of the row.</param>
/// <param name="Row">The row; null where there is none.</param>
/// <param name="LoopFrom">The loop's first frame; null for none.</param>
/// <param name="LoopTo">The frame behind its last; null for none.</param>
public sealed record SoundRow(PackPath Table, string Name, StackRow? Row, int? LoopFrom, int? LoopTo)
{
    /// <summary>True where the sound is played in a loop.</summary>
    public bool Loops => LoopFrom is not null || LoopTo is not null;

    /// <summary>True where the loop lies in a sound of so many frames; also where there is none.</summary>
    public bool FitsInto(int frames) => !Loops || (LoopFrom is { } from && LoopTo is { } to && from < to && to <= frames);

    /// <summary>What the stack's table says of a sound.</summary>
    public static SoundRow Of(Overlay overlay, SoundRowRule rule, Placement sound)
    {
        var path = overlay.Profile.Place(rule.Table).Pattern!.Fill(sound.Bindings)!.Value;
        var name = sound.Bindings.Find(rule.Placeholder)!;
        var row = StackRows.FindIn(overlay.ShownOfPack(path), overlay.OfBase(path), name);
        return new SoundRow(path, name, row, Frame(row, rule.LoopFrom), Frame(row, rule.LoopTo));
    }

    /// <summary>A table with other values in a row; null where it cannot be read.</summary>
    /// <param name="table">The pack's table; null where it has none.</param>
    /// <param name="shape">Its columns.</param>
    /// <param name="name">The key of the row.</param>
    /// <param name="values">Values by column.</param>
    /// <param name="below">The base's table: what its row says and is not named here goes into a new one.</param>
    internal static byte[]? Written(
        byte[]? table,
        TableShape shape,
        string name,
        IReadOnlyDictionary<string, string> values,
        byte[]? below)
    {
        var header = string.Join(',', shape.Columns.Select(c => c.Name).Prepend(shape.Key)) + "\n";
        if (CsvText.Read(table is null ? header : Encoding.UTF8.GetString(table)) is not { } csv || !csv.Header.Contains(shape.Key))
            return null;
        if (!csv.Rows.Skip(1).Any(r => csv.Value(r, shape.Key) == name))
        {
            var under = below is null ? null : CsvText.Read(Encoding.UTF8.GetString(below));
            var old = under?.Rows.Skip(1).LastOrDefault(r => under.Value(r, shape.Key) == name);
            string Value(string column) =>
                column == shape.Key ? name : values.GetValueOrDefault(column) ?? (old is null ? "" : under!.Value(old, column) ?? "");
            return CsvEdit.Append(csv, csv.Header.Select(Value));
        }

        foreach (var (column, value) in values)
            csv = CsvText.Read(
                Encoding.UTF8.GetString(CsvEdit.SetColumn(csv, column, (row, old) => csv.Value(row, shape.Key) == name ? value : old)))!;
        return CsvEdit.SetColumn(csv, shape.Key, (_, old) => old);
    }

    private static int? Frame(StackRow? row, string column) =>
        int.TryParse(row?.Values.GetValueOrDefault(column), NumberStyles.None, CultureInfo.InvariantCulture, out var frame) ? frame : null;
}
