using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>Writes a text of a new entry into the table in which the pack has others of its kind, or the usual one.</summary>
internal static class NewText
{
    /// <summary>Adds a row, unless the key has one.</summary>
    /// <param name="draft">The plan.</param>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="owner">The place of the entry.</param>
    /// <param name="rule">Why the text is wanted.</param>
    /// <param name="key">Its key.</param>
    /// <param name="values">What it says, by column.</param>
    /// <param name="says">What is told of it, behind the key and the text.</param>
    public static void Add(
        PlanDraft draft,
        Overlay overlay,
        Place owner,
        TextsRule rule,
        string key,
        Func<string, string> values,
        string says)
    {
        var texts = overlay.Profile.Place(rule.Place);
        if (overlay.Rows.Find(texts, key) is not null || !PackPath.TryParse(rule.File, out var usual, out _)) return;
        var table = Mentions.TextTables(overlay, owner).Select(t => t.Path).Append(usual).First();
        var header = string.Join(',', texts.Table!.Columns.Select(c => c.Name).Prepend(texts.Table.Key)) + "\n";
        if (CsvText.Read(draft.Tree.Find(table) is { } file ? Encoding.UTF8.GetString(file.ReadAll()) : header) is not { } csv) return;
        // What was written just before is not in the stack yet.
        if (csv.Rows.Skip(1).Any(r => csv.Value(r, texts.Table.Key) == key)) return;
        var fields = csv.Header.Select(c => c == texts.Table.Key ? key : values(c));
        draft.Add(table, $"{key}: “{values(rule.Column)}”, {says}", new TreeEdit.Write(table, CsvEdit.Append(csv, fields)));
    }
}
