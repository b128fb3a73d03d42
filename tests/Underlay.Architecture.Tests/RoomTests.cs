using System.Text.RegularExpressions;
using Underlay.Testing;

namespace Underlay.Architecture.Tests;

/// <summary>Core's rooms form no circle: each knows those that stand before it here, and none behind it.</summary>
public partial class RoomTests
{
    private static readonly string[] Rooms =
    [
        "Names", "Packs", "Images", "Sounds", "Formats", "Entries", "Steps", "Hosts", "Codebooks", "BaseFiles", "Decisions",
        "Manifests", "Stacks", "References", "Recipes", "Texts",
        "Offers", "Packaging", "Placements", "Renames", "Fixes", "Findings", "Checks", "Mending",
    ];

    private static readonly string Core = Path.Combine(Repository.Root, "src", "Underlay.Core");

    public static TheoryData<string> All => [.. Rooms];

    [Fact]
    public void Every_folder_of_Core_is_a_room() =>
        Assert.Equal(
            Rooms.Order(StringComparer.Ordinal),
            Directory.EnumerateDirectories(Core)
                .Select(d => Path.GetFileName(d)!)
                .Where(d => d is not ("bin" or "obj"))
                .Order(StringComparer.Ordinal));

    [Theory]
    [MemberData(nameof(All))]
    public void A_room_knows_only_rooms_before_it(string room)
    {
        var later = Rooms[(Array.IndexOf(Rooms, room) + 1)..];
        var known =
            from file in FilesOf(room)
            from other in RoomsIn(File.ReadAllText(file)).Intersect(later)
            select $"{Path.GetFileName(file)} knows {other}";
        Assert.Empty(known);
    }

    [Fact]
    public void Rooms_that_are_used_are_seen()
    {
        Assert.Contains("Stacks", FilesOf("Checks").SelectMany(f => RoomsIn(File.ReadAllText(f))));
        const string Source = "using Underlay.Core.Hosts;\nvar a = new Stacks.Overlay(); // Fixes.Fix";
        Assert.Equal(["Hosts", "Stacks"], RoomsIn(Source).Order(StringComparer.Ordinal));
    }

    private static IEnumerable<string> FilesOf(string room) =>
        Directory.EnumerateFiles(Path.Combine(Core, room), "*.cs", SearchOption.AllDirectories);

    /// <summary>The rooms that a file names: in its usings, or before a type.</summary>
    private static IEnumerable<string> RoomsIn(string source)
    {
        var code = Comment().Replace(Text().Replace(source, "\"\""), "");
        return Using().Matches(code)
            .Concat(Qualified().Matches(code))
            .Select(m => m.Groups[1].Value + m.Groups[2].Value)
            .Where(Rooms.Contains)
            .Distinct();
    }

    [GeneratedRegex("^using Underlay\\.Core\\.(\\w+)", RegexOptions.Multiline)]
    private static partial Regex Using();

    [GeneratedRegex("(?:(?<=new |<)([A-Z]\\w+)\\.[A-Z]|(?<![\\w.])([A-Z]\\w+)\\.[A-Z]\\w+\\.[A-Z])")]
    private static partial Regex Qualified();

    [GeneratedRegex("//.*")]
    private static partial Regex Comment();

    [GeneratedRegex("\"(\\\\.|[^\"\\\\])*\"")]
    private static partial Regex Text();
}
