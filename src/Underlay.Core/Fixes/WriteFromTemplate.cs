using System.Text.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Images;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>
/// Writes the entry that a picture needs, from its place's template, the picture's alpha and the nearest entry of the base.
/// </summary>
/// <param name="Path">The entry's path.</param>
/// <param name="TemplateName">The template.</param>
/// <param name="For">The file that needs the entry.</param>
public sealed record WriteFromTemplate(
    PackPath Path,
    string TemplateName,
    PackPath For) : Fix($"Write {Path.FileName}", LosesNothing: true, LeavesNoChoice: true)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Path) is not null || context.Overlay is not { } overlay) return [];
        var model = new Dictionary<string, object?>
        {
            ["alpha"] = overlay.Shown(For)?.Facts.Picture?.Pixels?.Alpha switch
            {
                AlphaUse.Cut => "cut",
                AlphaUse.Soft => "soft",
                _ => "solid",
            },
            ["sibling"] = FindSibling(overlay),
        };
        return [new TreeEdit.Write(Path, Template.Render(context.Profile, TemplateName, model))];
    }

    /// <summary>The fields of the base's entry whose name shares most words with this one's.</summary>
    private Dictionary<string, object?>? FindSibling(Overlay overlay)
    {
        if (overlay.Profile.Locate(Path, overlay.Pack.Edition) is not { } found) return null;
        var words = found.Bindings.Key.Split('=', '_');
        var sibling = overlay.Base.In(found.Place)
            .OrderByDescending(f => f.Bindings.Key.Split('=', '_').Count(words.Contains))
            .ThenBy(f => f.Path)
            .FirstOrDefault();
        return sibling?.Facts.Entry?.Text.Root.EnumerateObject().ToDictionary(p => p.Name, p => (object?)ValueOf(p.Value));
    }

    private static object? ValueOf(JsonElement value) => value.ValueKind switch
    {
        JsonValueKind.String => value.GetString(),
        JsonValueKind.Number => value.GetDecimal(),
        _ => value.GetRawText(),
    };
}
