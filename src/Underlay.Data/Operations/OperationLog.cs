using System.Data;
using Npgsql;
using Underlay.Core.Packs;
using Underlay.Data.Blobs;
using Underlay.Data.Packs;

namespace Underlay.Data.Operations;

/// <summary>Carries out edits of packs, each in one transaction with its log entry and its bytes.</summary>
public sealed class OperationLog(NpgsqlDataSource source, TimeProvider clock)
{
    /// <summary>The channel that tells of new revisions: "pack id:revision".</summary>
    public const string Channel = "underlay_packs";

    /// <summary>Carries out an edit.</summary>
    /// <param name="packId">The pack.</param>
    /// <param name="plan">What to change.</param>
    /// <param name="what">What it is, as the author would say it.</param>
    /// <param name="by">By whom.</param>
    /// <param name="expected">The revision that the caller knows, or null when the rows' own "before" suffices.</param>
    /// <param name="key">The sender's key, with which it is made once; null for none.</param>
    /// <param name="cancel">Nothing is changed when it comes in time.</param>
    /// <param name="holds">Asked when all is ready to be kept, as the revision given: nothing is where it says no. Null for yes.</param>
    /// <exception cref="OutcomeUnknownException">It may be made or not.</exception>
    public Task<EditOutcome> ApplyAsync(
        Guid packId,
        EditPlan plan,
        string what,
        string by,
        long? expected,
        Guid? key,
        CancellationToken cancel,
        Func<long, Task<bool>>? holds = null) =>
        InTransaction(packId, expected, key, async (connection, revision) =>
        {
            if (plan.Rows.Count == 0) return new EditOutcome.Applied(revision);
            await BlobStore.WriteAsync(connection, plan.Blobs, cancel).ConfigureAwait(false);
            var outcome = await ChangeAsync(
                connection,
                packId,
                revision,
                plan.Rows,
                what,
                by,
                OperationKind.Act,
                cancel).ConfigureAwait(false);
            if (outcome is not EditOutcome.Applied { Revision: var next }) return outcome;
            await RunAsync(
                connection,
                "UPDATE operations SET state = 'abandoned' WHERE pack_id = $1 AND state = 'undone'",
                cancel,
                packId).ConfigureAwait(false);
            return holds is null || await holds(next).ConfigureAwait(false) ? outcome : new EditOutcome.Withheld();
        }, cancel);

    /// <summary>Makes a pack with its first files: both are kept, or neither.</summary>
    /// <param name="pack">The pack, not kept yet.</param>
    /// <param name="plan">Its first files; without any it begins empty.</param>
    /// <param name="what">What was done, as the author would say it.</param>
    /// <param name="by">By whom.</param>
    /// <param name="key">The sender's key, with which it is made once; null for none.</param>
    /// <param name="cancel">Nothing is kept when it comes in time.</param>
    /// <exception cref="OutcomeUnknownException">It may be made or not.</exception>
    public async Task<EditOutcome> BeginAsync(Pack pack, EditPlan plan, string what, string by, Guid? key, CancellationToken cancel)
    {
        await using var connection = await source.OpenConnectionAsync(cancel).ConfigureAwait(false);
        await using var transaction = await connection.BeginTransactionAsync(IsolationLevel.ReadCommitted, cancel).ConfigureAwait(false);
        if (!await TakeKeyAsync(connection, key, cancel).ConfigureAwait(false)) return new EditOutcome.MadeBefore();
        await RunAsync(
            connection,
            "INSERT INTO packs (id, host, name, about, revision, created_at) VALUES ($1, $2, $3, $4, 0, $5)",
            cancel,
            pack.Id,
            pack.Host,
            pack.Name,
            (object?)pack.About ?? DBNull.Value,
            pack.CreatedAt).ConfigureAwait(false);
        await BlobStore.WriteAsync(connection, plan.Blobs, cancel).ConfigureAwait(false);
        EditOutcome outcome = plan.Rows.Count == 0
            ? new EditOutcome.Applied(0)
            : await ChangeAsync(connection, pack.Id, 0, plan.Rows, what, by, OperationKind.Act, cancel).ConfigureAwait(false);
        if (outcome is EditOutcome.Applied) await transaction.CommitKnownAsync().ConfigureAwait(false);
        return outcome;
    }

    /// <summary>Undoes the last act that stands, by appending its inverse.</summary>
    public Task<EditOutcome> UndoAsync(Guid packId, string by, long? expected, Guid? key, CancellationToken cancel) =>
        TurnAsync(packId, by, expected, key, OperationKind.Undo, cancel);

    /// <summary>Does the act that was undone last again.</summary>
    public Task<EditOutcome> RedoAsync(Guid packId, string by, long? expected, Guid? key, CancellationToken cancel) =>
        TurnAsync(packId, by, expected, key, OperationKind.Redo, cancel);

