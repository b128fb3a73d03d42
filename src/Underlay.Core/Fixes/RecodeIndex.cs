using System.Text;
using System.Text.RegularExpressions;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Gives a code of an index the value that it has in this edition, wherever it stands; all else stays as the author wrote it.</summary>
/// <param name="Path">The index.</param>
/// <param name="Element">The element that has the code.</param>
/// <param name="Attribute">Its attribute.</param>
/// <param name="Old">The code as it is.</param>
/// <param name="New">The code that it is to be.</param>
public sealed record RecodeIndex(PackPath Path, string Element, string Attribute, string Old, string New) : Fix($"Change {Old} to {New}", LosesNothing: false, LeavesNoChoice: true)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Path) is not { } file) return [];
        var text = Encoding.UTF8.GetString(file.ReadAll());
        var code = new Regex($"(<{Regex.Escape(Element)}\\b[^<>]*?\\s{Regex.Escape(Attribute)}\\s*=\\s*)([\"']){Regex.Escape(Old)}\\2", RegexOptions.CultureInvariant, TimeSpan.FromSeconds(1));
        var changed = code.Replace(text, match => $"{match.Groups[1].Value}{match.Groups[2].Value}{New}{match.Groups[2].Value}");
        return changed == text ? [] : [new TreeEdit.Write(Path, Encoding.UTF8.GetBytes(changed))];
    }
}
