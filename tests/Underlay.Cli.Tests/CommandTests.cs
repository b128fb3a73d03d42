using System.Text.Json;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Png;
using Underlay.Core.Packs;
using Underlay.Demo;
using Underlay.Files;
using Underlay.Testing;
using static Underlay.Cli.Tests.UnderlayCommand;

namespace Underlay.Cli.Tests;

public class CommandTests(DemoFolders folders) : IClassFixture<DemoFolders>
{
    private string Pack(string name) => Path.Combine(folders.Demo, "packs", name);

    private static JsonElement Json(Ran ran) => JsonDocument.Parse(ran.Output).RootElement;

    private string Write(string name, byte[] bytes)
    {
        var path = Path.Combine(folders.NewFolder(), name);
        File.WriteAllBytes(path, bytes);
        return path;
    }

    [Fact]
    public void Hosts_lists_editions_and_how_they_are_declared()
    {
        var ran = Run("hosts");
        Assert.Equal(0, ran.ExitCode);
        Assert.Contains("kilnmoor  Kilnmoor:", ran.Output, StringComparison.Ordinal);
        Assert.Contains("4.0", ran.Output, StringComparison.Ordinal);
        Assert.Contains("firing.json by /reads/from and /reads/to", ran.Output, StringComparison.Ordinal);
    }

    [Fact]
    public void The_demo_is_written_to_the_same_bytes_whoever_draws_it()
    {
        foreach (var folder in DemoCatalogue.Folders.Select(f => f.Folder))
        {
            Assert.Equal(
                DemoFiles.Of(folder).Files.Select(f => (f.Path, ContentHash.Of(f.ReadAll()))),
                FolderTree.Read(Path.Combine(folders.Demo, folder)).Files.Select(f => (f.Path, ContentHash.Of(f.ReadAll()))));
        }
    }

    [Fact]
    public void A_clean_pack_has_nothing_and_exits_with_0()
    {
        var ran = Run("check", Pack("moorpaths"), "--host", "kilnmoor", "--format", "json");
        Assert.Equal(0, ran.ExitCode);
        Assert.Equal("saltbrook.moorpaths", Json(ran).GetProperty("pack").GetString());
        Assert.Equal("4.0", Json(ran).GetProperty("edition").GetString());
        Assert.Equal(0, Json(ran).GetProperty("findings").GetArrayLength());
        Assert.Equal(0, Json(ran).GetProperty("skipped").GetArrayLength());
    }

    [Fact]
    public void Findings_have_the_documented_fields_and_blockers_exit_with_1()
    {
        var ran = Run("check", Pack("tidepool"), "--host", "kilnmoor", "--format", "json", "--base", folders.Base);
        Assert.Equal(1, ran.ExitCode);
        var counts = Json(ran).GetProperty("counts");
        Assert.Equal(
            (36, 12, 7),
            (counts.GetProperty("blocker").GetInt32(), counts.GetProperty("warning").GetInt32(), counts.GetProperty("note").GetInt32()));
        var foam = Json(ran)
            .GetProperty("findings")
            .EnumerateArray()
            .Single(f => f.GetProperty("path").GetString() == "art/surfaces/saltbrook_foam.png");
        Assert.Equal(
            ["code", "severity", "path", "pointer", "message", "fix", "waived", "outcomes", "files"],
            foam.EnumerateObject().Select(p => p.Name));
        Assert.Equal("Write saltbrook_foam.surface.json", foam.GetProperty("fix").GetString());
        var outcome = foam.GetProperty("outcomes")[0];
        Assert.Equal(
            ("art/surfaces/saltbrook_foam.png", "hidden"),
            (outcome.GetProperty("path").GetString(), outcome.GetProperty("as").GetString()));
    }

    [Fact]
    public void Words_and_numbers_are_the_same_on_every_machine()
    {
        string[] check = ["check", Pack("tidepool"), "--host", "kilnmoor"];
        var here = RunIn("C.UTF-8", check);
        Assert.Contains("59 %", here.Output, StringComparison.Ordinal);
        Assert.Equal(here.Output, RunIn("de_DE.UTF-8", check).Output);
        Assert.Equal(here.Output, RunIn("fr_FR.UTF-8", check).Output);
    }

