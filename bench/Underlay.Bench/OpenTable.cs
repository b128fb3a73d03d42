using System.Diagnostics;
using System.Globalization;
using Microsoft.EntityFrameworkCore;
using Npgsql;
using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Data;
using Underlay.Data.Facts;
using Underlay.Data.Operations;
using Underlay.Data.Packs;
using Underlay.Demo;

/// <summary>How long a pack in the database takes to be opened and checked: first, and by a server that was just started.</summary>
internal sealed class OpenTable(NpgsqlDataSource source) : IDbContextFactory<UnderlayDatabase>
{
    public UnderlayDatabase CreateDbContext()
    {
        var options = new DbContextOptionsBuilder<UnderlayDatabase>();
        UnderlayDatabase.Configure(options, source);
        return new UnderlayDatabase(options.Options);
    }

    public async Task PrintAsync(HostProfile profile, int pictures, TextWriter to)
    {
        var catalogue = BaseCatalogue.Read(profile, profile.Newest, DemoCatalogue.FindBase(profile.Key, profile.Newest.Key)!.Make());
        var id = Guid.CreateVersion7();
        await using (var database = CreateDbContext())
        {
            await database.Database.MigrateAsync().ConfigureAwait(false);
            database.Packs.Add(new Pack { Id = id, Host = profile.Key, Name = "bench" });
            await database.SaveChangesAsync().ConfigureAwait(false);
        }

        var tree = FileTree.Empty;
        var log = new OperationLog(source, TimeProvider.System);
        foreach (var part in LargePack.Make(pictures))
        {
            TreeEdit[] edits = [.. part.Files.Select(f => new TreeEdit.Write(f.Path, f.ReadAll()))];
            await log.ApplyAsync(id, EditPlan.Of(tree, edits), "Fill", "bench", null, null, default).ConfigureAwait(false);
            tree = tree.With(edits);
        }

        void Line(FormattableString line) => to.WriteLine(line.ToString(CultureInfo.InvariantCulture));
        Line($"| {pictures:N0} pictures in {tree.Files.Count:N0} files | ms |\n|---|---:|");
        foreach (var what in new[] { "first opening", "opening after a start", "once more" })
        {
            var shelf = new FactsStore(source);
            var begun = Stopwatch.GetTimestamp();
            var (opened, _) = (await new PackReader(source, this, shelf).OpenAsync(id, default).ConfigureAwait(false))!.Value;
            var read = Stopwatch.GetElapsedTime(begun);
            var session = CheckSession.Open(profile, null, _ => catalogue, opened);
            var all = Stopwatch.GetElapsedTime(begun);
            Line($"| {what} (names and facts {read.TotalMilliseconds:N0}) | {all.TotalMilliseconds:N0} |");
            if (session.Report.Blocks) throw new InvalidOperationException("The pack that is timed should be sound.");
            await shelf.KeepAsync(default).ConfigureAwait(false);
        }
    }
}
