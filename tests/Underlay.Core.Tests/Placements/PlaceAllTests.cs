using CsCheck;
using ImageMagick;
using Underlay.Core.Placements;
using Underlay.Core.Steps;

namespace Underlay.Core.Tests.Placements;

/// <summary>Files that are placed together: some at the same path, some over pictures with steps, some where they cannot be.</summary>
public class PlaceAllTests
{
    private static readonly FileTree Pack = Begun();

    private static readonly string[] Targets =
    [
        "art/surfaces/flagstone.png", "art/surfaces/quartz.png", "art/surfaces/new.png", "audio/bells/one.wav", "front.png",
        "glazes/moss.json", ".underlay/tray/other.png", "notes.txt", "firing.json",
    ];

    /// <summary>A pack with a shaped picture, and a tray of files of several formats.</summary>
    private static FileTree Begun()
    {
        using var bmp = new MagickImage(Picture.Of(64, 64).ToPng());
        var tree = APack.Of()
            .With("art/surfaces/flagstone.png", Picture.Of(64, 64))
            .With("art/surfaces/quartz.png", Picture.Of(32, 32))
            .With(".underlay/tray/a.png", Picture.Of(64, 64).With(1, 1, new(1, 2, 3, 255)))
            .With(".underlay/tray/b.bmp", bmp.ToByteArray(MagickFormat.Bmp))
            .With(".underlay/tray/c.wav", TestSound.Wav(16_000))
            .With(".underlay/tray/d.txt", "words"u8.ToArray())
            .With(".underlay/tray/e.png", Picture.Of(128, 128))
            .Tree;
        return tree.With(Shaping.Add(tree, PackPath.Parse("art/surfaces/flagstone.png"), new Enlarge(2)).Edits);
    }

    [Fact]
    public void Together_they_come_to_what_comes_of_one_after_the_other()
    {
        var tray = Pack.Files.Where(f => f.Path.IsBelow(ReservedFolder.Tray)).Select(f => f.Path).ToList();
        Gen.Select(Gen.Int[0, tray.Count - 1], Gen.Int[0, Targets.Length - 1], Gen.Bool)
            .Select(w => new WantedPlace(tray[w.Item1], PackPath.Parse(Targets[w.Item2]), w.Item3))
            .List[1, 6]
            .Sample(
                wanted =>
                {
                    var (tree, one) = (Pack, new List<PlacingResult>());
                    foreach (var (from, to, insist) in wanted)
                    {
                        one.Add(Placing.Place(Repository.Kilnmoor, Repository.Kilnmoor.Newest, tree, from, to, insist));
                        tree = tree.With(one[^1].Edits);
                    }

                    var all = Placing.PlaceAll(Repository.Kilnmoor, Repository.Kilnmoor.Newest, Pack, wanted);
                    Assert.Equal(one.Select(r => (r.Problem, r.IsResult)), all.Select(r => (r.Problem, r.IsResult)));
                    Assert.Equal(Lines(tree), Lines(Pack.With(all.SelectMany(r => r.Edits))));
                },
                iter: 200);
    }

    private static IEnumerable<(string Path, string Hash)> Lines(FileTree tree) => tree.Files.Select(f => (f.Path.Value, f.Hash.Hex));
}
