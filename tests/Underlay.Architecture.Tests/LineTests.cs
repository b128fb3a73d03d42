using System.Globalization;
using Underlay.Testing;

namespace Underlay.Architecture.Tests;

/// <summary>Code can be read without moving it sideways.</summary>
public class LineTests
{
    private const int Most = 140;

    private static readonly string[] Rooms = ["src", "standins", "bench", "tests", "web/src", "web/tests", "web/unit", "web/bench"];

    private static readonly string[] Made = ["/obj/", "/bin/", "/Migrations/", "/node_modules/", "/api/schema.d.ts"];

    private static readonly string[] Endings = [".cs", ".ts", ".vue"];

    [Fact]
    public void Lines_are_not_too_long()
    {
        var files = Rooms
            .SelectMany(r => Directory.EnumerateFiles(Path.Combine(Repository.Root, r), "*", SearchOption.AllDirectories))
            .Where(f => Endings.Contains(Path.GetExtension(f)) && !IsMade(f))
            .ToList();
        Assert.Contains(files, f => f.EndsWith("LineTests.cs", StringComparison.Ordinal));
        Assert.Contains(files, f => f.EndsWith("App.vue", StringComparison.Ordinal));
        Assert.Empty(
            from file in files
            from line in File.ReadLines(file).Index()
            where new StringInfo(line.Item).LengthInTextElements > Most
            select $"{Path.GetRelativePath(Repository.Root, file)}:{line.Index + 1}");
    }

    /// <summary>What tools write: builds, migrations, the pages' types of the API.</summary>
    private static bool IsMade(string file) => Made.Any(f => file.Contains(f, StringComparison.Ordinal));
}
