using System.Globalization;
using Underlay.Files;

namespace Underlay.Server.Hosting;

/// <summary>What the server is told by its surroundings.</summary>
/// <param name="Port">The port on loopback.</param>
/// <param name="Database">Connection string of a PostgreSQL server.</param>
/// <param name="Installation">Host profiles, stand-ins and cache.</param>
/// <param name="Web">The built web pages.</param>
/// <param name="LoadDemo">Whether the demo is loaded into a database that has never had it.</param>
internal sealed record Settings(int Port, string Database, Installation Installation, string Web, bool LoadDemo)
{
    public const int DefaultPort = 5170;

    /// <exception cref="InvalidDataException">A setting cannot be read.</exception>
    public static Settings Read(IConfiguration configuration)
    {
        var port = DefaultPort;
        if (configuration["UNDERLAY_PORT"] is { Length: > 0 } text
            && (!int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out port) || port is < 1 or > 65535))
            throw new InvalidDataException($"UNDERLAY_PORT is “{text}”; a port from 1 to 65535 is wanted.");
        var found = Installation.Find();
        var data = configuration["UNDERLAY_DATA"];
        if (data is not null) found = found with { Cache = Path.Combine(data, "cache"), Author = Path.Combine(data, "author.json") };
        if (configuration["UNDERLAY_CACHE"] is { Length: > 0 } cache) found = found with { Cache = cache };
        if (configuration["UNDERLAY_AUTHOR"] is { Length: > 0 } author) found = found with { Author = author };
        return new Settings(
            port,
            configuration["UNDERLAY_DB"] ?? "",
            found,
            configuration["UNDERLAY_WEB"] ?? Path.Combine(Path.GetDirectoryName(found.Hosts)!, "web", "dist"),
            configuration["UNDERLAY_DEMO"] != "0");
    }
}
