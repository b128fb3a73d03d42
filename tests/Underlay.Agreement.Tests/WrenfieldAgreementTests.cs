using System.Formats.Tar;
using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using CsCheck;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>The check and the viewer's stand-in have to say the same of every guide.</summary>
public class WrenfieldAgreementTests
{
    private static readonly Dictionary<string, Wrenfield.Library> Libraries = Repository.Wrenfield.Editions.ToDictionary(
        e => e.Key,
        e => Wrenfield.Library.Of(SmallLibrary.FilesOf(e.Key).Select(f => (f.Key, f.Value))));

    /// <summary>The guides of a printing, with what each of the tests below asks of them.</summary>
    private static readonly Dictionary<string, RandomPacks<AGuide, Judged>> Guides = new()
    {
        ["1"] = new(GuideGen.Guides, 4, 60, guide => Judge(guide, "1")),
        ["2"] = new(GuideGen.Guides, 5, 110, guide => Judge(guide, "2")),
    };

    private sealed record Judged(AGuide? Disagreeing, string? FoundTwice);

    private static Judged Judge(AGuide made, string printing)
    {
        var guide = made.With(
            "guide.toml",
            AGuide.Manifest.Replace("printing = 2", $"printing = {printing}", StringComparison.Ordinal));
        var findings = guide.Check(Repository.Wrenfield.FindEdition(printing)).Findings;
        return new Judged(
            Disagreement.Compare(findings, Try(Zip(guide), printing)).Agree ? null : guide,
            findings.CountBy(f => f.Key).FirstOrDefault(k => k.Value > 1).Key?.ToString());
    }

    [Theory]
    [InlineData("1")]
    [InlineData("2")]
    public void Every_outcome_and_drop_of_random_guides_is_predicted_and_every_blocker_confirmed(string printing)
    {
        if (Guides[printing].All.FirstOrDefault(g => g.Disagreeing is not null) is { Disagreeing: { } guide })
            AssertAgreement(guide, printing);
    }

    [Fact]
    public void No_two_findings_of_a_guide_are_the_same() => Assert.Empty(Guides["2"].All.Select(g => g.FoundTwice).OfType<string>());

    [Fact]
    public void Every_reason_for_an_unlisted_guide_is_predicted() =>
        GuideGen.Manifests.Sample(guide => AssertAgreement(guide, "2"), iter: 120, threads: Environment.ProcessorCount);

    public static TheoryData<string, string> Hostile => new()
    {
        { "contents.xml", $"<contents>{Nested(63)}</contents>" },
        { "contents.xml", $"<contents>{Nested(64)}</contents>" },
        { "contents.xml", $"<contents>{Nested(50_000)}</contents>" },
        { "contents.xml", "<contents/>" + Padding },
        { "tints.json", "{}" + Padding },
        { "guide.toml", AGuide.Manifest + Padding },
        { "guide.toml", AGuide.Manifest + "x = " + new string('[', 100_000) },
    };

    private static string Padding => new(' ', 16 * 1024 * 1024);

    private static string Nested(int deep) =>
        string.Concat(Enumerable.Repeat("<a>", deep)) + string.Concat(Enumerable.Repeat("</a>", deep));

    [Theory]
    [MemberData(nameof(Hostile))]
    public void Texts_that_are_too_long_or_too_deep_are_read_by_neither(string path, string text) =>
        AssertAgreement(AGuide.Of().With(path, text), "2");

    [Fact]
    public void A_folio_with_another_hash_leaves_its_plates_blank_and_is_refused_when_it_is_checked()
    {
        var guide = AGuide.Of().With("plates/a.png", Picture.Of(300, 300)).WithContents(("asbra", "adult", "plates/a.png"));
        var package = Zip(guide, tamper: true);
        var row = Assert.Single(Try(package, "2").Shown, s => s.As != "right");
        Assert.Equal(("plates/a.png", "blank"), (row.Path, row.As));
        var read = Core.Packaging.ZipReader.Read(package, Core.Packaging.ArchiveLimits.Standard);
        Assert.Equal(
            Core.Packaging.ArchiveProblemKind.Damaged,
            Core.Packaging.Bundles.TakeOut(Repository.Wrenfield, read.Tree!).Problem!.Kind);
    }

