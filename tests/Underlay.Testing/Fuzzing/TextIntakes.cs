using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Formats.Json;
using Underlay.Core.Formats.Toml;

namespace Underlay.Testing.Fuzzing;

/// <summary>The texts that are read.</summary>
public static class TextIntakes
{
    private const string Contents =
        "<?xml version=\"1.0\" encoding=\"utf-8\"?>\n<contents about=\"t\">\n  <!-- one -->\n  <chapter family=\"brac\"><bird "
            + "code=\"asbra\"><plate src=\"plates/p1.png\" plumage=\"adult\"/></bird></chapter>\n</contents>\n";

    /// <summary>A language each.</summary>
    public static IReadOnlyList<Intake> All { get; } =
    [
        new(
            "json",
            [
                Utf8(APack.Manifest),
                Utf8(SmallBase.Ware("saltbrook.cup")),
                Utf8(SmallBase.Descriptor),
                Utf8("""[1, {"a": [true, null, "\u00e9", -1.5e3]}]"""),
            ],
            ReadJson),
        new(
            "csv",
            [
                Utf8("code,do\ntide,add\nclay_mark,change\n"),
                Utf8("code,name\r\n\"a \"\"b\"\"\",Tide\r\n"),
                Utf8("code;name\ntide;Tide\n"),
                Utf8("frame,ms\n01,40\n"),
            ],
            ReadCsv),
        new("toml", [Utf8(AGuide.Manifest)], ReadToml),
        new(
            "xml",
            [Utf8(Contents)],
            b => PackIntake.Check(AGuide.Of().With("contents.xml", b).With("plates/p1.png", Picture.Of(320, 300)))),
    ];

    private static void ReadJson(byte[] bytes)
    {
        AssertRead(JsonText.Parse(bytes));
        foreach (
            var path in new[] { "firing.json", "wares/milk_jug/ware.json", "art/surfaces/quartz.surface.json",
                "entries/glazes/tide.json", ".underlay/waivers.json", ".underlay/steps.json", ".underlay/placeholders.json" })
            PackIntake.Check(APack.Of().With(path, bytes));
        PackIntake.Check(AGuide.Of().With("tints.json", bytes));
    }

    private static void ReadCsv(byte[] bytes)
    {
        CsvText.Read(Encoding.UTF8.GetString(bytes));
        PackIntake.Check(
            APack.Of().With("tables/seals.csv", bytes).With("art/flames/updraught/frames.csv", bytes).With("tables/materials.csv", bytes));
    }

    private static void ReadToml(byte[] bytes)
    {
        AssertRead(TomlText.Parse(bytes));
        PackIntake.Check(AGuide.Of().With("guide.toml", bytes));
    }

    private static void AssertRead(JsonText text)
    {
        if (text.Problem is { } problem)
        {
            PackIntake.AssertWords(problem.Says);
            if (problem.At is not { Line: >= 1, Column: >= 1 }) throw new InvalidDataException($"a problem at {problem.At}");
        }
        else if (text.Root.ValueKind == System.Text.Json.JsonValueKind.Undefined)
        {
            throw new InvalidDataException("neither a value nor a problem");
        }
    }

    private static byte[] Utf8(string text) => Encoding.UTF8.GetBytes(text);
}
