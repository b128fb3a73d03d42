using System.Net.Sockets;
using Npgsql;

namespace Underlay.Data;

/// <summary>The connection broke while a transaction was being committed: it may be kept, or not.</summary>
public sealed class OutcomeUnknownException(Exception cause) : Exception("The connection broke while the change was being kept.", cause);

/// <summary>Tells a database that does not answer from a fault of ours.</summary>
public static class DatabaseTrouble
{
    /// <summary>Whether the database is away: not running, starting, ending, or out of connections. Asking again may help.</summary>
    /// <remarks>Classes of SQLSTATE as in PostgreSQL's documentation, appendix A.</remarks>
    public static bool IsAway(Exception problem)
    {
        for (var at = problem; at is not null; at = at.InnerException)
        {
            switch (at)
            {
                case PostgresException told:
                    return told.SqlState[..2] is "08" or "53" or "57" or "58";
                case NpgsqlException or SocketException or OutcomeUnknownException:
                    return true;
            }
        }

        return false;
    }

    /// <summary>Commits. It is not to be cancelled: half-way nobody would know what became of it.</summary>
    /// <exception cref="OutcomeUnknownException">The connection broke meanwhile.</exception>
    public static async Task CommitKnownAsync(this NpgsqlTransaction transaction)
    {
        try
        {
            await transaction.CommitAsync(CancellationToken.None).ConfigureAwait(false);
        }
        catch (Exception problem) when (problem is NpgsqlException or IOException or TimeoutException)
        {
            throw new OutcomeUnknownException(problem);
        }
    }
}
