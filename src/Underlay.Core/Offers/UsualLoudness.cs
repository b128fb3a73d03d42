using Underlay.Core.Formats;
using Underlay.Core.Stacks;

namespace Underlay.Core.Offers;

/// <summary>How loud the base's sounds are, so that new ones do not stand out among them.</summary>
public static class UsualLoudness
{
    /// <summary>The loudness of the base's sound of a name, else the middle of those in its folder, LUFS; null without any.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="name">A path without ending.</param>
    public static double? For(Overlay overlay, string name)
    {
        var folder = name[..(name.LastIndexOf('/') + 1)];
        var beside = overlay.Profile.Places
            .Where(p => p.Format is PackSoundFormat)
            .SelectMany(overlay.Base.In)
            .Where(f => f.Path.Value.StartsWith(folder, StringComparison.Ordinal))
            .Select(f => (Name: f.Path.Value[..f.Path.Value.LastIndexOf('.')], f.Facts.Sound?.Measure?.Loudness))
            .Where(f => f.Loudness is not null)
            .ToList();
        var own = beside.Find(f => f.Name == name).Loudness;
        var sorted = beside.Select(f => f.Loudness!.Value).Order().ToList();
        return own ?? (sorted.Count == 0 ? null : sorted[sorted.Count / 2]);
    }
}
