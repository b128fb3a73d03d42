using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Hosts;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>Writes a text into a table of the pack; a table that is not there yet is begun.</summary>
/// <param name="Table">The table's path.</param>
/// <param name="Shape">Its columns.</param>
/// <param name="Key">The key of the text.</param>
/// <param name="Column">The column of the language.</param>
/// <param name="Text">What it says.</param>
public sealed record WriteText(PackPath Table, TableShape Shape, string Key, string Column, string Text)
    : Fix($"Write “{Text}”", LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <summary>The text that an entry's name gives; where more is wanted than a name, it holds the place of that.</summary>
    internal static Fix? For(Overlay overlay, WantedText wanted, Place texts, StackRow? emptied)
    {
        var name = Spoken(Id.NameIn(wanted.Id), overlay.Pack.Manifest.Prefix);
        var text = wanted.Word == wanted.Rule.Keys[0] ? name : $"{name}.";
        if (emptied is not null) return new SetTableValue(emptied.From.Path, texts.Table!.Key, wanted.Key, wanted.Rule.Column, text);
        return PackPath.TryParse(wanted.Rule.File, out var path, out _)
            ? new WriteText(path, texts.Table!, wanted.Key, wanted.Rule.Column, text)
            : null;
    }

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        var header = string.Join(',', Shape.Columns.Select(c => c.Name).Prepend(Shape.Key)) + "\n";
        var csv = CsvText.Read(tree.Find(Table) is { } file ? Encoding.UTF8.GetString(file.ReadAll()) : header);
        // A file that cannot be read as a table is left to the author.
        return csv is not null && csv.Header.Contains(Shape.Key)
            ? [new TreeEdit.Write(Table, CsvEdit.Append(csv, csv.Header.Select(c => c == Shape.Key ? Key : c == Column ? Text : "")))]
            : [];
    }

    /// <summary>"Kelp jug" of "saltbrook_kelp_jug".</summary>
    private static string Spoken(string name, string? prefix)
    {
        var bare = prefix is not null && name.StartsWith(prefix + "_", StringComparison.Ordinal) ? name[(prefix.Length + 1)..] : name;
        var words = bare.Replace('_', ' ').Trim();
        return words.Length == 0 ? name : char.ToUpperInvariant(words[0]) + words[1..];
    }
}
