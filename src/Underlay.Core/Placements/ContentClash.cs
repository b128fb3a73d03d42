using Underlay.Core.Hosts;
using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.Placements;

/// <summary>Tells a file that cannot be what a path asks for: a sound under a picture's name, a picture as an entry.</summary>
public static class ContentClash
{
    private const int HeadBytes = 64;

    private static readonly (string Name, Func<ReadOnlySpan<byte>, bool> Begins)[] Sounds =
    [
        ("a WAV sound", b => b.Length >= 12 && b.StartsWith("RIFF"u8) && b[8..].StartsWith("WAVE"u8)),
        ("an Ogg sound", b => b.StartsWith("OggS"u8)),
        ("a FLAC sound", b => b.StartsWith("fLaC"u8)),
        ("an AIFF sound", b => b.Length >= 12 && b.StartsWith("FORM"u8) && b[8..].StartsWith("AIF"u8)),
        ("an MP3 sound", b => b.StartsWith("ID3"u8) || (b.Length > 2 && b[0] == 0xFF && (b[1] & 0xE6) == 0xE2)),
    ];

    /// <summary>The clash as a sentence that begins with "it", or null.</summary>
    public static string? Find(HostProfile profile, Edition edition, TreeFile file, PackPath to)
    {
        var head = file.ReadStart(HeadBytes);
        var isPicture = SourceReader.FormatOf(head) is not null || PngReader.IsPng(head);
        var sound = SoundOf(head);
        var place = profile.Locate(to, edition)?.Place;
        var wanted = place?.Content ?? (Path.GetExtension(to.FileName) is ".png" or ".dds" ? PlaceContent.Picture : null);
        return wanted switch
        {
            PlaceContent.Picture when !isPicture =>
                $"it is {sound ?? (IsText(head) ? "a text" : "no picture")}, and {to} is {place?.One ?? "a picture"}.",
            PlaceContent.Entry or PlaceContent.Table or PlaceContent.Index when isPicture || sound is not null =>
                $"it is {sound ?? "a picture"}, and {to} is {place!.One}.",
            _ => null,
        };
    }

    /// <summary>What kind of sound a file begins as, with its article; null for none that is known.</summary>
    public static string? SoundOf(ReadOnlySpan<byte> head)
    {
        foreach (var (name, begins) in Sounds)
            if (begins(head)) return name;
        return null;
    }

    private static bool IsText(ReadOnlySpan<byte> head) => head.Length > 0 && head.IndexOfAnyInRange((byte)0, (byte)8) < 0;
}