    private Task<EditOutcome> TurnAsync(Guid packId, string by, long? expected, Guid? key, OperationKind kind, CancellationToken cancel) =>
        InTransaction(packId, expected, key, async (connection, revision) =>
        {
            // Acts are undone newest first, so of those undone the oldest was undone last.
            var find = kind == OperationKind.Undo
                ? "SELECT id, what FROM operations WHERE pack_id = $1 AND kind = 'act' AND state = 'standing' ORDER BY revision DESC "
                    + "LIMIT 1"
                : "SELECT id, what FROM operations WHERE pack_id = $1 AND kind = 'act' AND state = 'undone' ORDER BY revision LIMIT 1";
            var found = await ListAsync(
                connection,
                find,
                r => (Id: r.GetInt64(0), What: r.GetString(1)),
                cancel,
                packId).ConfigureAwait(false);
            if (found is not [var act]) return new EditOutcome.Nothing();
            var rows = await ListAsync(
                connection,
                "SELECT path, hash_before, hash_after, b.length, a.length FROM operation_rows LEFT JOIN blobs b ON b.hash = hash_before "
                    + "LEFT JOIN blobs a ON a.hash = hash_after WHERE operation_id = $1 ORDER BY path",
                r => ReadRow(r, kind),
                cancel,
                act.Id).ConfigureAwait(false);
            var outcome = await ChangeAsync(connection, packId, revision, rows, act.What, by, kind, cancel).ConfigureAwait(false);
            if (outcome is EditOutcome.Applied)
            {
                var state = kind == OperationKind.Undo ? "undone" : "standing";
                await RunAsync(connection, "UPDATE operations SET state = $2 WHERE id = $1", cancel, act.Id, state).ConfigureAwait(false);
            }

            return outcome;
        }, cancel);

    private static EditRow ReadRow(NpgsqlDataReader reader, OperationKind kind)
    {
        ContentHash? Hash(int column) => reader.IsDBNull(column) ? null : ContentHash.Parse(reader.GetString(column));
        long Length(int column) => reader.IsDBNull(column) ? 0 : reader.GetInt64(column);
        var path = PackPath.Parse(reader.GetString(0));
        return kind == OperationKind.Undo
            ? new EditRow(path, Hash(2), Hash(1), Length(3))
            : new EditRow(path, Hash(1), Hash(2), Length(4));
    }

    private async Task<EditOutcome> InTransaction(
        Guid packId,
        long? expected,
        Guid? key,
        Func<NpgsqlConnection, long, Task<EditOutcome>> work,
        CancellationToken cancel)
    {
        await using var connection = await source.OpenConnectionAsync(cancel).ConfigureAwait(false);
        await using var transaction = await connection.BeginTransactionAsync(IsolationLevel.ReadCommitted, cancel).ConfigureAwait(false);
        var packs = await ListAsync(
            connection,
            "SELECT revision, name, binned_at IS NOT NULL FROM packs WHERE id = $1 FOR UPDATE",
            r => (Revision: r.GetInt64(0), Title: r.GetString(1), IsBinned: r.GetBoolean(2)),
            cancel,
            packId).ConfigureAwait(false);
        if (!await TakeKeyAsync(connection, key, cancel).ConfigureAwait(false)) return new EditOutcome.MadeBefore();
        if (packs is not [var (revision, title, isBinned)]) return new EditOutcome.NoPack();
        if (isBinned) return new EditOutcome.InBin(title);
        if (expected is { } known && known != revision) return new EditOutcome.Stale(revision);
        var outcome = await work(connection, revision).ConfigureAwait(false);
        if (outcome is EditOutcome.Applied) await transaction.CommitKnownAsync().ConfigureAwait(false);
        return outcome;
    }

    /// <summary>
    /// Keeps the sender's key with what the transaction does; false when a write with it was made. One that is under way
    /// elsewhere is waited for.
    /// </summary>
    private async Task<bool> TakeKeyAsync(NpgsqlConnection connection, Guid? key, CancellationToken cancel) =>
        key is not { } given || (await ListAsync(
            connection,
            "INSERT INTO writes (key, at) VALUES ($1, $2) ON CONFLICT DO NOTHING RETURNING key",
            r => r.GetGuid(0),
            cancel,
            given,
            clock.GetUtcNow()).ConfigureAwait(false)).Count > 0;

