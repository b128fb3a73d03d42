using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Placements;

/// <summary>Tells a file that cannot be what a path asks for: a sound under a picture's name, a picture as an entry.</summary>
public static class ContentClash
{
    /// <summary>The clash as a sentence that begins with "it", or null.</summary>
    public static string? Find(HostProfile profile, Edition edition, TreeFile file, PackPath to)
    {
        var head = file.ReadStart(FileFormat.HeadBytes);
        var begins = FileFormats.OfHead(head);
        var place = profile.Locate(to, edition)?.Place;
        var wanted = place is null ? FileFormats.PictureAt(to) : place.Format;
        return wanted switch
        {
            PictureFormat when begins is not PictureFormat =>
                $"it is {begins?.One ?? (IsText(head) ? "a text" : "no picture")}, and {to} is {place?.One ?? "a picture"}.",
            SoundFormat when begins is not SoundFormat =>
                $"it is {(begins is PictureFormat ? "a picture" : IsText(head) ? "a text" : "no sound")}, "
                    + $"and {to} is {place?.One ?? "a sound"}.",
            TextFormat when begins is not null =>
                $"it is {(begins is PictureFormat ? "a picture" : begins.One)}, and {to} is {place!.One}.",
            _ => null,
        };
    }

    private static bool IsText(ReadOnlySpan<byte> head) => head.Length > 0 && head.IndexOfAnyInRange((byte)0, (byte)8) < 0;
}
