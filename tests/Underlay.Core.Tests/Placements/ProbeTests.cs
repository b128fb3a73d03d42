#pragma warning disable
using Underlay.Core.BaseFiles;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Manifests;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;
using Underlay.Demo;
namespace Underlay.Core.Tests.Placements;
public class ProbeTests
{
    [Fact]
    public void Probe()
    {
        var profile = Repository.Kilnmoor;
        var w = new System.Text.StringBuilder();
        void Ask(FileTree pack, params (string, byte[])[] files)
        {
            var overlay = Overlay.Of(PackReading.Read(profile, profile.Newest, pack, ManifestFacts.Read(profile, pack)), DemoBase.Kilnmoor);
            var tree = FileTree.OfBytes(files.Select(f => KeyValuePair.Create(PackPath.Parse(f.Item1), f.Item2)));
            foreach (var a in new Placer(overlay).Advise(tree.Files))
            {
                w.AppendLine($"== {a.File.Path} sure={a.IsSure} first={a.HasFirst} likely={a.Likely} flaw={a.Flaw}");
                foreach (var c in a.Candidates.Take(6)) w.AppendLine($"   {c.Confidence:0.00} {c.Target} new={c.IsNew} | {c.Reason} | {c.Doubt}");
            }
        }
        var b = DemoBase.Kilnmoor;
        byte[] Grey(int x, int y) => (Picture.Of(x, y) with { At = (i, j) => new Pixel((byte)(i * 3 % 256), (byte)(i * 3 % 256), (byte)(i * 3 % 256), 255) }).ToPng();
        byte[] Col(int x, int y) => (Picture.Of(x, y) with { At = (i, j) => new Pixel((byte)(i * 3 % 256), (byte)(j * 3 % 256), 77, 255) }).ToPng();
        foreach (var f in b.Files.Where(f => f.Path.Value.Contains("tea_cup") || f.Path.Value.Contains("wheel") || f.Path.Value.Contains("bells") || f.Path.Value.EndsWith("dds"))) w.AppendLine(f.Path.Value + " " + f.Facts.Picture?.Header?.Size);
        var kilns = b.Files.Where(f => f.Path.Value.StartsWith("art/flames/")).GroupBy(f => f.Path.Value.Split('/')[2]).Select(g => g.Key + ":" + g.Count());
        w.AppendLine(string.Join(' ', kilns));
        Ask(APack.Of().Tree, ("tea_cup_ember.png", Grey(128, 64)), ("x/tea_cup_ember.png", Grey(64, 64)), ("tea cup glow.png", Grey(256, 128)), ("tea_cup_stall.png", Col(96, 72)), ("b/tea_cup_stall.png", Col(192, 144)), ("water jug (shelf) last.png", Picture.Shelf().ToPng()), ("c/water jug (shelf) last.png", Picture.Of(112, 112).ToPng()));
        var wav = DemoBase.Kilnmoor.Files.First(f => f.Path.Value.StartsWith("audio/bells/low"));
        var kick = DemoBase.Kilnmoor.Files.First(f => f.Path.Value.EndsWith("wheel_kick.wav"));
        Ask(APack.Of().Tree, ("WheelKick_take3.wav", SoundOf(3)), ("bells/low_2.wav", SoundOf(2)), ("low_2.wav", SoundOf(2)), ("low 2 final.wav", SoundOf(2)), ("wheel kick final (2).wav", SoundOf(2)));
        Ask(APack.Of().Tree, ("newest/clay_wet.png", Col(300, 200)), ("sea_foam.png", Col(300, 300)), ("sea_foam b.png", Col(1000, 700)), ("dusk_bar.png", Col(70, 30)));
        Ask(APack.Of().Tree, [.. Enumerable.Range(0, 8).Select(i => ($"bottle kiln/{i}.png", Col(48, 64 + (i*0))))]);
        Ask(APack.Of().Tree, [.. Enumerable.Range(100, 6).Select(i => ($"pit flames/smoke_{i:0000}.png", Col(48, 64 + (i*0))))]);
        Ask(APack.Of().Tree, [.. new[]{1,2,4,5}.Select(i => ($"updraught/{i}.png", Col(48, 64 + (i*0))))]);
        var vase = FileTree.OfBytes(b.Files.Where(f => f.Path.Value.StartsWith("wares/reed_vase/ware")).Select(f => KeyValuePair.Create(PackPath.Parse("wares/saltbrook_kelp_vase/ware.json"), System.Text.Encoding.UTF8.GetBytes(System.Text.Encoding.UTF8.GetString(b.Read(f.Path)).Replace("moor.reed_vase","saltbrook.saltbrook_kelp_vase")))));
        var dds = b.Read(PackPath.Parse("wares/reed_vase/skin.dds"));
        Ask(APack.Of().Tree.With(vase.Files.Select(f => (TreeEdit)new TreeEdit.Write(f.Path, f.ReadAll())).ToList()), ("kelp_vase/skin.dds", dds), ("kelp vase skin.dds", dds), ("skin.dds", dds), ("kelp vase skin.png", Col(128,128)), ("kelp_vase.dds", dds));
        Ask(APack.Of().Tree, ("b/texts.csv", System.Text.Encoding.UTF8.GetBytes("key,en,de,fr\nmoor.tea_cup/name,Cup,,\n")), ("b/more.csv", System.Text.Encoding.UTF8.GetBytes("key,en,de,fr\nsaltbrook.kelp/name,Cup,,\n")), ("my sounds.csv", System.Text.Encoding.UTF8.GetBytes("name,loop_from,loop_to,gain_db\nlow_1,,,0\n")), ("my sounds2.csv", System.Text.Encoding.UTF8.GetBytes("name,loop_from,loop_to,gain_db\nsaltbrook_x,,,0\n")), ("seal list.csv", System.Text.Encoding.UTF8.GetBytes(System.Text.Encoding.UTF8.GetString(b.Read(PackPath.Parse("tables/seals.csv"))))), ("x.json", b.Read(PackPath.Parse("wares/tea_cup/ware.json"))), ("y.json", b.Read(b.Files.First(f => f.Path.Value.StartsWith("entries/recipes/tea")).Path)), ("z.json", b.Read(b.Files.First(f => f.Path.Value.StartsWith("art/surfaces/") && f.Path.Value.EndsWith("json")).Path)), ("techs.json", b.Read(PackPath.Parse("entries/techniques.json"))), ("t.csv", System.Text.Encoding.UTF8.GetBytes("frame,ms\n1,100\n")));
        File.WriteAllText("/tmp/probe.txt", w.ToString());
    }
    static byte[] SoundOf(int n) => WavWriter.Write(TestSound.Tone(48_000, seconds: n));
}
