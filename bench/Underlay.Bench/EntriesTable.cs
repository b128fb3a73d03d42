using System.Globalization;
using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Core.Renames;
using Underlay.Demo;
using Underlay.Testing;

namespace Underlay.Bench;

/// <summary>Times the check of a pack of many entries, first and after a change, and a rename that many of them follow.</summary>
internal static class EntriesTable
{
    private const int Runs = 7;

    // More than any of them costs to make.
    private const int Price = 40_000;

    /// <summary>Prints the table for a pack of that many entries: two in five wares, as many recipes, one glaze on all wares.</summary>
    public static void Print(HostProfile profile, int entries, TextWriter to)
    {
        var catalogue = BaseCatalogue.Read(profile, profile.Newest, DemoCatalogue.FindBase(profile.Key, profile.Newest.Key)!.Make());
        var tree = Make(entries);
        void Row(string what, double milliseconds) =>
            to.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {what} | {milliseconds:N0} |"));
        to.WriteLine(
            string.Create(CultureInfo.InvariantCulture, $"| {entries:N0} entries in {tree.Files.Count:N0} files | ms |\n|---|---:|"));

        CheckSession session = CheckSession.Open(profile, null, _ => catalogue, tree);
        Row("first check", Timing.Middle(Runs, () => session = CheckSession.Open(profile, null, _ => catalogue, FileTree.Of(tree.Files))));
        to.WriteLine(
            $"<!-- {string.Join(", ", session.Report.Findings.GroupBy(f => f.Code.Value).Select(g => $"{g.Count()} {g.Key}"))} -->");

        void Change(string what, string path, Func<int, string> text)
        {
            var runs = 0;
            Row(
                what,
                Timing.Middle(
                    Runs,
                    () => session = session.With([new TreeEdit.Write(PackPath.Parse(path), Encoding.UTF8.GetBytes(text(runs++)))])));
        }

        Change("a ware’s price changed", "wares/w7/ware.json", i => Ware(7, Price + i));
        Change("a recipe’s minutes changed", "entries/recipes/r7.json", i => Recipe(7, 30 + i));
        Change("a glaze’s colour changed", "entries/glazes/g1.json", i => Glaze(1, i));
        Change("a text changed", "texts/saltbrook.csv", i => Texts(entries, i));
        var added = 0;
        Row(
            "a ware added",
            Timing.Middle(
                Runs,
                () => session = session.With(
                    [
                        new TreeEdit.Write(
                            PackPath.Parse($"wares/n{added}/ware.json"),
                            Encoding.UTF8.GetBytes(Ware(entries + added++, Price))),
                    ])));

        var plan = EntryRename.Plan(session.Report.Overlay!, PackPath.Parse("entries/glazes/g0.json"), "tide");
        Row(
            string.Create(CultureInfo.InvariantCulture, $"a glaze renamed, {plan.Edits.Count:N0} edits planned"),
            Timing.Middle(Runs, () => EntryRename.Plan(session.Report.Overlay!, PackPath.Parse("entries/glazes/g0.json"), "tide")));
        Row("carried out and checked", Timing.Middle(Runs, () => session.With(plan.Edits)));
    }

    private static FileTree Make(int entries)
    {
        var files = new Dictionary<string, string> { ["firing.json"] = APack.Manifest, ["texts/saltbrook.csv"] = Texts(entries, 0) };
        var wares = entries * 2 / 5;
        for (var i = 0; i < wares; i++)
        {
            files[$"wares/w{i}/ware.json"] = Ware(i, Price);
            files[$"entries/recipes/r{i}.json"] = Recipe(i, 30);
        }

        for (var i = 0; i < entries - (2 * wares); i++) files[$"entries/glazes/g{i}.json"] = Glaze(i, 0);
        var (shelf, skin, mask) = (Picture.Shelf().ToPng(), Picture.Of(64, 64).ToPng(), Picture.Mask().ToPng());
        return FileTree.OfBytes(files
            .Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), Encoding.UTF8.GetBytes(f.Value)))
            .Concat(
                Enumerable.Range(0, wares).SelectMany(
                    i => new[] { ("shelf", shelf), ("skin", skin), ("mask", mask) },
                    (i, picture) => KeyValuePair.Create(PackPath.Parse($"wares/w{i}/{picture.Item1}.png"), picture.Item2))));
    }

    private static string Ware(int number, int price) =>
        $$"""{ "id": "saltbrook.w{{number}}", "shape": "jug", "made_of": "stoneware", "price": {{price}}, "glaze": "saltbrook.g0" }""";

    private static string Recipe(int number, int minutes) =>
        $$"""
        {
          "id": "saltbrook.r{{number}}", "station": "wheel", "minutes": {{minutes}}, "order": {{number}},
          "uses": [{ "material": "stoneware", "amount": {{1 + number}} }],
          "makes": [{ "ware": "saltbrook.w{{number}}", "amount": 1 }]
        }
        """;

    private static string Glaze(int number, int shade) =>
        $$"""{ "id": "saltbrook.g{{number}}", "body": "#3a6b{{shade % 256:x2}}", "rim": "#000000" }""";

    private static string Texts(int entries, int change)
    {
        var text = new StringBuilder("key,en,de,fr\n");
        for (var i = 0; i < entries * 2 / 5; i++)
        {
            text.Append(CultureInfo.InvariantCulture, $"saltbrook.w{i}/name,Jug {i},Krug {i},Cruche {i}\n");
            text.Append(CultureInfo.InvariantCulture, $"saltbrook.w{i}/about,Shore no. {i},Ein Krug {i},Une cruche {i}\n");
            text.Append(CultureInfo.InvariantCulture, $"saltbrook.r{i}/name,Throw jug {i},Krug {i} drehen,Tourner {i}\n");
        }

        for (var i = 0; i < entries - (2 * (entries * 2 / 5)); i++)
            text.Append(CultureInfo.InvariantCulture, $"saltbrook.g{i}/name,Sea {i + change},See {i},Mer {i}\n");
        return text.ToString();
    }
}
