using System.Globalization;
using System.Security;
using System.Text;
using System.Text.Json.Nodes;
using Underlay.Core.Packs;
using Underlay.Demo.Art;

namespace Underlay.Demo.Wrenfield;

/// <summary>The viewer's own files, printing by printing: codebooks, a plate and a picture of each family, and its tints.</summary>
internal static class WrenfieldBase
{
    public static FileTree Make(string printing)
    {
        var tree = new DemoTree();
        tree.Text(
            "codes/birds.csv",
            Csv("code,name,family,region", BirdList.All.Select(b => $"{b.CodeIn(printing)},{b.Name},{b.Family.Code},{b.Region}")));
        tree.Text("codes/families.csv", Csv("code,name", BirdList.Families.Select(f => $"{f.Code},{f.Name}")));
        tree.Text("codes/plumages.csv", Csv("code,name", Plumages(printing).Select(p => $"{p.Code},{p.Name}")));
        tree.Text("codes/regions.csv", Csv("code,name", BirdList.Regions.Select(r => $"{r.Code},{r.Name}")));
        var rows = new List<PlateLine>();
        foreach (var family in BirdList.Families)
        {
            // Another dress from family to family, so that no two neighbours look alike.
            var bird = BirdList.All.Where(b => b.Family == family).ElementAt(rows.Count * 7 % 10);
            var path = $"plates/{family.Code}/{bird.Name.ToLowerInvariant().Replace(' ', '_')}.png";
            tree.Draw(path, $"plate {bird.Name} adult", () => Plate(bird, "adult", 320, 256).ToPng());
            tree.Draw(
                $"families/{family.Code}.png",
                $"family {family.Code}",
                () => Birds.Family(bird.Number, family.Build, BirdList.Dress(bird, "adult")).ToPng());
            rows.Add(new PlateLine(bird, "adult", path, null));
        }

        tree.Text("contents.xml", Contents("Wrenfield’s own plates", rows, printing));
        if (printing == "2") tree.Json("tints.json", Tints());
        return tree.ToTree();
    }

    public static Raster Plate(Bird bird, string plumage, int width, int height) =>
        Birds.Plate(width, height, bird.Number, bird.Family.Build, BirdList.Dress(bird, plumage), flying: plumage == "flight");

    /// <summary>Contents in the order of the codebooks.</summary>
    public static string Contents(string about, IEnumerable<PlateLine> rows, string printing)
    {
        var xml = new StringBuilder();
        xml.Append(
            CultureInfo.InvariantCulture,
            $"<?xml version=\"1.0\" encoding=\"utf-8\"?>\n<contents about=\"{SecurityElement.Escape(about)}\">\n");
        foreach (var chapter in rows.OrderBy(r => r.Bird.Number).GroupBy(r => r.Bird.Family))
        {
            xml.Append(CultureInfo.InvariantCulture, $"  <chapter family=\"{chapter.Key.Code}\">\n");
            foreach (var bird in chapter.GroupBy(r => r.Bird))
            {
                xml.Append(CultureInfo.InvariantCulture, $"    <bird code=\"{bird.Key.CodeIn(printing)}\">\n");
                foreach (var row in bird.OrderBy(r => Array.IndexOf(Order, r.Plumage)))
                    xml.Append(
                        CultureInfo.InvariantCulture,
                        $"      <plate src=\"{row.Path}\" "
                            + $"plumage=\"{row.Plumage}\"{(row.Months is { } months ? $" months=\"{months}\"" : "")}/>\n");
                xml.Append("    </bird>\n");
            }

            xml.Append("  </chapter>\n");
        }

        return xml.Append("</contents>\n").ToString();
    }

    private static readonly string[] Order = ["adult", "winter", "young", "flight"];

    private static IEnumerable<(string Code, string Name)> Plumages(string printing) =>
        new[] { ("adult", "Adult"), ("winter", "Winter"), ("young", "Young"), ("flight", "In flight") }.Take(printing == "2" ? 4 : 3);

    private static JsonObject Tints() => new()
    {
        ["adult"] = Colour(0.55, 0.11, 40),
        ["winter"] = Colour(0.68, 0.05, 240),
        ["young"] = Colour(0.62, 0.08, 90),
        ["flight"] = Colour(0.5, 0.1, 280),
    };

    private static JsonObject Colour(double l, double c, double h) => new() { ["l"] = l, ["c"] = c, ["h"] = h };

    private static string Csv(string header, IEnumerable<string> rows) => $"{header}\n{string.Join('\n', rows)}\n";
}

/// <summary>A row of contents.</summary>
internal sealed record PlateLine(Bird Bird, string Plumage, string Path, string? Months);
