using Microsoft.EntityFrameworkCore;
using Npgsql;
using Underlay.Core.Packs;
using Underlay.Data;
using Underlay.Demo;
using Underlay.Server.Files;
using Underlay.Server.Hosts;
using Underlay.Server.Packs;

namespace Underlay.Server.Hosting;

/// <summary>Brings the database up to date before the first page is served.</summary>
internal static class Preparation
{
    private const long Lock = 5170_5170;

    private static readonly TimeSpan LookAgain = TimeSpan.FromSeconds(1);

    /// <summary>Prepares; a database that does not answer is waited for.</summary>
    public static async Task PrepareAsync(IServiceProvider services, Settings settings)
    {
        var watch = services.GetRequiredService<DatabaseWatch>();
        while (true)
        {
            try
            {
                await TryAsync(services, settings).ConfigureAwait(false);
                return;
            }
            catch (Exception problem) when (watch.Notes(problem))
            {
                await Task.Delay(LookAgain).ConfigureAwait(false);
            }
        }
    }

    private static async Task TryAsync(IServiceProvider services, Settings settings)
    {
        await using var scope = services.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<UnderlayDatabase>();
        await EnsureDatabaseAsync(settings.Database).ConfigureAwait(false);
        // Of several nodes that start at once, one prepares.
        await using var connection = await scope.ServiceProvider
            .GetRequiredService<NpgsqlDataSource>()
            .OpenConnectionAsync().ConfigureAwait(false);
        await RunAsync(connection, $"SELECT pg_advisory_lock({Lock})").ConfigureAwait(false);
        try
        {
            var isNew = (await database.Database.GetAppliedMigrationsAsync().ConfigureAwait(false)).FirstOrDefault() is null;
            await database.Database.MigrateAsync().ConfigureAwait(false);
            await scope.ServiceProvider.GetRequiredService<BaseIndex>().RefreshAsync(CancellationToken.None).ConfigureAwait(false);
            // A demo pack that the author deleted stays away.
            if (isNew && settings.LoadDemo) await LoadDemoAsync(scope.ServiceProvider).ConfigureAwait(false);
        }
        finally
        {
            await RunAsync(connection, $"SELECT pg_advisory_unlock({Lock})").ConfigureAwait(false);
        }
    }

    private static async Task LoadDemoAsync(IServiceProvider services)
    {
        var importer = services.GetRequiredService<PackImporter>();
        var hosts = services.GetRequiredService<HostRegistry>();
        // Packs are listed newest first; the first of the demo is the last to come.
        foreach (var pack in DemoCatalogue.Packs.Reverse())
        {
            using var files = new Upload([.. pack.Make().Files.Select(f => f with { Path = PackPath.Parse($"{pack.Name}/{f.Path}") })], []);
            await importer.ImportAsync(
                hosts.Get(pack.Host),
                files,
                pack.About,
                CancellationToken.None).ConfigureAwait(false);
        }
    }

    private static async Task EnsureDatabaseAsync(string text)
    {
        var wanted = new NpgsqlConnectionStringBuilder(text);
        await using var server = new NpgsqlConnection(
            new NpgsqlConnectionStringBuilder(text) { Database = "postgres", Pooling = false }.ConnectionString);
        await server.OpenAsync().ConfigureAwait(false);
        await using var find = new NpgsqlCommand("SELECT 1 FROM pg_database WHERE datname = $1", server)
        {
            Parameters = { new NpgsqlParameter { Value = wanted.Database } },
        };
        if (await find.ExecuteScalarAsync().ConfigureAwait(false) is not null) return;
        try
        {
            await RunAsync(
                server,
                $"CREATE DATABASE \"{wanted.Database!.Replace("\"", "\"\"", StringComparison.Ordinal)}\"").ConfigureAwait(false);
        }
        catch (PostgresException problem)
            when (problem.SqlState is PostgresErrorCodes.DuplicateDatabase or PostgresErrorCodes.UniqueViolation)
        {
            // Another node made it meanwhile.
        }
    }

    private static async Task RunAsync(NpgsqlConnection connection, string sql)
    {
        // Another node may prepare for as long as it takes.
        await using var command = new NpgsqlCommand(sql, connection) { CommandTimeout = 0 };
        await command.ExecuteNonQueryAsync().ConfigureAwait(false);
    }
}