    [Fact]
    public void The_SARIF_report_has_a_result_for_each_finding_with_its_place()
    {
        var ran = Run("check", Pack("tidepool"), "--host", "kilnmoor", "--format", "sarif");
        Assert.Equal((1, "2.1.0"), (ran.ExitCode, Json(ran).GetProperty("version").GetString()));
        var run = Json(ran).GetProperty("runs")[0];
        Assert.Equal(56, run.GetProperty("results").GetArrayLength());
        var rules = run.GetProperty("tool").GetProperty("driver").GetProperty("rules");
        Assert.All(
            run.GetProperty("results").EnumerateArray(),
            r =>
                Assert.Equal(
                    r.GetProperty("ruleId").GetString(),
                    rules[r.GetProperty("ruleIndex").GetInt32()].GetProperty("id").GetString()));
        var reef = run.GetProperty("results").EnumerateArray().Single(r => r.GetProperty("ruleId").GetString() == "entry/rejected");
        var place = reef.GetProperty("locations")[0].GetProperty("physicalLocation");
        Assert.Equal(
            ("error", "art/surfaces/saltbrook_reef.surface.json"),
            (reef.GetProperty("level").GetString(), place.GetProperty("artifactLocation").GetProperty("uri").GetString()));
        Assert.Equal(
            (4, 12),
            (
                place.GetProperty("region").GetProperty("startLine").GetInt32(),
                place.GetProperty("region").GetProperty("startColumn").GetInt32()));
    }

    [Fact]
    public void The_report_can_be_written_to_a_file()
    {
        var file = Path.Combine(folders.NewFolder(), "report.json");
        Assert.Empty(Run("check", Pack("moorpaths"), "--host", "kilnmoor", "--format", "json", "--output", file).Output);
        Assert.Equal("kilnmoor", JsonDocument.Parse(File.ReadAllText(file)).RootElement.GetProperty("host").GetString());
    }

    [Fact]
    public void A_pack_that_blocks_leaves_no_folder_that_was_made_for_its_package()
    {
        var folder = Path.Combine(folders.NewFolder(), "new");
        Assert.Equal(1, Run("build", Pack("tidepool"), "--host", "kilnmoor", "--output", Path.Combine(folder, "p.kilnmoor")).ExitCode);
        Assert.False(Directory.Exists(folder));
    }

    [Fact]
    public void From_loose_files_with_mistakes_to_a_package_that_the_host_shows_as_meant()
    {
        var pack = folders.CopyOf("packs/tidepool");
        var package = Path.Combine(folders.NewFolder(), "tidepool.kilnmoor");
        var refused = Run("build", pack, "--host", "kilnmoor", "--output", package);
        Assert.Equal((1, false), (refused.ExitCode, File.Exists(package)));
        Assert.Empty(Directory.GetFiles(Path.GetDirectoryName(package)!));
        Assert.Equal(1, Run("fix", pack, "--host", "kilnmoor").ExitCode);
        folders.Lay("mended/tidepool", pack);
        Run("fix", pack, "--host", "kilnmoor", "--only", "companion/outranked", "--only", "pack/leftover");
        Assert.Equal(0, Run("check", pack, "--host", "kilnmoor").ExitCode);
        var built = Run("build", pack, "--host", "kilnmoor", "--output", package);
        Assert.Equal(0, built.ExitCode);
        Assert.Contains("left out: notes.txt", built.Output, StringComparison.Ordinal);
        var trial = Run("try", package, "--host", "kilnmoor", "--format", "json");
        Assert.Equal(0, trial.ExitCode);
        Assert.All(Json(trial).GetProperty("shown").EnumerateArray(), s => Assert.Equal("right", s.GetProperty("as").GetString()));
        Assert.Equal(80, Json(trial).GetProperty("shown").GetArrayLength());
        Assert.Equal(0, Run("check", package, "--host", "kilnmoor").ExitCode);
    }

