using CsCheck;
using Underlay.Core.Checks;
using Underlay.Core.Packs;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>A check after a change says what a check from nothing says, and looks at what the change touches only.</summary>
public class SessionTests
{
    private static CheckSession Open(APack pack) => CheckSession.Open(Repository.Kilnmoor, null, SmallBase.Of, pack.Tree);

    private static TreeEdit.Write Write(string path, byte[] bytes) => new(PackPath.Parse(path), bytes);

    private static IEnumerable<string> Lines(CheckReport report) =>
        report.Findings.Select(
            f =>
                $"{f.Severity} {f.Code} {f.Path} {f.Pointer} {f.Discriminator} {f.Message} {f.Fix?.Title} {string.Join(';', f.Predicts)} "
                    + $"{string.Join(';', f.Saw.OrderBy(s => s.Key))} {f.Waiver?.Reason}");

    [Fact]
    public void After_any_changes_the_report_is_that_of_a_check_from_nothing() =>
        Gen.Select(PackGen.Files, PackGen.Files.List[1, 3]).Sample(
            (start, changes) =>
            {
                var session = Open(start);
                foreach (var change in changes)
                {
                    // Every other file of the next pack is written, every third file of the last one taken away.
                    var writes = change.Files.Where((_, i) => i % 2 == 0).Select(f => Write(f.Key, f.Value)).ToList();
                    var written = writes.Select(w => w.Path).ToHashSet();
                    var deletes = session.Tree.Files
                        .Where((f, i) => i % 3 == 0 && !written.Contains(f.Path))
                        .Select(f => new TreeEdit.Delete(f.Path));
                    session = session.With([.. writes, .. deletes]);
                    Assert.Equal(Lines(CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, session.Tree)), Lines(session.Report));
                }
            },
            iter: 150,
            threads: Environment.ProcessorCount);

    /// <summary>With other pictures at the same paths the structure stays; a broken one, or an author's decision, may change it.</summary>
    [Fact]
    public void After_pictures_were_exchanged_the_report_is_that_of_a_check_from_nothing() =>
        Gen.Select(PackGen.Files, Gen.Select(Gen.Int[0, 99], Gen.Int[0, 99], Gen.Int[0, 9]).List[1, 4]).Sample(
            (start, changes) =>
            {
                var session = Open(start);
                var pictures = session.Tree.Files
                    .Where(f => f.Path.Value.EndsWith(".png", StringComparison.Ordinal) && !ReservedFolder.Holds(f.Path))
                    .ToList();
                foreach (var (to, from, how) in pictures.Count == 0 ? [] : changes)
                {
                    var path = pictures[to % pictures.Count].Path;
                    var bytes = how == 0 ? [1, 2, 3] : pictures[from % pictures.Count].ReadAll();
                    session = session.With(
                        how == 1 ? [Write(path.Value, bytes), Write($".underlay/sources/{path}", bytes)] : [Write(path.Value, bytes)]);
                    Assert.Equal(Lines(CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, session.Tree)), Lines(session.Report));
                }
            },
            iter: 150,
            threads: Environment.ProcessorCount);

    [Fact]
    public void A_change_makes_only_its_own_group_looked_at()
    {
        var session = Open(APack.Of().WithSurface("saltbrook_foam", Picture.Of(64, 64)).WithWare("tide_cup"));
        Assert.Equal(3, session.Looked.Count);
        session = session.With([Write("wares/tide_cup/skin.png", Picture.Of(70, 64).ToPng())]);
        Assert.Equal("shelf:name=tide_cup", Assert.Single(session.Looked));
        Assert.Equal("image/not-a-multiple", Assert.Single(session.Report.Findings).Code.Value);
        Assert.Empty(session.With([Write("notes.txt", [1])]).Looked);
        // Neither another file nor another entry makes those looked at that say nothing of it.
        session = session.With([Write("art/surfaces/saltbrook_reef.png", Picture.Of(64, 64).ToPng())]);
        Assert.Equal("surfaces:name=saltbrook_reef", Assert.Single(session.Looked));
        var ware = System.Text.Encoding.UTF8.GetBytes(SmallBase.Ware("saltbrook.tide_cup", price: "13"));
        Assert.Equal("shelf:name=tide_cup", Assert.Single(session.With([Write("wares/tide_cup/ware.json", ware)]).Looked));
    }

    [Fact]
    public void What_another_group_refers_to_is_seen_when_it_goes()
    {
        var session = Open(APack.Of()
            .WithSurface("saltbrook_foam", Picture.Of(64, 64))
            .WithSurface(
                "saltbrook_tide",
                Picture.Of(64, 64),
                """{ "made_of": "stone", "edge": "solid", "under": { "surface": "saltbrook_foam", "share": 0.2 } }"""));
        Assert.Empty(session.Report.Findings);
        session = session.With([new TreeEdit.Delete(PackPath.Parse("art/surfaces/saltbrook_foam.png"))]);
        Assert.Contains(
            session.Report.Findings,
            f => f.Code.Value == "entry/dangling" && f.Path == "art/surfaces/saltbrook_tide.surface.json");
        Assert.Equal(["surfaces:name=saltbrook_foam", "surfaces:name=saltbrook_tide"], session.Looked);
    }

    [Fact]
    public void Another_author_is_seen_everywhere()
    {
        var session = Open(APack.Of().WithWare("tide_cup"));
        session = session.With(
            [
                Write(
                    "firing.json",
                    System.Text.Encoding.UTF8.GetBytes(APack.Manifest.Replace("saltbrook.test", "other.test", StringComparison.Ordinal))),
            ]);
        Assert.Equal("name/prefix", Assert.Single(session.Report.Findings).Code.Value);
    }
}
