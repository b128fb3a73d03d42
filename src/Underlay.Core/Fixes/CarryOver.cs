using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>
/// Carries a file that was made of another edition's to this one: what the base changed since and the author did not comes in, what
/// the author changed stays.
/// </summary>
/// <param name="Path">The file.</param>
/// <param name="To">The edition.</param>
public sealed record CarryOver(PackPath Path, Edition To)
    : Fix($"Take in what {To.Title} changed", LosesNothing: false, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (context.Overlay is not { } overlay || tree.Find(Path) is not { } file || overlay.OfPack(Path) is not { } mine) return [];
        if (mine.Facts.Hash != file.Hash || OldCopy.Of(overlay, mine) is not { } copy) return [];
        var bytes = mine.Place.Table is { } shape
            ? InTable(file.ReadAll(), shape, copy)
            : InEntry(
                JsonText.Parse(file.ReadAll()),
                JsonText.Parse(overlay.Base.Read(Path)!),
                overlay.Profile.FindItems(mine.Place),
                copy);
        return bytes is null ? [] : [new TreeEdit.Write(Path, bytes)];
    }

    private static byte[] InEntry(JsonText mine, JsonText now, string? items, OldCopy copy)
    {
        var (list, id) = items is null ? ("", "") : FlatFile.SplitList(items);
        foreach (var (at, value) in copy.Since)
        {
            if (at.Item is not null && copy.New.Contains(at.Item)) continue;
            var around = at.Item is null ? "" : mine.FindAll($"{list}/*").First(e => FlatFile.IdOf(e.Value, id) == at.Item).Pointer;
            mine = JsonText.Parse(JsonEdit.Set(mine, around + at.Field, Encoding.UTF8.GetBytes(value)));
        }

        foreach (var (_, entry) in now.FindAll($"{list}/*"))
            if (items is not null && FlatFile.IdOf(entry, id) is { } name && copy.New.Contains(name))
                mine = JsonText.Parse(JsonEdit.Insert(mine, $"{list}/-", Encoding.UTF8.GetBytes(entry.GetRawText())));
        return mine.Utf8.ToArray();
    }

    private static byte[]? InTable(byte[] bytes, TableShape shape, OldCopy copy)
    {
        foreach (var column in copy.Since.Keys.Where(at => !copy.New.Contains(at.Item!)).Select(at => at.Field).Distinct())
        {
            if (CsvText.Read(Encoding.UTF8.GetString(bytes)) is not { } csv) return null;
            if (!csv.Header.Contains(column)) csv = CsvText.Read(Encoding.UTF8.GetString(CsvEdit.AddColumn(csv, column)))!;
            string Changed(CsvRow row, string was) =>
                csv.Value(row, shape.Key) is { } key && copy.Since.TryGetValue(new ValuePlace(key, column), out var value) ? value : was;
            bytes = CsvEdit.SetColumn(csv, column, Changed);
        }

        foreach (var key in copy.New)
        {
            if (CsvText.Read(Encoding.UTF8.GetString(bytes)) is not { } csv) return null;
            string Value(string column) => column == shape.Key ? key : copy.Since.GetValueOrDefault(new ValuePlace(key, column), "");
            bytes = CsvEdit.Append(csv, csv.Header.Select(Value));
        }

        return bytes;
    }
}
