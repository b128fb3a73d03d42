using System.Text;
using CsCheck;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Tests.Fixes;

namespace Underlay.Core.Tests.Decisions;

/// <summary>A file of decisions that was damaged by hand takes nothing of what the author decided along.</summary>
public class DamagedDecisionTests
{
    private const string Script = ".underlay/script.csv";
    private const string Later = ".underlay/later.json";

    private static readonly ContentHash Hash = ContentHash.Of([1, 2, 3]);

    // Every row says a word that is in no other.
    private static readonly Gen<string[]> Words = Gen.Int[100, 999].Select(n => $"word{n}").Array[1, 6].Select(w => w.Distinct().ToArray());

    private static readonly Gen<(int At, int Take, string Put)> Damage = Gen.Select(
        Gen.Int[0, 10_000],
        Gen.Int[0, 2],
        Gen.OneOfConst("", ",", "\"", "{", "}", "[", "]", ":", "\n", "\uFEFF", "x", "//", "\\"));

    private static FileTree Written(string[] words)
    {
        var pictures = words.Append("new").Select(w => new TreeEdit.Write(PackPath.Parse($"art/{w}.png"), new byte[] { 1 }));
        var tree = APack.Of().Tree.With(pictures);
        var notes = words.ToDictionary(w => $"bells/{w}", w => new ScriptNote($"{w}, says", $"as \"{w}\"\nsoft"), StringComparer.Ordinal);
        return tree
            .With(ScriptFile.Set(tree, notes).Edits)
            .With(PlaceholderFiles.Add(tree, [.. words.Select(w => Placeholder(w))]).Edits)
            .With(LaterValues.Mark(tree, [.. words.Select(w => new LaterValue(PackPath.Parse("firing.json"), $"/{w}", $"\"{w}\""))]).Edits)
            .With(Waivers.Add(tree, [.. words.Select(w => Waived(w))]).Edits);
    }

    private static PlaceholderFile Placeholder(string word) => new(PackPath.Parse($"art/{word}.png"), Hash, word);

    private static Waiver Waived(string word)
    {
        var key = new FindingKey(new CheckCode("path/no-place"), $"{word}.txt", "", "");
        return new Waiver(key, $"for {word}", new Dictionary<string, string> { [word] = "a" });
    }

    private static string Damaged(string text, (int At, int Take, string Put) damage)
    {
        var at = damage.At % (text.Length + 1);
        return text[..at] + damage.Put + text[Math.Min(text.Length, at + damage.Take)..];
    }

    /// <summary>What is kept in all files under the reserved folder, as one text.</summary>
    private static string Kept(FileTree tree) =>
        string.Concat(tree.Files.Where(f => ReservedFolder.Holds(f.Path)).Select(f => Encoding.UTF8.GetString(f.ReadAll())));

    private static FileTree AddOne(FileTree tree, PackPath path) => tree.With(
        path == ScriptFile.File.Path ? ScriptFile.Set(tree, new Dictionary<string, ScriptNote> { ["bells/new"] = new("new", "") }).Edits
            : path == LaterValues.File.Path ? LaterValues.Mark(tree, [new LaterValue(PackPath.Parse("firing.json"), "/new", "1")]).Edits
            : path == Waivers.File.Path ? Waivers.Add(tree, [Waived("new")]).Edits
            : PlaceholderFiles.Add(tree, [Placeholder("new")]).Edits);

    [Fact]
    public void Any_damage_keeps_every_word_that_was_not_itself_damaged() =>
        Gen.Select(Words, Damage.Array[1, 3], Gen.Int[0, DecisionFiles.All.Count - 1]).Sample((words, damages, which) =>
        {
            var file = DecisionFiles.All[which];
            var whole = Written(words);
            var text = damages.Aggregate(Encoding.UTF8.GetString(whole.Find(file.Path)!.ReadAll()), Damaged);
            var tree = whole.With([new TreeEdit.Write(file.Path, Encoding.UTF8.GetBytes(text))]);
            var there = words.Where(w => Kept(tree).Contains(w, StringComparison.Ordinal)).ToList();

            // One more decision, kept as the page keeps it, then the fix, then one more.
            var more = AddOne(tree, file.Path);
            Assert.All(there, w => Assert.Contains(w, Kept(more), StringComparison.Ordinal));
            var (rows, damage) = file.Judge(tree);
            var mended = tree.With(new Core.Fixes.MendDecisions(file.Path, rows, true).Edit(tree, null!));
            Assert.All(there, w => Assert.Contains(w, Kept(mended), StringComparison.Ordinal));
            Assert.Empty(file.Judge(mended).Damage);
            Assert.Equal(rows, file.Judge(mended).Rows);
            var last = AddOne(mended, file.Path);
            Assert.All(there, w => Assert.Contains(w, Kept(last), StringComparison.Ordinal));
        });

