using System.Globalization;
using System.Text;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Manifests;

/// <summary>Begins a pack: derives what can be derived from its title, and writes its manifest.</summary>
public static class NewPack
{
    /// <summary>The name in a pack's id, from its title: letters a to z, digits and "_" for the rest.</summary>
    public static string NameOf(string title)
    {
        var plain = title.Normalize(NormalizationForm.FormD).ToLowerInvariant().Where(c => char.IsAscii(c) || char.IsLetter(c));
        var letters = plain.Select(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c) ? c : '_');
        var name = string.Join('_', new string([.. letters]).Split('_', StringSplitOptions.RemoveEmptyEntries));
        return name.Length == 0 ? "pack" : name;
    }

    /// <summary>The name, or the first of it with a number that is not taken: "tide_wares_2".</summary>
    public static string FreeName(string name, IReadOnlySet<string> taken)
    {
        var free = name;
        for (var number = 2; taken.Contains(free); number++) free = string.Create(CultureInfo.InvariantCulture, $"{name}_{number}");
        return free;
    }

    /// <summary>The manifest of a new pack, from the profile's template.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="title">The title for people.</param>
    /// <param name="edition">The edition that it is for.</param>
    /// <param name="author">The author's name for people.</param>
    /// <param name="prefix">The author's own leading name.</param>
    /// <param name="name">What tells the pack from others of the author; of the title where none has that.</param>
    public static TreeEdit.Write Manifest(HostProfile profile, string title, Edition edition, string author, string prefix, string name) =>
        new(profile.Manifest.Path, Template.Render(profile, profile.Manifest.Template, new Dictionary<string, object?>
        {
            ["uuid"] = UniqueId.Make(),
            ["author"] = author,
            ["prefix"] = prefix,
            ["name"] = name,
            ["title"] = title,
            ["edition"] = edition.Key,
        }));
}