    private async Task<EditOutcome> ChangeAsync(
        NpgsqlConnection connection,
        Guid packId,
        long revision,
        IReadOnlyList<EditRow> rows,
        string what,
        string by,
        OperationKind kind,
        CancellationToken cancel)
    {
        var paths = rows.Select(r => r.Path.Value).ToArray();
        var there = (
            await ListAsync(
                connection,
                "SELECT path, hash FROM pack_files WHERE pack_id = $1 AND path = ANY($2)",
                r => (Path: r.GetString(0), Hash: r.GetString(1)),
                cancel,
                packId,
                paths).ConfigureAwait(false))
            .ToDictionary(f => f.Path, f => f.Hash, StringComparer.Ordinal);
        var conflicts = rows.Where(r => there.GetValueOrDefault(r.Path.Value) != r.Before?.Hex).Select(r => r.Path).ToList();
        if (conflicts.Count > 0) return new EditOutcome.Conflict(conflicts);

        await RunAsync(
            connection,
            "DELETE FROM pack_files WHERE pack_id = $1 AND path = ANY($2)",
            cancel,
            packId,
            paths).ConfigureAwait(false);
        var after = rows.Where(r => r.After is not null).ToList();
        if (after.Exists(r => r.Before is null)
            && await FindCollisionAsync(connection, packId, after, cancel).ConfigureAwait(false) is { } collides)
            return collides;
        await RunAsync(
            connection,
            "INSERT INTO pack_files (pack_id, path, hash, length) SELECT $1, * FROM unnest($2, $3, $4)",
            cancel,
            packId,
            after.Select(r => r.Path.Value).ToArray(),
            after.Select(r => r.After!.Value.Hex).ToArray(),
            after.Select(r => r.Length).ToArray()).ConfigureAwait(false);

        var next = revision + 1;
        await RunAsync(
            connection,
            "INSERT INTO operations (pack_id, revision, at, by, what, kind, state, files, paths, hashes_before, hashes_after) "
                + "VALUES ($1, $2, $3, $4, $5, $6, 'standing', $7, $8, $9, $10)",
            cancel,
            packId,
            next,
            clock.GetUtcNow(),
            by,
            what,
            kind == OperationKind.Act ? "act" : kind == OperationKind.Undo ? "undo" : "redo",
            paths.Length,
            paths,
            rows.Select(r => r.Before?.Hex).ToArray(),
            rows.Select(r => r.After?.Hex).ToArray()).ConfigureAwait(false);
        // What the pack had before is kept already.
        var brought = after.Select(r => r.After!.Value.Hex).Except(there.Values).Order(StringComparer.Ordinal).ToArray();
        await RunAsync(
            connection,
            "INSERT INTO kept_blobs (pack_id, hash) SELECT $1, * FROM unnest($2) ON CONFLICT DO NOTHING",
            cancel,
            packId,
            brought).ConfigureAwait(false);
        await RunAsync(connection, "UPDATE packs SET revision = $2 WHERE id = $1", cancel, packId, next).ConfigureAwait(false);
        await RunAsync(connection, "SELECT pg_notify($1, $2)", cancel, Channel, $"{packId}:{next}").ConfigureAwait(false);
        return new EditOutcome.Applied(next);
    }

    /// <summary>The first path that cannot lie beside the pack's other files, those that change left aside.</summary>
    private static async Task<EditOutcome.Collides?> FindCollisionAsync(
        NpgsqlConnection connection,
        Guid packId,
        IReadOnlyList<EditRow> after,
        CancellationToken cancel)
    {
        var folded = new FoldedPaths();
        foreach (
            var path in await ListAsync(
                connection,
                "SELECT path FROM pack_files WHERE pack_id = $1",
                r => r.GetString(0),
                cancel,
                packId).ConfigureAwait(false))
            folded.TryAdd(path);
        foreach (var row in after)
            if (folded.TryAdd(row.Path.Value) is not null) return new EditOutcome.Collides(row.Path);
        return null;
    }

    private static async Task RunAsync(NpgsqlConnection connection, string sql, CancellationToken cancel, params object[] values)
    {
        await using var command = Command(connection, sql, values);
        await command.ExecuteNonQueryAsync(cancel).ConfigureAwait(false);
    }

    private static async Task<List<T>> ListAsync<T>(
        NpgsqlConnection connection,
        string sql,
        Func<NpgsqlDataReader, T> read,
        CancellationToken cancel,
        params object[] values)
    {
        await using var command = Command(connection, sql, values);
        await using var reader = await command.ExecuteReaderAsync(cancel).ConfigureAwait(false);
        var list = new List<T>();
        while (await reader.ReadAsync(cancel).ConfigureAwait(false)) list.Add(read(reader));
        return list;
    }

    private static NpgsqlCommand Command(NpgsqlConnection connection, string sql, object[] values)
    {
        var command = new NpgsqlCommand(sql, connection);
        foreach (var value in values) command.Parameters.Add(new NpgsqlParameter { Value = value });
        return command;
    }
}