    [Fact]
    public void Plates_with_contents_written_by_hand_load_in_their_printing_and_lose_rows_in_the_other()
    {
        var pack = folders.CopyOf("packs/northern-plates");
        Assert.Equal(1, Run("check", pack, "--host", "wrenfield").ExitCode);
        folders.Lay("mended/northern-plates", pack);
        Assert.Equal(0, Run("check", pack, "--host", "wrenfield").ExitCode);
        var package = Path.Combine(folders.NewFolder(), "northern.wrenfield");
        Assert.Equal(0, Run("build", pack, "--host", "wrenfield", "--output", package).ExitCode);
        var right = Run("try", package, "--host", "wrenfield", "--format", "json");
        Assert.Equal(0, right.ExitCode);
        Assert.Equal(73, Json(right).GetProperty("shown").GetArrayLength());
        Assert.Equal(0, Run("check", package, "--host", "wrenfield").ExitCode);

        var closed = Run("try", package, "--host", "wrenfield", "--edition", "1", "--format", "json");
        Assert.Equal((1, "closed"), (closed.ExitCode, Json(closed).GetProperty("packages")[0].GetProperty("reason").GetString()));
        var insisted = Run("try", package, "--host", "wrenfield", "--edition", "1", "--insist", "--format", "json");
        Assert.Equal(1, insisted.ExitCode);
        Assert.All(
            Json(insisted).GetProperty("dropped").EnumerateArray(),
            d => Assert.Equal("dangling", d.GetProperty("code").GetString()));
        Assert.InRange(Json(insisted).GetProperty("dropped").GetArrayLength(), 5, 30);
    }

    [Fact]
    public void A_whole_copy_of_a_base_with_three_changed_files_comes_down_to_three()
    {
        var pack = folders.CopyOf("packs/moorpaths");
        foreach (var file in Directory.EnumerateFiles(Path.Combine(pack, "art"), "*", SearchOption.AllDirectories)) File.Delete(file);
        var changed = new[] { "art/seals/quayside.png", "art/scenes/hill.png", "wares/tea_cup/shelf.png" };
        foreach (var file in Directory.EnumerateFiles(folders.Base, "*.png", SearchOption.AllDirectories))
        {
            var target = Path.Combine(pack, Path.GetRelativePath(folders.Base, file));
            Directory.CreateDirectory(Path.GetDirectoryName(target)!);
            File.Copy(file, target);
        }

        foreach (var path in changed) File.WriteAllBytes(Path.Combine(pack, path), [.. File.ReadAllBytes(Path.Combine(pack, path)), 0]);
        Run("fix", pack, "--host", "kilnmoor", "--only", "pack/unchanged");
        Assert.Equal(
            ["art/scenes/hill.png", "art/seals/quayside.png", "firing.json", "front.png", "wares/tea_cup/shelf.png"],
            Directory.EnumerateFiles(pack, "*", SearchOption.AllDirectories)
                .Select(f => Path.GetRelativePath(pack, f))
                .Order(StringComparer.Ordinal));
    }

    [Fact]
    public void A_dry_run_says_what_it_would_do_and_changes_nothing()
    {
        var pack = folders.CopyOf("packs/tidepool");
        var before = Directory.EnumerateFiles(pack, "*", SearchOption.AllDirectories).Order().ToList();
        Assert.Contains(
            "Would apply 6 fixes; 32 blockers",
            Run("fix", pack, "--host", "kilnmoor", "--dry-run").Output,
            StringComparison.Ordinal);
        Assert.Equal(before, Directory.EnumerateFiles(pack, "*", SearchOption.AllDirectories).Order());
    }

    [Fact]
    public void Copies_with_other_order_and_times_build_the_same_bytes_and_other_tools_read_them()
    {
        var packages = new List<string>();
        for (var turn = 0; turn < 2; turn++)
        {
            var pack = Path.Combine(folders.NewFolder(), "copy");
            var files = Directory.EnumerateFiles(Pack("moorpaths"), "*", SearchOption.AllDirectories).Order().ToList();
            if (turn == 1) files.Reverse();
            foreach (var file in files)
            {
                var target = Path.Combine(pack, Path.GetRelativePath(Pack("moorpaths"), file));
                Directory.CreateDirectory(Path.GetDirectoryName(target)!);
                File.Copy(file, target);
                File.SetLastWriteTimeUtc(target, new DateTime(2001 + turn, 2, 3, 4, 5, 6, DateTimeKind.Utc));
            }

            packages.Add(Path.Combine(folders.NewFolder(), "moorpaths.kilnmoor"));
            Assert.Equal(0, Run("build", pack, "--host", "kilnmoor", "--output", packages[^1]).ExitCode);
        }

        Assert.Equal(File.ReadAllBytes(packages[0]), File.ReadAllBytes(packages[1]));
        Assert.Equal(0, RunProgram("unzip", "-tq", packages[0]).ExitCode);
        Assert.Equal(
            "None\n",
            RunProgram("python3", "-c", "import sys, zipfile; print(zipfile.ZipFile(sys.argv[1]).testzip())", packages[0]).Output);
    }

