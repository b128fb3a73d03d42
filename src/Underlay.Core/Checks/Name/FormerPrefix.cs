using System.Runtime.CompilerServices;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>
/// The prefix that a pack had before its manifest got another id: ids of its entries still begin with it. A name that begins with it
/// wants the new one in its place, and not before it.
/// </summary>
internal static class FormerPrefix
{
    private static readonly ConditionalWeakTable<Overlay, IReadOnlySet<string>> Known = [];

    /// <summary>The name under the pack's prefix.</summary>
    public static string Renamed(Overlay overlay, string prefix, string name)
    {
        // Whoever is handed what is known already has asked for all the same.
        foreach (var place in overlay.Profile.Places.Where(p => p.Id is not null)) ReadSet.NotePlace(place.Key);
        var former = Known.GetValue(overlay, Of);
        var bare = name.IndexOf('_', StringComparison.Ordinal) is > 0 and var at && at + 1 < name.Length && former.Contains(name[..at])
            ? name[(at + 1)..]
            : name;
        return $"{prefix}_{bare}";
    }

    /// <summary>What leads ids of the pack, but for its prefix and what leads ids of the base.</summary>
    private static HashSet<string> Of(Overlay overlay)
    {
        var heads = new HashSet<string>(StringComparer.Ordinal);
        foreach (var place in overlay.Profile.Places)
        {
            if (place.Id is not { } pointer || !place.RulesOf<PrefixRule>(overlay.Edition).Any()) continue;
            var ofBase = overlay.Base.In(place).Select(f => Id.HeadOf(f.Facts.Entry?.Text.FindString(pointer) ?? "")).ToHashSet();
            heads.UnionWith(overlay.Pack.In(place).Select(p => Id.HeadOf(p.Field(pointer) ?? "")).Where(h => !ofBase.Contains(h)));
        }

        heads.Remove("");
        if (overlay.Pack.Manifest.Prefix is { } own) heads.Remove(own);
        return heads;
    }
}
