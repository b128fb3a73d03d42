using Underlay.Core.Formats.Aiff;
using Underlay.Core.Formats.Bmp;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Formats.Dds;
using Underlay.Core.Formats.Flac;
using Underlay.Core.Formats.Gif;
using Underlay.Core.Formats.Jpeg;
using Underlay.Core.Formats.Json;
using Underlay.Core.Formats.Mp3;
using Underlay.Core.Formats.Ogg;
using Underlay.Core.Formats.Png;
using Underlay.Core.Formats.Tga;
using Underlay.Core.Formats.Toml;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Formats.WebP;
using Underlay.Core.Formats.Xml;
using Underlay.Core.Packs;

namespace Underlay.Core.Formats;

/// <summary>Every file format there is. A new one is a folder of its own and a line here.</summary>
public static class FileFormats
{
    /// <summary>PNG, the format in which pictures are shown and kept where nothing says otherwise.</summary>
    public static PngFormat Png { get; } = new();

    /// <summary>JSON.</summary>
    public static JsonFormat Json { get; } = new();

    /// <summary>CSV.</summary>
    public static CsvFormat Csv { get; } = new();

    /// <summary>XML.</summary>
    public static XmlFormat Xml { get; } = new();

    /// <summary>WAV, the format in which sounds are kept.</summary>
    public static WavFormat Wav { get; } = new();

    /// <summary>Opus in Ogg.</summary>
    public static OggFormat Opus { get; } = new();

    /// <summary>All, in the order in which bytes are held against them: those without a signature after those with one.</summary>
    public static IReadOnlyList<FileFormat> All { get; } =
    [
        Png, new DdsFormat(), new BmpFormat(), new TgaFormat(), new WebPFormat(), new JpegFormat(), new GifFormat(),
        Wav, Opus, new FlacFormat(), new AiffFormat(), new Mp3Format(),
        Json, Csv, new TomlFormat(), Xml,
    ];

    /// <summary>Those of pictures.</summary>
    public static IReadOnlyList<PictureFormat> Pictures { get; } = [.. All.OfType<PictureFormat>()];

    /// <summary>The format that a file begins as: a picture's or a sound's; null where it is none of those.</summary>
    public static FileFormat? OfHead(ReadOnlySpan<byte> head)
    {
        foreach (var format in All)
            if (format.Begins(head)) return format;
        return null;
    }

    /// <summary>The format that a path's ending stands for, in either case; null for an ending that is none's.</summary>
    public static FileFormat? OfPath(PackPath path) =>
        All.FirstOrDefault(f => f.Endings.Any(e => path.Value.EndsWith(e, StringComparison.OrdinalIgnoreCase)));

    /// <summary>The format in which a pack keeps pictures at a path; null where the ending is none of a pack's pictures.</summary>
    public static PackPictureFormat? PictureAt(PackPath path) => OfPath(path) as PackPictureFormat;

    /// <summary>True where a pack keeps a picture at a path.</summary>
    public static bool IsPicture(PackPath path) => PictureAt(path) is not null;
}