    [Fact]
    public void A_trial_with_something_wrong_exits_with_1_and_says_what()
    {
        var package = Path.Combine(folders.NewFolder(), "t.kilnmoor");
        Assert.Equal(0, Run("build", Pack("tidepool"), "--host", "kilnmoor", "--output", package, "--allow-blockers").ExitCode);
        var ran = Run("try", package, "--host", "kilnmoor");
        Assert.Equal(1, ran.ExitCode);
        Assert.Contains("plate  wares/oil_jar/shelf.png from t.kilnmoor", ran.Output, StringComparison.Ordinal);
        Assert.Contains("dropped, misnamed  wares/tide_bowl/ware.json", ran.Output, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("There is no command", "chek")]
    [InlineData("'--host' is required", "check", "x")]
    [InlineData("There is no host “elsewhere”; there is kilnmoor", "check", "x", "--host", "elsewhere")]
    [InlineData("There is no folder or archive at nowhere", "check", "nowhere", "--host", "kilnmoor")]
    [InlineData("Kilnmoor has no edition “9”; it has 3.0, 3.1, 4.0", "check", "x", "--host", "kilnmoor", "--edition", "9")]
    [InlineData("There is no check “image/none”", "fix", "x", "--host", "kilnmoor", "--only", "image/none")]
    [InlineData("There is no package at nowhere.kilnmoor", "try", "nowhere.kilnmoor", "--host", "kilnmoor")]
    public void Wrong_use_is_told_in_one_sentence_and_exits_with_2(string sentence, params string[] arguments)
    {
        var ran = Run(arguments);
        Assert.Equal((2, ""), (ran.ExitCode, ran.Output));
        Assert.Single(ran.Error.Trim().Split('\n'));
        if (sentence != "There is no command") Assert.Contains(sentence, ran.Error, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("parent", "package/unsafe")]
    [InlineData("link", "package/unsafe")]
    [InlineData("repeated", "package/unsafe")]
    [InlineData("encrypted", "package/damaged")]
    [InlineData("crc", "package/damaged")]
    [InlineData("cut in the directory", "package/damaged")]
    public void A_refused_archive_exits_with_2_in_a_sentence_and_names_its_check(string how, string code)
    {
        var archive = Write("bad.kilnmoor", ZipParts.Broken(how));
        var ran = Run("check", archive, "--host", "kilnmoor", "--format", "json");
        Assert.Equal(2, ran.ExitCode);
        Assert.Equal(code, Json(ran).GetProperty("findings")[0].GetProperty("code").GetString());
        Assert.StartsWith($"{archive} was refused: ", ran.Error, StringComparison.Ordinal);
        var output = Path.Combine(folders.NewFolder(), "out.kilnmoor");
        Assert.Equal((2, false), (Run("build", archive, "--host", "kilnmoor", "--output", output).ExitCode, File.Exists(output)));
    }

    [Fact]
    public void A_broken_file_in_a_sound_archive_is_a_finding()
    {
        var archive = Write(
            "one.kilnmoor",
            ZipParts.Write(new ZipPart("firing.json", APack.Manifest), new ZipPart("art/surfaces/deal_limed.png", "no picture")));
        var ran = Run("check", archive, "--host", "kilnmoor", "--format", "json");
        Assert.Equal(1, ran.ExitCode);
        Assert.Equal("image/unreadable", Json(ran).GetProperty("findings")[0].GetProperty("code").GetString());
    }

    [Fact]
    public void Hostile_files_in_a_folder_are_findings_and_nothing_is_followed_or_hung_on()
    {
        var pack = folders.CopyOf("packs/moorpaths");
        File.CreateSymbolicLink(Path.Combine(pack, "link.png"), "/etc/passwd");
        Directory.CreateSymbolicLink(Path.Combine(pack, "loop"), pack);
        File.WriteAllText(Path.Combine(pack, "a\\b.txt"), "x");
        File.WriteAllText(Path.Combine(pack, "FRONT.png"), "x");
        Assert.Equal(0, RunProgram("mkfifo", Path.Combine(pack, "pipe")).ExitCode);
        File.WriteAllText(Path.Combine(pack, "art/surfaces/gravel_path.surface.json"), new string('[', 100_000));
        var findings = Json(Run("check", pack, "--host", "kilnmoor", "--format", "json"))
            .GetProperty("findings")
            .EnumerateArray()
            .Select(f => (f.GetProperty("code").GetString(), f.GetProperty("path").GetString()))
            .ToList();
        Assert.Equal(
            [
                ("path/unsafe", "a\\b.txt"),
                ("entry/unreadable", "art/surfaces/gravel_path.surface.json"),
                ("path/unsafe", "front.png"),
                ("path/unsafe", "link.png"),
                ("path/unsafe", "loop"),
                ("path/no-place", "pipe"),
            ],
            findings.Where(f => f.Item2 != "FRONT.png"));
    }

    [Fact]
    public void A_wrapped_folder_is_unwrapped_by_fix()
    {
        var outer = folders.NewFolder();
        folders.Lay("packs/moorpaths", Path.Combine(outer, "moorpaths"));
        Assert.Contains("package/wrapped", Run("check", outer, "--host", "kilnmoor").Output, StringComparison.Ordinal);
        Assert.Equal(0, Run("fix", outer, "--host", "kilnmoor").ExitCode);
        Assert.True(File.Exists(Path.Combine(outer, "firing.json")));
        Assert.False(Directory.Exists(Path.Combine(outer, "moorpaths")));
    }

    [Fact]
    public void A_pack_that_is_not_for_the_edition_is_closed_unless_insisted_on()
    {
        var package = Path.Combine(folders.NewFolder(), "m.kilnmoor");
        Assert.Equal(0, Run("build", Pack("moorpaths"), "--host", "kilnmoor", "--output", package).ExitCode);
        var closed = Run("try", package, "--host", "kilnmoor", "--edition", "3.1", "--base", folders.Base, "--format", "json");
        Assert.Equal((1, "closed"), (closed.ExitCode, Json(closed).GetProperty("packages")[0].GetProperty("reason").GetString()));
        Assert.Contains(
            "1 blocker",
            Run("check", package, "--host", "kilnmoor", "--edition", "3.1", "--base", folders.Base).Output,
            StringComparison.Ordinal);
        var insisted = Run(
            "try",
            package,
            "--host",
            "kilnmoor",
            "--edition",
            "3.1",
            "--base",
            folders.Base,
            "--insist",
            "--format",
            "json");
        Assert.True(Json(insisted).GetProperty("packages")[0].GetProperty("listed").GetBoolean());
    }

    [Theory]
    [InlineData("tide.zip")]
    [InlineData("tide.kilnmoor.zip")]
    [InlineData("tide.Kilnmoor")]
    [InlineData("tide")]
    public void A_package_whose_name_ends_otherwise_is_told_by_check_and_not_listed_by_the_host(string name)
    {
        var path = Path.Combine(folders.NewFolder(), name);
        Assert.Equal(0, Run("build", Pack("moorpaths"), "--host", "kilnmoor", "--output", path).ExitCode);
        var check = Run("check", path, "--host", "kilnmoor", "--format", "json");
        Assert.Equal(1, check.ExitCode);
        var finding = Json(check).GetProperty("findings").EnumerateArray().Single(f => f.GetProperty("severity").GetString() == "blocker");
        Assert.Equal("package/ending", finding.GetProperty("code").GetString());
        Assert.Equal("ending", finding.GetProperty("outcomes")[0].GetProperty("unlisted").GetString());
        var tried = Run("try", path, "--host", "kilnmoor", "--format", "json");
        Assert.Equal((1, "ending"), (tried.ExitCode, Json(tried).GetProperty("packages")[0].GetProperty("reason").GetString()));
    }

    [Theory]
    [InlineData("json")]
    [InlineData("sarif")]
    public void A_finding_tells_what_becomes_of_every_path_that_it_stands_for(string format)
    {
        var ran = Run("check", Pack("northern-plates"), "--host", "wrenfield", "--format", format);
        Assert.Equal(1, ran.ExitCode);
        var plates = format == "json"
            ? Json(ran).GetProperty("findings").EnumerateArray().SelectMany(f => f.GetProperty("outcomes").EnumerateArray())
            : Json(ran)
                .GetProperty("runs")[0]
                .GetProperty("results")
                .EnumerateArray()
                .SelectMany(r => r.GetProperty("properties").GetProperty("outcomes").EnumerateArray());
        Assert.Equal(
            60,
            plates
                .Select(o => o.GetProperty("path").GetString()!)
                .Where(p => p.StartsWith("plates/", StringComparison.Ordinal))
                .Distinct()
                .Count());
    }

    [Fact]
    public void A_ZIP_of_150_bytes_with_a_length_near_2_to_the_63_is_refused_in_a_sentence()
    {
        var path = Write("small.kilnmoor", Underlay.Testing.Fuzzing.ArchiveIntakes.Zip64(long.MaxValue - 10));
        Assert.True(new FileInfo(path).Length < 200);
        var ran = Run("check", path, "--host", "kilnmoor");
        Assert.Equal(2, ran.ExitCode);
        Assert.DoesNotContain("   at ", ran.Error, StringComparison.Ordinal);
        Assert.Contains("ends outside the archive", ran.Output + ran.Error, StringComparison.Ordinal);
    }

    [Fact]
    public void A_pack_of_nothing_is_not_built()
    {
        var pack = folders.NewFolder();
        File.WriteAllText(Path.Combine(pack, "firing.json"), APack.Manifest);
        var ran = Run("build", pack, "--host", "kilnmoor", "--output", Path.Combine(folders.NewFolder(), "p.kilnmoor"));
        Assert.Equal(1, ran.ExitCode);
        Assert.Contains("pack/empty", ran.Output + ran.Error, StringComparison.Ordinal);
    }

    [Fact]
    public void A_whole_flame_and_set_with_one_change_in_each_are_not_slimmed_away()
    {
        var pack = folders.NewFolder();
        File.WriteAllText(
            Path.Combine(pack, "firing.json"),
            APack.Manifest.Replace("saltbrook.test", "saltbrook.slim", StringComparison.Ordinal));
        foreach (var folder in new[] { "art/flames/updraught", "art/awnings/quay" })
        {
            Directory.CreateDirectory(Path.Combine(pack, folder));
            var files = Directory.GetFiles(Path.Combine(folders.Base, folder));
            foreach (var file in files) File.Copy(file, Path.Combine(pack, folder, Path.GetFileName(file)));
            // The same picture in another file, with one pixel changed.
            var first = Path.Combine(
                pack,
                folder,
                Path.GetFileName(files.Order(StringComparer.Ordinal).First(f => f.EndsWith(".png", StringComparison.Ordinal))));
            var read = SourceReader.Read(File.ReadAllBytes(first)).Picture!;
            read.Rgba[(read.Rgba.Length / 2) + 1] ^= 0x40;
            File.WriteAllBytes(first, PngWriter.Write(read));
        }

        int Blockers() =>
            Json(Run("check", pack, "--host", "kilnmoor", "--format", "json"))
                .GetProperty("findings")
                .EnumerateArray()
                .Count(f => f.GetProperty("severity").GetString() == "blocker");
        Assert.Equal(0, Blockers());
        var before = Directory.GetFiles(pack, "*.png", SearchOption.AllDirectories).Length;
        Run("fix", pack, "--host", "kilnmoor", "--only", "pack/unchanged");
        Assert.Equal(
            (0, before),
            (
                Blockers(),
                Directory.GetFiles(pack, "*.png", SearchOption.AllDirectories)
                    .Count(f => !f.Contains("/.underlay/", StringComparison.Ordinal))));
    }
}
