using System.Text;
using CsCheck;
using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packaging;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;
using Underlay.Testing.Trays;

namespace Underlay.Core.Tests.Placements;

public class AdviceMemoryTests
{
    private static readonly Dictionary<string, BaseCatalogue> Bases = new()
    {
        ["kilnmoor"] = DemoBase.Kilnmoor,
        ["wrenfield"] = BaseCatalogue.Read(
            Repository.Wrenfield,
            Repository.Wrenfield.Newest,
            DemoFiles.Base("wrenfield", "2")),
    };

    /// <summary>Names as the tray's have them, some of them of things that nobody has.</summary>
    private static readonly string[] Words =
    [
        "saltbrook", "moor", "flagstone", "grey", "water", "jug", "tide", "cup", "reef", "shelf", "skin", "mask", "hoary", "adult",
        "embers",
    ];

    // The change that places a file where it is proposed.
    private const int Proposed = 5;

    private static readonly Gen<string> Name = Gen.OneOfConst(Words).Array[1, 3].Select(w => string.Join('_', w));

    [Theory]
    [InlineData("kilnmoor", "packs/tidepool", "trays/tidepool", 9)]
    [InlineData("wrenfield", "packs/northern-plates", null, 6)]
    public void After_any_changes_advice_is_that_of_a_memory_without_any(string host, string pack, string? tray, int runs)
    {
        var profile = host == "kilnmoor" ? Repository.Kilnmoor : Repository.Wrenfield;
        var whole = Folder(pack);
        var own = whole.Files.Where(f => !ReservedFolder.Holds(f.Path)).ToList();
        List<TreeFile> dropped =
        [
            .. Tray.Open(tray is null ? FileTree.Empty : Folder(tray), ArchiveLimits.Standard).Files.Files,
            .. GeneratedTray.Make(profile, DemoFiles.Base(host, profile.Newest.Key), 40, seed: 7).Select(t => t.File),
        ];
        var files = dropped.DistinctBy(f => f.Path).Select(InTray).ToList();
        var places = profile.Places.Where(p => p.Pattern is { Placeholders: [_] }).ToList();
        var changes = Gen.Select(Gen.Int[0, 5], Gen.Int[0, 9_999], Name).List[1, 4];
        changes.Sample(
            list =>
            {
                var (memory, tree, overlay) = (new AdviceMemory(), whole, Over(profile, whole));
                var advice = memory.Advise(overlay, files);
                foreach (var (how, which, name) in list)
                {
                    var place = places[which % places.Count];
                    var path = how == Proposed && advice[which % files.Count].Candidates is [var first, ..]
                        ? first.Target
                        : place.Pattern!.Fill(Bindings.Of([(place.Pattern.Placeholders[0], name)]));
                    tree = tree.With([Change(profile, tree, own, how, which, (path ?? own[0].Path, name))]);
                    overlay = Over(profile, tree);
                    advice = memory.Advise(overlay, files);
                }

                Assert.Equal(Lines(new AdviceMemory().Advise(overlay, files)), Lines(advice));
            },
            iter: runs,
            threads: Environment.ProcessorCount);
    }

    [Fact]
    public void A_new_name_is_looked_up_for_files_of_which_it_says_something_and_for_no_others()
    {
        var files = Enumerable.Range(0, 20)
            .Select(i => (File: new CountedFile(Picture.Of(32 + i, 64)), Path: $"art/surfaces/saltbrook_{(i < 10 ? i : Words[i % 5])}.png"))
            .ToList();
        var tray = files.ConvertAll(f => InTray(new TreeFile(PackPath.Parse(f.Path), f.File.Length, f.File)));
        var memory = new AdviceMemory();
        var pack = APack.Of();
        memory.Advise(Over(Repository.Kilnmoor, pack.Tree), tray);
        var reads = files.ConvertAll(f => f.File.Reads);
        Assert.All(reads, r => Assert.NotEqual(0, r));

        pack = pack.With("art/surfaces/saltbrook_placed.png", Picture.Of(64, 64));
        memory.Advise(Over(Repository.Kilnmoor, pack.Tree), tray);
        Assert.Equal(reads, files.ConvertAll(f => f.File.Reads));

        var path = files[7].Path;
        var advice = memory.Advise(Over(Repository.Kilnmoor, pack.With(path, Picture.Of(64, 64)).Tree), tray)[7];
        Assert.True(files[7].File.Reads > reads[7]);
        Assert.False(advice.Candidates.Single(c => c.Target.Value == path).IsNew);
        // Its own name says nothing of the fourteenth's.
        Assert.Equal(reads[13], files[13].File.Reads);
    }

