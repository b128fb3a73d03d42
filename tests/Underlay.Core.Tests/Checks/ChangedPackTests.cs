using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using CsCheck;
using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;

namespace Underlay.Core.Tests.Checks;

/// <summary>
/// A pack of every kind, with mistakes in it: files go and come back, numbers, texts and rows change. What is taken over from the
/// check before must be what a check from nothing finds.
/// </summary>
public partial class ChangedPackTests
{
    private static readonly Dictionary<Edition, BaseCatalogue> Bases = new[] { Repository.Kilnmoor, Repository.Wrenfield }
        .SelectMany(h => h.Editions.Select(e => (e, BaseCatalogue.Read(h, e, DemoFiles.Base(h.Key, e.Key)))))
        .ToDictionary(b => b.e, b => b.Item2);

    [Theory]
    [InlineData("kilnmoor", "packs/tidepool", 16)]
    [InlineData("kilnmoor", "packs/wintermarket", 12)]
    [InlineData("wrenfield", "packs/northern-plates", 6)]
    public void After_any_changes_the_report_is_that_of_a_check_from_nothing(string host, string folder, int runs)
    {
        var profile = host == "kilnmoor" ? Repository.Kilnmoor : Repository.Wrenfield;
        var whole = DemoFiles.Of(folder);
        var files = whole.Files.Where(f => !ReservedFolder.Holds(f.Path)).ToList();
        var opened = CheckSession.Open(profile, null, e => Bases[e], whole);
        Gen.Select(Gen.Int[0, files.Count - 1], Gen.Int[0, 5], Gen.Int[0, 999]).List[1, 5].Sample(
            changes =>
            {
                var session = opened;
                foreach (var (at, how, which) in changes)
                {
                    session = session.With([Change(session.Tree, files[at], how, which, files[which % files.Count])]);
                    var anew = Lines(CheckReport.Make(profile, null, e => Bases[e], session.Tree)).ToList();
                    Assert.Equal(anew, Lines(session.Report));
                    session = session.HeldIn(Elsewhere(session.Tree));
                    Assert.Equal(anew, Lines(session.Report));
                    Assert.Empty(session.Looked);
                }
            },
            iter: runs,
            threads: Environment.ProcessorCount);
    }

    /// <summary>An evening's work: what is taken over is taken over again and again.</summary>
    [Theory]
    [InlineData("kilnmoor", "packs/tidepool")]
    [InlineData("wrenfield", "packs/northern-plates")]
    public void After_two_hundred_changes_the_report_is_that_of_a_check_from_nothing(string host, string folder)
    {
        var profile = host == "kilnmoor" ? Repository.Kilnmoor : Repository.Wrenfield;
        var whole = DemoFiles.Of(folder);
        var ofBase = Twins(profile).ToList();
        var files = whole.Files.Where(f => !ReservedFolder.Holds(f.Path)).Concat(ofBase).ToList();
        var opened = CheckSession.Open(profile, null, e => Bases[e], whole);
        Gen.Select(Gen.Int[0, files.Count - 1], Gen.Int[0, 5], Gen.Int[0, 999]).Array[200].Sample(
            changes =>
            {
                var session = opened;
                for (var i = 0; i < changes.Length; i++)
                {
                    var (at, how, which) = changes[i];
                    session = session.With([Change(session.Tree, files[at], how, which, files[which % files.Count])]);
                    if (i % 8 != 7) continue;
                    Assert.Equal(Lines(CheckReport.Make(profile, null, e => Bases[e], session.Tree)), Lines(session.Report));
                }
            },
            iter: 1,
            threads: Environment.ProcessorCount);
    }

    /// <summary>Files of the base, and its entries once more under other names: what is compared with each other.</summary>
    private static IEnumerable<TreeFile> Twins(HostProfile profile)
    {
        var @base = Bases[profile.Newest];
        var texts = @base.Files.Where(f => f.Place is { PictureFormat: null }).DistinctBy(f => (f.Place, f.Path.Value[^6]));
        foreach (var file in texts)
        {
            var bytes = @base.Read(file.Path)!;
            yield return new TreeFile(file.Path, bytes.Length, FileContent.Of(bytes));
            if (file.Place!.Pattern is not { Placeholders: [var hole] } pattern || file.Place.Id is null) continue;
            var name = file.Bindings.Find(hole)!;
            var renamed = Encoding.UTF8.GetString(bytes).Replace($".{name}\"", $".{name}_b\"", StringComparison.Ordinal);
            var twin = Encoding.UTF8.GetBytes(renamed);
            yield return new TreeFile(pattern.Fill(Bindings.Of([(hole, $"{name}_b")]))!.Value, twin.Length, FileContent.Of(twin));
        }
    }

    /// <summary>The same bytes, which came from somewhere else.</summary>
    private static FileTree Elsewhere(FileTree tree) =>
        FileTree.Of(tree.Files.Select(f => f with { Content = FileContent.Of(f.ReadAll(), f.Hash) }), tree.Refused);

    /// <summary>Takes the file away, brings it back, or puts another number or text, or another file's bytes, into it.</summary>
    private static TreeEdit Change(FileTree tree, TreeFile file, int how, int which, TreeFile other)
    {
        if (tree.Find(file.Path) is not { } now) return new TreeEdit.Write(file.Path, file.ReadAll());
        if (how == 0) return new TreeEdit.Delete(file.Path);
        if (Path.GetExtension(file.Path.Value) is not (".json" or ".csv" or ".xml" or ".toml"))
            return new TreeEdit.Write(file.Path, how == 1 ? file.ReadAll() : other.ReadAll());
        var text = Encoding.UTF8.GetString(now.ReadAll());
        var parts = (how % 2 == 0 ? Numbers() : Words()).Matches(text);
        if (parts.Count == 0) return new TreeEdit.Delete(file.Path);
        var part = parts[which % parts.Count];
        var instead = how % 2 == 0 ? (which % 90).ToString(CultureInfo.InvariantCulture) : parts[which * 7 % parts.Count].Value;
        return new TreeEdit.Write(file.Path, Encoding.UTF8.GetBytes(text[..part.Index] + instead + text[(part.Index + part.Length)..]));
    }

    private static IEnumerable<string> Lines(CheckReport report) =>
        report.Findings.Select(
            f =>
                $"{f.Severity} {f.Code} {f.Path} {f.Pointer} {f.Discriminator} {f.Message} {f.Fix?.Title} {string.Join(';', f.Predicts)} "
                    + $"{string.Join(';', f.Saw.OrderBy(s => s.Key))}");

    [GeneratedRegex("[0-9]+")]
    private static partial Regex Numbers();

    [GeneratedRegex("[a-z_]+([.][a-z_]+)?")]
    private static partial Regex Words();
}
