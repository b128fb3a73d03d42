using System.Text;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Images;
using Underlay.Core.Packs;
using Underlay.Core.Sounds;

namespace Underlay.Core.Placements;

/// <summary>What the bytes of a file are.</summary>
/// <param name="Is">What they can be read as; null where by nothing.</param>
/// <param name="Size">Of a picture.</param>
/// <param name="Format">Of a picture.</param>
/// <param name="Sound">The format of a sound.</param>
/// <param name="Conversion">What becomes of a picture when it is placed as a PNG; empty where nothing.</param>
/// <param name="Entry">A JSON text.</param>
/// <param name="Header">Of a table with commas, semicolons or tabs: its columns.</param>
internal sealed record TrayContent(
    PlaceContent? Is,
    PixelSize? Size = null,
    PictureFormat? Format = null,
    string Conversion = "",
    SoundFormat? Sound = null,
    JsonText? Entry = null,
    IReadOnlyList<string>? Header = null)
{
    private const int MostTextBytes = 1 << 20;
    private static readonly char[] Separators = [',', ';', '\t'];
    private static readonly TrayContent Unknown = new(Is: null);

    // A session of many sounds is like none of them, and takes long to decode. Bytes.
    private const int LongestHeard = 8 << 20;

    /// <summary>The format that the bytes begin as; null where it is none that is read.</summary>
    public FileFormat? Begins { get; private init; }

    private Lazy<SoundShape?> Shaped { get; init; } = new(() => null);

    /// <summary>What a sound is like, found once; null where that cannot be told.</summary>
    public SoundShape? Shape => Shaped.Value;

    private Lazy<RgbaPicture?> Decoded { get; init; } = new(() => null);

    /// <summary>The pixels of a picture, decoded once; null where they cannot be.</summary>
    public RgbaPicture? Picture => Decoded.Value;

    private Lazy<CsvText?> Rows { get; init; } = new(() => null);

    /// <summary>The values of a table in a column, each once; none where it has no such column or cannot be read.</summary>
    public IReadOnlyCollection<string> ValuesIn(string column) =>
        Rows.Value is { } csv ? csv.Rows.Skip(1).Select(r => csv.Value(r, column)).OfType<string>().ToHashSet(StringComparer.Ordinal) : [];

    /// <summary>Looks at a file.</summary>
    public static TrayContent Of(TreeFile file)
    {
        var begins = FileFormats.OfHead(file.ReadStart(FileFormat.HeadBytes));
        return Of(file, begins) with { Begins = begins };
    }

    private static TrayContent Of(TreeFile file, FileFormat? begins)
    {
        if (begins is PictureFormat format && file.ReadAll() is var bytes && SourceReader.Describe(bytes) is { } picture)
            return new TrayContent(
                PlaceContent.Picture,
                picture.Size,
                format,
                picture.Format.ConversionOf(picture))
            { Decoded = new Lazy<RgbaPicture?>(() => SourceReader.Read(bytes).Picture) };
        if (begins is SoundFormat sound)
            return new TrayContent(PlaceContent.Sound, Sound: sound)
            {
                Shaped = new Lazy<SoundShape?>(() => file.Length > LongestHeard ? null : SoundRank.ShapeOf(file.ReadAll())),
            };
        if (begins is PackPictureFormat { TakesOthers: true } broken) return new TrayContent(PlaceContent.Picture, Format: broken);
        if (file.Length > MostTextBytes) return Unknown;
        return OfText(file.ReadAll());
    }

    private static TrayContent OfText(byte[] bytes)
    {
        var text = JsonText.Parse(bytes);
        if (text.Problem is null) return new TrayContent(PlaceContent.Entry, Entry: text);
        if (bytes.AsSpan().TrimStart("\uFEFF"u8).TrimStart(" \t\r\n"u8).StartsWith("<"u8)) return new TrayContent(PlaceContent.Index);
        return HeaderOf(bytes) is { } header
            ? new TrayContent(PlaceContent.Table, Header: header) { Rows = new Lazy<CsvText?>(() => SpreadsheetCsv.Read(bytes, header[0])) }
            : Unknown;
    }

    private static IReadOnlyList<string>? HeaderOf(byte[] bytes)
    {
        var body = bytes.AsSpan().StartsWith(Encoding.UTF8.Preamble) ? bytes.AsSpan(Encoding.UTF8.Preamble.Length) : bytes;
        if (!System.Text.Unicode.Utf8.IsValid(body)) return null;
        var line = Encoding.UTF8.GetString(body);
        var end = line.IndexOfAny(['\r', '\n']);
        line = end < 0 ? line : line[..end];
        // Tables have several columns; one line of words is none.
        return Separators.Select(s => CsvText.Read(line, s)?.Header).FirstOrDefault(h => h is { Count: > 1 });
    }
}
