using System.Text.Json;
using System.Text.Json.Nodes;
using Underlay.Core.Entries;
using Underlay.Core.Packs;

namespace Underlay.Core.Images.Steps;

/// <summary>The steps of one picture, as the pack keeps them in <c>.underlay/steps/{path}.json</c> (docs/pack-files.md).</summary>
/// <param name="Source">Hash of the source on which they ran.</param>
/// <param name="Steps">In order.</param>
/// <param name="Result">Hash of what came of them.</param>
public sealed record StepsFile(ContentHash Source, IReadOnlyList<Step> Steps, ContentHash Result)
{
    private static readonly JsonSerializerOptions Indented = new() { WriteIndented = true };

    private static readonly (string Word, FitMode Mode)[] Modes = [("stretch", FitMode.Stretch), ("inside", FitMode.Inside), ("fill", FitMode.Fill)];

    /// <summary>Where the steps of a picture are kept.</summary>
    public static PackPath PathOf(PackPath picture) => PackPath.Parse($"{ReservedFolder.Name}/steps/{picture}.json");

    /// <summary>The steps of a picture, or null when there are none or they cannot be read.</summary>
    public static StepsFile? Read(FileTree tree, PackPath picture)
    {
        if (!tree.TryFind(PathOf(picture), out var file)) return null;
        var text = JsonText.Parse(file.ReadAll());
        if (!ContentHash.TryParse(text.FindString("/source"), out var source) || !ContentHash.TryParse(text.FindString("/result"), out var result)) return null;
        if (text.Find("/steps") is not { ValueKind: JsonValueKind.Array } list) return null;
        var steps = new List<Step>();
        for (var i = 0; i < list.GetArrayLength(); i++)
        {
            if (ReadStep(tree, text, $"/steps/{i}") is not { } step) return null;
            steps.Add(step);
        }

        return new StepsFile(source, steps, result);
    }

    /// <summary>The pictures that steps take alpha from, as the pack keeps them by their hash.</summary>
    public static IEnumerable<TreeEdit.Write> Alphas(IEnumerable<Step> steps) =>
        steps.OfType<TakeAlpha>().Select(s => PngWriter.Write(s.From)).Select(png => new TreeEdit.Write(AlphaPath(ContentHash.Of(png)), png)).DistinctBy(w => w.Path);

    private static PackPath AlphaPath(ContentHash hash) => PackPath.Parse($"{ReservedFolder.Name}/alpha/{hash.Hex}.png");

    /// <summary>The word for a mode in files.</summary>
    public static string WordOf(FitMode mode) => Modes.First(m => m.Mode == mode).Word;

    /// <summary>The mode for a word in files, or null.</summary>
    public static FitMode? ModeOf(string? word) => Array.FindIndex(Modes, m => m.Word == word) is >= 0 and var index ? Modes[index].Mode : null;

    /// <summary>The file that keeps the steps of a picture.</summary>
    public TreeEdit.Write WriteFor(PackPath picture)
    {
        var json = new JsonObject
        {
            ["source"] = Source.Hex,
            ["steps"] = new JsonArray([.. Steps.Select(WriteStep)]),
            ["result"] = Result.Hex,
        };
        return new TreeEdit.Write(PathOf(picture), JsonSerializer.SerializeToUtf8Bytes(json, Indented));
    }

    private static Step? ReadStep(FileTree tree, JsonText text, string at)
    {
        switch (text.FindString($"{at}/do"))
        {
            case "fit":
                var size = new PixelSize(Side(text, $"{at}/width"), Side(text, $"{at}/height"));
                return size is { Width: > 0, Height: > 0 } && ModeOf(text.FindString($"{at}/mode")) is { } mode
                    ? new FitToSize(size, mode, text.Find($"{at}/exact") is { ValueKind: JsonValueKind.True })
                    : null;
            case "clear-border":
                return new ClearBorder();
            case "cut-matte":
                return text.FindString($"{at}/colour") is [_, .. { Length: 6 } hex] && int.TryParse(hex, System.Globalization.NumberStyles.AllowHexSpecifier, System.Globalization.CultureInfo.InvariantCulture, out var rgb)
                    ? new CutMatte((byte)(rgb >> 16), (byte)(rgb >> 8), (byte)rgb)
                    : null;
            case "take-alpha":
                return ContentHash.TryParse(text.FindString($"{at}/from"), out var from) && tree.Find(AlphaPath(from)) is { } kept && PngReader.Decode(kept.ReadAll()) is { Rgba: { } rgba, Size: var ofAlpha }
                    ? new TakeAlpha(new RgbaPicture(ofAlpha, rgba))
                    : null;
            case "spread-colour":
                return new SpreadColour();
            case "harden-alpha":
                return new HardenAlpha();
            case "make-solid":
                return new MakeSolid();
            case "grey":
                return new ToGrey();
            case "enlarge":
                return Side(text, $"{at}/factor") is var factor and > 1 ? new Enlarge(factor) : null;
            default:
                return null;
        }
    }

    private static JsonNode WriteStep(Step step) => step switch
    {
        FitToSize fit => new JsonObject
        {
            ["do"] = "fit",
            ["width"] = fit.Size.Width,
            ["height"] = fit.Size.Height,
            ["mode"] = WordOf(fit.Mode),
            ["exact"] = fit.Exact,
        },
        ClearBorder => new JsonObject { ["do"] = "clear-border" },
        CutMatte cut => new JsonObject { ["do"] = "cut-matte", ["colour"] = $"#{cut.R:x2}{cut.G:x2}{cut.B:x2}" },
        TakeAlpha take => new JsonObject { ["do"] = "take-alpha", ["from"] = ContentHash.Of(PngWriter.Write(take.From)).Hex },
        SpreadColour => new JsonObject { ["do"] = "spread-colour" },
        HardenAlpha => new JsonObject { ["do"] = "harden-alpha" },
        MakeSolid => new JsonObject { ["do"] = "make-solid" },
        ToGrey => new JsonObject { ["do"] = "grey" },
        Enlarge enlarge => new JsonObject { ["do"] = "enlarge", ["factor"] = enlarge.Factor },
        _ => throw new ArgumentOutOfRangeException(nameof(step)),
    };

    /// <summary>A whole number from 1 to the largest side, else 0.</summary>
    private static int Side(JsonText text, string pointer) =>
        text.Find(pointer) is { ValueKind: JsonValueKind.Number } value && value.TryGetInt32(out var side) && side is > 0 and <= PngReader.MaxSide ? side : 0;
}