    [Fact]
    public void Where_a_word_becomes_common_only_what_has_it_is_looked_up_again()
    {
        var other = new CountedFile(Picture.Of(64, 64));
        List<TreeFile> tray =
        [
            .. new[] { "pier_7.png", "saltbrook_peir_9.png", "old/pier lamp.png", "saltbrook_pier.png" }
                .Select((name, i) => APack.Empty.With(name, Picture.Of(64, 64 + i)).Tree.Files[0]),
            new TreeFile(PackPath.Parse("gull.png"), other.Length, other),
        ];
        tray = tray.ConvertAll(InTray);
        var memory = new AdviceMemory();
        var pack = APack.Of().Files.ToDictionary();
        void Grow(int to)
        {
            for (var i = 0; i < to; i++) pack[$"art/surfaces/saltbrook_pier_{i}.png"] = [];
        }

        Grow(60);
        memory.Advise(Over(Repository.Kilnmoor, new APack(pack).Tree), tray);
        var reads = other.Reads;
        foreach (var names in new[] { 120, 300, 700 })
        {
            Grow(names);
            var overlay = Over(Repository.Kilnmoor, new APack(pack).Tree);
            Assert.Equal(Lines(new AdviceMemory().Advise(overlay, tray[..4])), Lines(memory.Advise(overlay, tray).Take(4)));
            Assert.Equal(reads, other.Reads);
        }
    }

    [Fact]
    public void What_comes_back_to_the_tray_is_remembered()
    {
        var content = new CountedFile(Picture.Of(64, 64));
        var file = InTray(new TreeFile(PackPath.Parse("reef.png"), content.Length, content));
        var overlay = Over(Repository.Kilnmoor, APack.Of().Tree);
        var memory = new AdviceMemory();
        memory.Advise(overlay, [file]);
        var reads = content.Reads;
        Assert.Empty(memory.Advise(overlay, []));
        Assert.Same(file, memory.Advise(overlay, [file])[0].File);
        Assert.Equal(reads, content.Reads);
    }

    /// <summary>A new file comes or goes, the manifest says other names, or a file has another's bytes, goes or comes back.</summary>
    private static TreeEdit Change(
        HostProfile profile,
        FileTree tree,
        List<TreeFile> own,
        int how,
        int which,
        (PackPath Path, string Name) news)
    {
        var file = own[which % own.Count];
        TreeEdit ComeOrGo(PackPath path) => tree.Find(path) is null ? new TreeEdit.Write(path, file.ReadAll()) : new TreeEdit.Delete(path);
        return how switch
        {
            0 or 1 or Proposed => ComeOrGo(news.Path),
            2 when tree.Find(profile.Manifest.Path) is { } manifest => new TreeEdit.Write(
                manifest.Path,
                Encoding.UTF8.GetBytes(
                    Encoding.UTF8.GetString(manifest.ReadAll()).Replace("saltbrook", news.Name, StringComparison.Ordinal))),
            3 => new TreeEdit.Write(file.Path, own[which * 7 % own.Count].ReadAll()),
            _ => ComeOrGo(file.Path),
        };
    }

    private static FileTree Folder(string folder) => DemoFiles.Of(folder);

    private static Overlay Over(HostProfile profile, FileTree tree)
    {
        var manifest = ManifestFacts.Read(profile, tree);
        return Overlay.Of(PackReading.Read(profile, profile.Newest, tree, manifest), Bases[profile.Key]);
    }

    private static TreeFile InTray(TreeFile file) => file with { Path = PackPath.Parse($"{ReservedFolder.Tray}/{file.Path}") };

    private static IEnumerable<string> Lines(IEnumerable<PlacementAdvice> advice) =>
        advice.Select(a => $"{a.File.Path} {a.Flaw} {a.Size} {string.Join(" | ", a.Candidates)}");

    /// <summary>A picture that counts how often it is read.</summary>
    private sealed class CountedFile(Picture picture) : FileContent
    {
        private readonly byte[] bytes = picture.ToPng();

        public int Length => bytes.Length;

        public int Reads { get; private set; }

        protected override ContentHash? KnownHash => ContentHash.Of(bytes);

        public override void Read(Span<byte> to)
        {
            Reads++;
            bytes.AsSpan(0, to.Length).CopyTo(to);
        }
    }
}
