using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>Writes a manifest from the host's template, with what the pack's own files and name tell.</summary>
/// <param name="Path">The manifest's path.</param>
public sealed record WriteManifest(PackPath Path) : Fix($"Write {Path}", LosesNothing: true, LeavesNoChoice: true)
{
    /// <summary>What stands for the author's name and prefix until they are known.</summary>
    public const string NoAuthor = "author";

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Path) is not null) return [];
        var name = NewPack.NameOf(context.PackName);
        var prefix = FindPrefix(context) ?? context.Author.Prefix ?? NoAuthor;
        var model = new Dictionary<string, object?>
        {
            ["uuid"] = UniqueId.Make(),
            ["author"] = context.Author.Name ?? prefix,
            ["prefix"] = prefix,
            ["name"] = name,
            ["title"] = TitleOf(name),
            ["edition"] = context.Edition.Key,
        };
        foreach (var place in context.Profile.Places.Where(p => p.ManifestField is not null))
            model[place.Key] = tree.Find(ManifestNaming.UsualPath(place))?.Path.Value;
        return [new TreeEdit.Write(Path, Template.Render(context.Profile, context.Profile.Manifest.Template, model))];
    }

    /// <summary>The prefix that most ids of the pack carry, the base's own left aside.</summary>
    private static string? FindPrefix(FixContext context) =>
        context.Overlay?.Pack.Placements
            .Select(p => PrefixOf(p, context.Profile))
            .OfType<string>()
            .GroupBy(p => p, StringComparer.Ordinal)
            .OrderByDescending(g => g.Count())
            .ThenBy(g => g.Key, StringComparer.Ordinal)
            .FirstOrDefault()?.Key;

    private static string? PrefixOf(Placement placement, HostProfile profile)
    {
        var id = placement.Field("/id");
        var dot = id?.IndexOf('.', StringComparison.Ordinal) ?? -1;
        return dot > 0 && id![..dot] != profile.BasePrefix ? id[..dot] : null;
    }

    private static string TitleOf(string name)
    {
        var words = name.Replace('_', ' ');
        return char.ToUpperInvariant(words[0]) + words[1..];
    }
}
