using Microsoft.EntityFrameworkCore;
using Npgsql;
using Underlay.Data;
using Underlay.Data.Packs;

namespace Underlay.Server.Tests;

/// <summary>A database with one pack, on which no server works.</summary>
internal sealed class OwnDatabase : IDbContextFactory<UnderlayDatabase>, IAsyncDisposable
{
    private readonly NpgsqlDataSource source = NpgsqlDataSource.Create(RunningServer.Connection($"own_{Guid.NewGuid():N}"));

    private OwnDatabase()
    {
    }

    public Guid Pack { get; } = Guid.CreateVersion7();

    public NpgsqlDataSource Source => source;

    public static async Task<OwnDatabase> MakeAsync()
    {
        var made = new OwnDatabase();
        await using var database = made.CreateDbContext();
        await database.Database.MigrateAsync();
        database.Packs.Add(new Pack { Id = made.Pack, Host = "kilnmoor", Name = "own" });
        await database.SaveChangesAsync();
        return made;
    }

    public UnderlayDatabase CreateDbContext()
    {
        var options = new DbContextOptionsBuilder<UnderlayDatabase>();
        UnderlayDatabase.Configure(options, source);
        return new UnderlayDatabase(options.Options);
    }

    /// <summary>Breaks every connection that is open, as a database does that is killed.</summary>
    public Task BreakConnectionsAsync() => BreakConnectionsAsync(source.ConnectionString);

    /// <inheritdoc cref="BreakConnectionsAsync()"/>
    /// <param name="to">What the connections lead to.</param>
    public static async Task BreakConnectionsAsync(string to)
    {
        var elsewhere = new NpgsqlConnectionStringBuilder(RunningServer.Connection("postgres")) { Pooling = false };
        await using var other = NpgsqlDataSource.Create(elsewhere.ConnectionString);
        await using var end = other.CreateCommand("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1");
        end.Parameters.AddWithValue(new NpgsqlConnectionStringBuilder(to).Database!);
        await end.ExecuteNonQueryAsync();
    }

    public ValueTask DisposeAsync() => source.DisposeAsync();
}
