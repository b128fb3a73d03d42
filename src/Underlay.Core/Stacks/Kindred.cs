using Underlay.Core.Formats.Json;
namespace Underlay.Core.Stacks;

/// <summary>Finds the base's entries that are most like one of the pack's.</summary>
public static class Kindred
{
    /// <summary>
    /// Entries of the same place: first the one that fields are taken over from, then those with most fields alike, then by name.
    /// </summary>
    public static IReadOnlyList<Placement> Of(Overlay overlay, Placement entry)
    {
        var line = overlay.Links.Line(entry).Skip(1).Where(p => p.Layer.IsBase).Select(p => p.Path).ToList();
        var words = entry.Bindings.Key.Split('=', '_');
        return
        [
            .. overlay.Base.In(entry.Place)
                .Where(f => f.Path != entry.Path)
                .Select(f => overlay.OfBase(f.Path))
                .OfType<Placement>()
                .OrderByDescending(p => line.Contains(p.Path))
                .ThenByDescending(p => Alike(overlay, entry, p))
                .ThenByDescending(p => p.Bindings.Key.Split('=', '_').Count(words.Contains))
                .ThenBy(p => p.Path),
        ];
    }

    /// <summary>How many fields of the roots have the same value, own or taken over.</summary>
    private static int Alike(Overlay overlay, Placement one, Placement other) =>
        one.Facts.Entry is not { Text.Root.ValueKind: System.Text.Json.JsonValueKind.Object } entry
            ? 0
            : entry.Text.Root
                .EnumerateObject()
                .Count(
                    f =>
                        overlay.Links.Value(other, $"/{JsonText.Escape(f.Name)}") is { } value
                            && System.Text.Json.JsonElement.DeepEquals(value, f.Value));
}
