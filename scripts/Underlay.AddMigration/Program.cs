using System.Reflection;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design.Internal;
using Microsoft.EntityFrameworkCore.Migrations.Design;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using Underlay.Data;

// Writes the migration that brings a database from the last migration to the model: scripts/add-migration NAME.
// It stands in for EF Core's command-line tool, and needs no database.
var (name, folder) = (args[0], args[1]);
var options = new DbContextOptionsBuilder<UnderlayDatabase>();
await using var source = NpgsqlDataSource.Create("Host=127.0.0.1");
UnderlayDatabase.Configure(options, source);
await using var database = new UnderlayDatabase(options.Options);
var services = new DesignTimeServicesBuilder(
    typeof(UnderlayDatabase).Assembly,
    Assembly.GetExecutingAssembly(),
    new Reporter(),
    []).Build(database);
using var scope = services.CreateScope();
var scaffolder = scope.ServiceProvider.GetRequiredService<IMigrationsScaffolder>();
var migration = scaffolder.ScaffoldMigration(name, "Underlay.Data", "Migrations");
scaffolder.Save(folder, migration, Path.Combine(folder, "Migrations"), dryRun: false);

internal sealed class Reporter : IOperationReporter
{
    public void WriteError(string message) => Console.Error.WriteLine(message);

    public void WriteWarning(string message) => Console.Error.WriteLine(message);

    public void WriteInformation(string message) => Console.WriteLine(message);

    public void WriteVerbose(string message)
    {
    }
}
