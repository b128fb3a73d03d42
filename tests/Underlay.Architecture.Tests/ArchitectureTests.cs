using System.Reflection.Metadata;
using System.Reflection.PortableExecutable;
using System.Text.RegularExpressions;
using Underlay.Testing;

namespace Underlay.Architecture.Tests;

/// <summary>What may refer to what (docs/architecture.md).</summary>
public class ArchitectureTests
{
    private static readonly System.Reflection.Assembly Core = typeof(Underlay.Core.Checks.Check).Assembly;
    private static readonly System.Reflection.Assembly Files = typeof(Underlay.Files.FolderTree).Assembly;
    private static readonly System.Reflection.Assembly Demo = typeof(Underlay.Demo.DemoCatalogue).Assembly;
    private static readonly System.Reflection.Assembly Data = typeof(Underlay.Data.UnderlayDatabase).Assembly;
    private static readonly System.Reflection.Assembly Server = System.Reflection.Assembly.Load("Underlay.Server");
    private static readonly System.Reflection.Assembly StandIn = typeof(Kilnmoor.Game).Assembly;

    private static readonly HashSet<string> Outside =
    [
        "System.IO.File", "System.IO.Directory", "System.IO.FileStream", "System.IO.FileInfo", "System.IO.DirectoryInfo",
        "System.Diagnostics.Process", "System.Console",
        "System.DateTime", "System.DateTimeOffset", "System.TimeProvider", "System.Environment+SpecialFolder", "System.Net.Http.HttpClient",
    ];

    /// <summary>Every type that an assembly's code names, from its metadata.</summary>
    private static List<string> TypesUsedBy(System.Reflection.Assembly assembly)
    {
        using var file = new PEReader(File.OpenRead(assembly.Location));
        var metadata = file.GetMetadataReader();
        return
        [
            .. metadata.TypeReferences
                .Select(metadata.GetTypeReference)
                .Select(t => $"{metadata.GetString(t.Namespace)}.{metadata.GetString(t.Name)}"),
        ];
    }

    private static IEnumerable<string> References(System.Reflection.Assembly assembly) =>
        assembly.GetReferencedAssemblies().Select(r => r.Name!);

    [Fact]
    public void Core_refers_to_nothing_of_ours() =>
        Assert.DoesNotContain(
            References(Core),
            r => r.StartsWith("Underlay", StringComparison.Ordinal) || r == "Kilnmoor" || r == "underlay");

    [Fact]
    public void Core_refers_to_no_web_database_or_drawing() =>
        Assert.DoesNotContain(
            References(Core),
            r =>
                Regex.IsMatch(
                    r,
                    "^(Microsoft\\.AspNetCore|Microsoft\\.EntityFrameworkCore|Npgsql|System\\.Net|System\\.Data|SkiaSharp"
                        + "|System\\.CommandLine)"));

    [Fact]
    public void Core_touches_no_disk_process_console_or_clock() => Assert.DoesNotContain(TypesUsedBy(Core), Outside.Contains);

    [Fact]
    public void The_rule_against_disks_sees_one() => Assert.Contains("System.IO.File", TypesUsedBy(Files));

    [Fact]
    public void Stand_ins_share_no_code_with_the_rest()
    {
        Assert.DoesNotContain(References(StandIn), r => r.StartsWith("Underlay", StringComparison.Ordinal));
        foreach (var ours in new[] { Core, Files, Demo }) Assert.DoesNotContain("Kilnmoor", References(ours));
    }

    [Fact]
    public void Files_refers_to_Core_only() =>
        Assert.Equal(["Underlay.Core"], References(Files).Where(r => r.StartsWith("Underlay", StringComparison.Ordinal)));

    [Fact]
    public void Data_refers_to_Core_only_and_the_server_to_no_stand_in()
    {
        Assert.Equal(["Underlay.Core"], References(Data).Where(r => r.StartsWith("Underlay", StringComparison.Ordinal)));
        Assert.DoesNotContain("Kilnmoor", References(Server));
        Assert.DoesNotContain("underlay", References(Server));
    }

    [Fact]
    public void Every_problem_that_the_server_tells_is_documented()
    {
        var documented = File.ReadAllText(Path.Combine(Repository.Root, "docs", "api.md"));
        var source = Directory.EnumerateFiles(Path.Combine(Repository.Root, "src", "Underlay.Server"), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal));
        var types = source
            .SelectMany(
                f =>
                    Regex.Matches(File.ReadAllText(f), "(?:ProblemException\\(|new\\()[0-9]{3}, \"([a-z-]+)\"")
                        .Select(m => m.Groups[1].Value))
            .Distinct()
            .ToList();
        Assert.True(types.Count > 15);
        Assert.All(types, type => Assert.Contains($"{type}`", documented, StringComparison.Ordinal));
    }

    [Fact]
    public void No_host_is_named_in_src_outside_the_demo()
    {
        var hosts = Underlay.Files.ProfileFolder.List(Repository.Hosts);
        var src = Path.Combine(Repository.Root, "src");
        var named = Directory.EnumerateFiles(src, "*.cs", SearchOption.AllDirectories)
            .Where(
                f =>
                    !f.StartsWith(Path.Combine(src, "Underlay.Demo"), StringComparison.Ordinal)
                        && !f.Contains("/obj/", StringComparison.Ordinal))
            .SelectMany(
                f =>
                    File.ReadLines(f)
                        .Where(l => hosts.Any(h => l.Contains(h, StringComparison.OrdinalIgnoreCase)))
                        .Select(l => $"{f}: {l.Trim()}"));
        Assert.NotEmpty(hosts);
        Assert.Empty(named);
    }

    [Fact]
    public void Each_check_is_one_file_named_after_it_in_the_folder_of_its_area()
    {
        var folder = Path.Combine(Repository.Root, "src", "Underlay.Core", "Checks");
        foreach (var check in Underlay.Core.Checks.CheckList.Engine)
        {
            var area = check.Code.Value.Split('/')[0];
            var file = Path.Combine(folder, $"{char.ToUpperInvariant(area[0])}{area[1..]}", $"{check.GetType().Name}.cs");
            Assert.Contains(
                $"public override CheckCode Code => new(\"{check.Code}\");",
                File.ReadAllText(file),
                StringComparison.Ordinal);
        }
    }
}
