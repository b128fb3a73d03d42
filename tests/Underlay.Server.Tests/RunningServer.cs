using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;
using Npgsql;
using Underlay.Server.Hosting;

[assembly: AssemblyFixture(typeof(Underlay.Server.Tests.RunningServer))]

namespace Underlay.Server.Tests;

/// <summary>The server on a database of its own, in the PostgreSQL that ./test started.</summary>
public sealed class RunningServer : WebApplicationFactory<Program>
{
    private readonly string database = Connection($"test_{Guid.NewGuid():N}");

    public static string Connection(string name)
    {
        var text = Environment.GetEnvironmentVariable("UNDERLAY_TEST_DB")
            ?? throw new InvalidOperationException("UNDERLAY_TEST_DB is not set; run ./test server.");
        return new NpgsqlConnectionStringBuilder(text) { Database = name }.ConnectionString;
    }

    public TestPack Pack(Guid id) => new(CreateClient(), id);

    /// <summary>A new pack for one test.</summary>
    public async Task<TestPack> NewPackAsync(string title = "Test") => await TestPack.BeginAsync(CreateClient(), title);

    public NpgsqlDataSource OpenDatabase() => NpgsqlDataSource.Create(database);

    /// <summary>Breaks every connection of the server to its database; for a server of one's own.</summary>
    public Task BreakConnectionsAsync() => OwnDatabase.BreakConnectionsAsync(database);

    /// <summary>Lets go of what nothing refers to, as the server does now and then.</summary>
    internal Task<LetGo> TidyAsync() => Services.GetServices<IHostedService>().OfType<Housekeeper>().Single().TidyAsync(default);

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("UNDERLAY_DB", database);
        builder.ConfigureLogging(logging => logging.ClearProviders());
        builder.UseSetting("UNDERLAY_WEB", "/nowhere");
        builder.UseSetting("UNDERLAY_AUTHOR", Path.Combine(Path.GetTempPath(), "underlay-author", $"{Guid.NewGuid():N}.json"));
    }
}
