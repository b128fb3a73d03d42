using System.Text.RegularExpressions;
using Underlay.Testing;

namespace Underlay.Architecture.Tests;

/// <summary>Words that belong into data, or to one folder, stand nowhere else in the code.</summary>
public partial class WordTests
{
    /// <summary>What the hosts speak of. A profile says it; code that said it would be a host's own.</summary>
    private static readonly HashSet<string> HostNouns = new(StringComparer.OrdinalIgnoreCase)
    {
        "village", "villages", "glow", "glows", "rim", "kiln", "kilns", "glaze", "glazes", "pottery", "pot", "pots", "ware", "wares",
        "bird", "birds", "plumage", "plumages", "stall", "stalls", "surface", "surfaces", "ember", "embers", "skin", "skins", "shelf",
        "seal", "seals", "frieze", "friezes", "awning", "awnings", "market", "markets", "folio", "folios", "scene", "tower", "bell", "peal",
        "printing", "plate", "tint", "tints", "almanac",
    };

    private static readonly string[] Endings = [.. Core.Formats.FileFormats.All.SelectMany(f => f.Endings)];

    [Fact]
    public void No_code_speaks_of_what_only_a_host_has()
    {
        var said =
            from file in Sources()
            from text in Texts(file)
            from Match word in Word().Matches(text)
            where HostNouns.Contains(word.Value)
            select $"{Path.GetRelativePath(Repository.Root, file)}: “{word.Value}” in {text}";
        Assert.Empty(said);
    }

    [Fact]
    public void Only_formats_know_how_files_end()
    {
        var known =
            from file in Sources()
            where !file.Contains("/Formats/", StringComparison.Ordinal)
            from text in Texts(file)
            where Endings.Contains(text)
            select $"{Path.GetRelativePath(Repository.Root, file)}: “{text}”";
        Assert.Empty(known);
    }

    /// <summary>What a format is asked, it answers itself: nothing else tells one from another.</summary>
    [Fact]
    public void Only_formats_name_one_format()
    {
        var names = Core.Formats.FileFormats.All.Select(f => f.GetType().Name).ToHashSet(StringComparer.Ordinal);
        var known =
            from file in Sources()
            where !file.Contains("/Formats/", StringComparison.Ordinal)
            from Match word in Word().Matches(File.ReadAllText(file))
            where names.Contains(word.Value)
            select $"{Path.GetRelativePath(Repository.Root, file)}: {word.Value}";
        Assert.Empty(known);
    }

    [Fact]
    public void Texts_are_seen()
    {
        var texts = Sources().SelectMany(Texts).ToList();
        Assert.Contains("image/wrong-size", texts);
        Assert.Contains(texts, t => t.Contains("cannot be read", StringComparison.Ordinal));
    }

    private static IEnumerable<string> Sources() =>
        new[] { "Core", "Files", "Data", "Server", "Cli" }
            .Select(p => Path.Combine(Repository.Root, "src", $"Underlay.{p}"))
            .SelectMany(f => Directory.EnumerateFiles(f, "*.cs", SearchOption.AllDirectories))
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/bin/", StringComparison.Ordinal));

    /// <summary>What stands between quotes, holes left out; comments are not looked at.</summary>
    private static IEnumerable<string> Texts(string file) =>
        Quoted()
            .Matches(string.Join('\n', File.ReadLines(file).Where(l => !l.TrimStart().StartsWith("//", StringComparison.Ordinal))))
            .Select(m => Hole().Replace(m.Groups[1].Value, ""));

    [GeneratedRegex("\"((?:\\\\.|[^\"\\\\\\n])*)\"")]
    private static partial Regex Quoted();

    [GeneratedRegex("\\{[^}]*\\}")]
    private static partial Regex Hole();

    [GeneratedRegex("[A-Za-z]+")]
    private static partial Regex Word();
}
