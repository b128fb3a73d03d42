namespace Underlay.Files;

/// <summary>Where the pieces of an installation lie. Each place can be named by an environment variable.</summary>
/// <param name="Hosts">Host profiles.</param>
/// <param name="StandIns">Built stand-ins.</param>
/// <param name="Cache">What may be made anew at any time.</param>
/// <param name="Bases">
/// Base files of hosts that are installed here, <c>{host}/{edition}/…</c>, or null; they go before those that the demo makes.
/// </param>
public sealed record Installation(string Hosts, string StandIns, string Cache, string? Bases = null)
{
    /// <summary>The file with what the author said once.</summary>
    public string Author { get; init; } = AuthorFile.UsualPath;

    /// <summary>The folder with an edition's files, where one is configured; null where not.</summary>
    public string? FindBase(string host, string edition) =>
        Bases is not null && Path.Combine(Bases, host, edition) is var folder && Directory.Exists(folder) ? folder : null;

    /// <summary>The installation that this program belongs to: the folder above that has <c>hosts/</c>.</summary>
    public static Installation Find()
    {
        var root = AppContext.BaseDirectory;
        while (root is not null && !Directory.Exists(Path.Combine(root, "hosts"))) root = Path.GetDirectoryName(root.TrimEnd('/'));
        root ??= Environment.CurrentDirectory;
        return new Installation(
            Environment.GetEnvironmentVariable("UNDERLAY_HOSTS") ?? Path.Combine(root, "hosts"),
            Environment.GetEnvironmentVariable("UNDERLAY_STANDINS") ?? Path.Combine(root, ".build", "standins"),
            Environment.GetEnvironmentVariable("UNDERLAY_CACHE") ?? Path.Combine(root, ".cache"),
            Environment.GetEnvironmentVariable("UNDERLAY_BASES"));
    }
}
