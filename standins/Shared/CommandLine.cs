namespace StandIns;

/// <summary>What a stand-in is asked to do: <c>PROGRAM --base FOLDER --edition EDITION [--insist] -- PACKAGE…</c></summary>
/// <param name="Base">The folder of the host's own files.</param>
/// <param name="Edition">The edition that runs.</param>
/// <param name="Insist">Whether closed packages are loaded all the same.</param>
/// <param name="Packages">File names and how to open them.</param>
public sealed record CommandLine(string Base, string Edition, bool Insist, IReadOnlyList<(string Name, Func<Stream> Open)> Packages)
{
    /// <summary>Reads the words; null, and how it is used on standard error, when they make no sense.</summary>
    public static CommandLine? Read(string[] words, string program, IReadOnlyCollection<string> editions)
    {
        string? folder = null, edition = null;
        var insist = false;
        var packages = new List<string>();
        for (var i = 0; i < words.Length; i++)
        {
            if (words[i] == "--base" && i + 1 < words.Length) folder = words[++i];
            else if (words[i] == "--edition" && i + 1 < words.Length) edition = words[++i];
            else if (words[i] == "--insist") insist = true;
            else if (words[i] == "--")
            {
                packages.AddRange(words[(i + 1)..]);
                break;
            }
        }

        if (folder is not null && edition is not null && editions.Contains(edition))
            return new CommandLine(
                folder,
                edition,
                insist,
                [.. packages.Select(p => (Path.GetFileName(p), (Func<Stream>)(() => File.OpenRead(p))))]);
        Console.Error.WriteLine($"{program} --base FOLDER --edition {string.Join('|', editions)} [--insist] -- PACKAGE…");
        return null;
    }
}
