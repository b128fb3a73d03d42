using System.Text;
using System.Text.Json;
using Underlay.Core.Formats.Json;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>Takes entries of the base into a file of the pack that lists many, behind its own.</summary>
/// <param name="Path">The file.</param>
/// <param name="List">Pointer to the list.</param>
/// <param name="IdField">The field with an entry's id.</param>
/// <param name="Ids">Those to take in.</param>
public sealed record TakeInEntries(PackPath Path, string List, string IdField, IReadOnlyList<string> Ids)
    : Fix($"Take in {Ids.Count} of the base", LosesNothing: false, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Path)?.ReadAll() is not { } bytes || JsonText.Parse(bytes) is not { Problem: null } mine) return [];
        if (context.Overlay?.Base.Read(Path) is not { } below || JsonText.Parse(below) is not { Problem: null } own) return [];
        var there = mine.FindAll($"{List}/*").Select(e => IdOf(e.Value)).ToHashSet();
        foreach (var (_, entry) in own.FindAll($"{List}/*").Where(e => IdOf(e.Value) is { } id && Ids.Contains(id) && !there.Contains(id)))
            mine = JsonText.Parse(JsonEdit.Insert(mine, $"{List}/-", Encoding.UTF8.GetBytes(entry.GetRawText())));
        return [new TreeEdit.Write(Path, mine.Utf8.ToArray())];
    }

    private string? IdOf(JsonElement entry) => FlatFile.IdOf(entry, IdField);
}