    [Fact]
    public void A_stray_quote_is_told_with_its_line_and_the_other_notes_count()
    {
        var pack = APack.Of().With(Script, "sound,speaker,notes\nbells/a,Ann,soft\nbells/b,Bo,say \"oh\nbells/c,Cy,\"two\nlines\"\n");
        Assert.Equal(["bells/a", "bells/c"], ScriptFile.Read(pack.Tree).Keys);
        var change = ScriptFile.Set(pack.Tree, new Dictionary<string, ScriptNote> { ["bells/d"] = new("Di", "") });
        Assert.Empty(change.Edits);
        Assert.Contains("line 3", change.Damaged!.Says, StringComparison.Ordinal);
        var finding = Assert.Single(pack.Findings(), f => f.Code.Value == "decision/unreadable");
        Assert.Equal((Script, Severity.Warning, 3), (finding.Path, finding.Severity, finding.At!.Value.Line));
        Assert.StartsWith("Not all of your notes on recordings can be read; 2 can, and count.", finding.Message, StringComparison.Ordinal);
        Assert.False(finding.Fix!.LeavesNoChoice);

        var mended = Fixing.Run(pack, "decision/unreadable");
        Assert.Equal(["bells/a", "bells/c"], ScriptFile.Read(mended.Tree).Keys);
        Assert.Equal(pack.Files[Script], mended.Tree.Find(PackPath.Parse(".underlay/aside/.underlay/script.csv"))!.ReadAll());
        Assert.DoesNotContain(mended.Report.Findings, f => f.Code.Value == "decision/unreadable");
    }

    [Fact]
    public void A_comma_that_is_missing_loses_no_row_and_is_put_right_without_being_asked_for()
    {
        var whole = Written(["word101", "word102", "word103"]);
        var text = Encoding.UTF8.GetString(whole.Find(LaterValues.File.Path)!.ReadAll());
        var pack = APack.Of().With(Later, text.Replace("},", "}", StringComparison.Ordinal));
        Assert.Equal(3, LaterValues.Read(pack.Tree)[PackPath.Parse("firing.json")].Count());
        var finding = Assert.Single(pack.Findings(), f => f.Code.Value == "decision/unreadable");
        Assert.Contains("a comma or a closing bracket is wanted here", finding.Message, StringComparison.Ordinal);
        var mended = Fixing.Run(pack);
        Assert.Equal(text, Encoding.UTF8.GetString(mended.Tree.Find(LaterValues.File.Path)!.ReadAll()));
    }

    [Fact]
    public void What_stands_in_a_file_besides_its_rows_is_kept()
    {
        var tree = APack.Of()
            .With(Later, """{ "by": "me", "later": [ { "path": "firing.json", "pointer": "/a", "value": 1, "why": "wait" } ] }""")
            .With(Script, "take,sound,notes\n3,bells/a,soft\n")
            .Tree;
        var later = AddOne(tree, LaterValues.File.Path).Find(LaterValues.File.Path)!.ReadAll();
        Assert.Contains("\"by\": \"me\"", Encoding.UTF8.GetString(later), StringComparison.Ordinal);
        Assert.Contains("\"why\": \"wait\"", Encoding.UTF8.GetString(later), StringComparison.Ordinal);
        var notes = Encoding.UTF8.GetString(AddOne(tree, ScriptFile.File.Path).Find(ScriptFile.File.Path)!.ReadAll());
        Assert.Equal("take,sound,notes,speaker\n3,bells/a,soft,\n,bells/new,,new\n", notes);
    }

    [Fact]
    public void Of_two_rows_of_one_thing_neither_is_lost()
    {
        var pack = APack.Of().With(Script, "sound,speaker,notes\nbells/a,Ann,soft\nbells/a,Bo,loud\n");
        Assert.Equal("Bo", ScriptFile.Read(pack.Tree)["bells/a"].Speaker);
        Assert.Equal(pack.Files[Script], AddOne(pack.Tree, ScriptFile.File.Path).Find(ScriptFile.File.Path)!.ReadAll());
        var told = Assert.Single(pack.Findings(), f => f.Code.Value == "decision/unreadable");
        Assert.Contains("Line 2", told.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("{", "it ends before")]
    [InlineData("{ \"source\": \"x\", \"result\": \"y\", \"steps\": [] }", "two hashes")]
    public void Steps_that_cannot_be_read_are_told_and_set_aside(string steps, string says)
    {
        const string Path = ".underlay/steps/art/surfaces/flagstone.png.json";
        var pack = APack.Of().With("art/surfaces/flagstone.png", Picture.Of(64, 64)).With(Path, steps);
        var finding = Assert.Single(pack.Findings(), f => f.Code.Value == "decision/unreadable");
        Assert.Equal(Path, finding.Path);
        Assert.Contains(says, finding.Message, StringComparison.Ordinal);
        var mended = Fixing.Run(pack, "decision/unreadable").Tree;
        Assert.Null(mended.Find(PackPath.Parse(Path)));
        Assert.NotNull(mended.Find(PackPath.Parse($".underlay/aside/{Path}")));
    }
}