    [Fact]
    public void Of_two_guides_both_show_their_plates_and_a_compressed_one_is_not_listed()
    {
        var one = AGuide.Of().With("plates/a.png", Picture.Of(300, 300)).WithContents(("asbra", "adult", "plates/a.png"));
        var other = one.With("guide.toml", AGuide.Manifest.Replace("0a1b2c3d", "1a1b2c3d", StringComparison.Ordinal));
        var report = Wrenfield.Viewer.Load(
            Libraries["2"],
            2,
            false,
            [
                ("b.wrenfield", () => new MemoryStream(Zip(one))),
                ("a.wrenfield", () => new MemoryStream(Zip(other))),
                ("c.wrenfield", () => new MemoryStream(Disagreement.Zip(new APack(one.Files)))),
            ]);
        Assert.Equal(["a.wrenfield", "b.wrenfield", "c.wrenfield"], report.Packages.Select(p => p.File));
        Assert.Equal("damaged", report.Packages[2].Reason);
        Assert.Equal(2, report.Shown.Count(s => s.Path == "plates/a.png"));
    }

    private static void AssertAgreement(AGuide guide, string printing)
    {
        if (Compare(guide, printing).Agree) return;
        var small = Disagreement.Shrink(new APack(guide.Files), p => !Compare(new AGuide(p.Files), printing).Agree);
        var files = string.Join(
            "\n",
            small.Files.Select(
                f =>
                    $"{f.Key} ({f.Value.Length} bytes) "
                        + $"{(f.Key.EndsWith(".png", StringComparison.Ordinal) ? "" : Encoding.UTF8.GetString(f.Value))}"));
        var found = new AGuide(small.Files).Check(Repository.Wrenfield.FindEdition(printing)).Findings;
        Assert.Fail(
            $"{Compare(new AGuide(small.Files), printing)} {DaySeed.Repeats}\n{files}\n"
                + string.Join("\n", found.Select(f => $"{f.Code} {f.Path}: {f.Message}")));
    }

    private static Verdicts Compare(AGuide guide, string printing) =>
        Disagreement.Compare(guide.Check(Repository.Wrenfield.FindEdition(printing)).Findings, Try(Zip(guide), printing));

    internal static StandIns.Report Try(byte[] package, string printing) =>
        Wrenfield.Viewer.Load(
            Libraries[printing],
            printing == "1" ? 1 : 2,
            insist: false,
            [("pack.wrenfield", () => new MemoryStream(package))]);

    /// <summary>Packs by other writers than those under test: a stored ZIP, plates in one TAR.</summary>
    internal static byte[] Zip(AGuide guide, bool tamper = false)
    {
        var files = new Dictionary<string, byte[]>(guide.Files);
        var plates = files.Where(f => f.Key.StartsWith("plates/", StringComparison.Ordinal)).ToList();
        if (plates.Count > 0
            && files.TryGetValue("guide.toml", out var manifest)
            && Encoding.UTF8.GetString(manifest) is var text
            && text.EndsWith("version = 3\n", StringComparison.Ordinal))
        {
            using var folio = new MemoryStream();
            using (var tar = new TarWriter(folio, TarEntryFormat.Pax, leaveOpen: true))
                foreach (var (path, bytes) in plates)
                    tar.WriteEntry(new PaxTarEntry(TarEntryType.RegularFile, path) { DataStream = new MemoryStream(bytes) });
            foreach (var (path, _) in plates) files.Remove(path);
            var hash = Convert.ToHexStringLower(SHA256.HashData(folio.ToArray()));
            files["folios/one.tar"] = folio.ToArray();
            files["guide.toml"] = Encoding.UTF8.GetBytes(
                $"{text}\n[[folio]]\nfile = \"folios/one.tar\"\nsha256 = \"{(tamper ? new string('0', 64) : hash)}\"\n");
        }

        using var package = new MemoryStream();
        using (var zip = new ZipArchive(package, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (path, bytes) in files)
            {
                using var entry = zip.CreateEntry(path, CompressionLevel.NoCompression).Open();
                entry.Write(bytes);
            }

        return package.ToArray();
    }
}
