using Underlay.Core.Packs;
using Underlay.Demo.Art;

namespace Underlay.Demo.Wrenfield;

/// <summary>Sixty plates as a painter names them: words left out, plumages in his own words, letters slipped. No contents yet.</summary>
internal static class NorthernPlates
{
    private const int Count = 60;
    private const int Calls = 12;

    private static readonly (string Plumage, string[] Words)[] Plumages =
    [
        ("adult", ["", " ad", " adult", ""]),
        ("winter", [" winter", " ad winter", " wint", " (winter)"]),
        ("young", [" juv", " young", " juvenile", " juv."]),
        ("flight", [" in flight", " flight", " flying", " in flght"]),
    ];

    public static FileTree Make() => Draw(new DemoTree()).ToTree();

    /// <summary>What a person writes by hand: the contents, for the second printing.</summary>
    public static FileTree MakeMended() =>
        new DemoTree().Text("contents.xml", WrenfieldBase.Contents("Birds of the northern shore", Rows, "2")).ToTree();

    private static DemoTree Draw(DemoTree tree)
    {
        tree.Text(
            "guide.toml",
            "[guide]\nid = \"5f0c2f6e-91b4-8c3a-9d57-2a6e0b7c4d18\"\ntitle = \"Northern Plates\"\nauthor = \"Saltbrook "
                + "Painters\"\nprinting = 2\nversion = 1\nabout = \"Sixty plates of the northern shore.\"\n");
        foreach (var row in Rows)
        {
            var (width, height) = (row.Bird.Number % 3) switch { 0 => (360, 288), 1 => (300, 300), _ => (320, 400) };
            tree.Draw(row.Path, $"northern {row.Path}", () => WrenfieldBase.Plate(row.Bird, row.Plumage, width, height).ToPng());
        }

        // Birds that are called alike in both printings.
        var callers = Rows.Select(r => r.Bird).Distinct().Where(b => b.CodeIn("1") == b.CodeIn("2")).Take(Calls).ToList();
        for (var i = 0; i < callers.Count; i++)
        {
            var (bird, number) = (callers[i], i);
            tree.Draw($"calls/{bird.Code}/1.wav", $"call {bird.Code}", () => Tones.Call(2.1, 1600 + (number * 210), number).ToWav());
        }

        return tree;
    }

    private static IReadOnlyList<PlateLine> Rows { get; } = MakeRows();

    private static List<PlateLine> MakeRows()
    {
        var rows = new List<PlateLine>();
        for (var i = 0; rows.Count < Count; i++)
        {
            var bird = BirdList.All[(i * 11) % BirdList.All.Count];
            // Adults of all, and one bird in three in another plumage too.
            rows.Add(Row(bird, 0, i));
            if (i % 3 == 1 && rows.Count < Count) rows.Add(Row(bird, 1 + (i / 3 % 3), i));
        }

        return rows;
    }

    private static PlateLine Row(Bird bird, int plumage, int i)
    {
        var (code, words) = Plumages[plumage];
        var name = (i % 6) switch
        {
            0 => bird.Name,
            1 => bird.Name.ToLowerInvariant(),
            2 => bird.Name.Replace(' ', '-'),
            3 => bird.Name.ToLowerInvariant().Replace(' ', '_'),
            4 => Slip(bird.Name),
            _ => bird.Name.Split(' ')[1],
        };
        var folder = (i % 4) switch { 0 => "", 1 => $"{bird.Region}/", 2 => "scans/", _ => $"{bird.Family.Name.ToLowerInvariant()}/" };
        var months = code == "winter" ? "10-3" : code == "young" ? "6-9" : null;
        return new PlateLine(bird, code, $"plates/{folder}{name}{words[i % words.Length]}{(i % 6 == 5 ? $" {i}" : "")}.png", months);
    }

    /// <summary>A letter swapped, as fingers do.</summary>
    private static string Slip(string name) => name[..^3] + name[^2] + name[^3] + name[^1];
}
