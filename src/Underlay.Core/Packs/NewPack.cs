using System.Text;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;

namespace Underlay.Core.Packs;

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

    /// <summary>The manifest of a new pack, from the profile's template.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="title">The title for people.</param>
    /// <param name="edition">The edition that it is for.</param>
    /// <param name="prefix">The author's own leading name.</param>
    public static TreeEdit.Write Manifest(HostProfile profile, string title, Edition edition, string prefix) =>
        new(profile.Manifest.Path, Template.Render(profile, profile.Manifest.Template, new Dictionary<string, object?>
        {
            ["uuid"] = NameUuid.Of($"{profile.Key}/{prefix}/{title}"),
            ["prefix"] = prefix,
            ["name"] = NameOf(title),
            ["title"] = title,
            ["edition"] = edition.Key,
            ["front"] = null,
        }));
}
