using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Underlay.Core.Decisions;
using Underlay.Core.Packs;
using Underlay.Data;

namespace Underlay.Server.Hosting;

/// <summary>An answer that tells what is wrong (RFC 9457). The type is stable; the detail is for people.</summary>
internal sealed class ProblemException(int status, string type, string detail, Exception? cause = null) : Exception(detail, cause)
{
    public int Status => status;

    public string Type => $"/problems/{type}";

    /// <summary>Paths that the problem is about.</summary>
    public IReadOnlyList<string> Paths { get; init; } = [];

    /// <summary>The pack's revision now, where that is the problem.</summary>
    public long? Revision { get; init; }

    public static ProblemException NoPack() => new(404, "no-pack", "There is no such pack; it may have been deleted.");

    public static ProblemException InBin(string title) =>
        new(410, "in-bin", $"{title} is in the bin. It can be restored from there, with its history and releases.");

    public static ProblemException NoFile(string path) => new(404, "no-file", $"There is no file {path}.") { Paths = [path] };

    /// <summary>A write that was sent twice with one key; the answer to the first is not known.</summary>
    public static ProblemException MadeBefore() =>
        new(409, "made-before", "This was made already, and it was made once. Look at the pack as it is now.");

    /// <summary>The edits that keep decisions of the author.</summary>
    /// <exception cref="ProblemException">Their file is damaged, and is not written over.</exception>
    public static IReadOnlyList<TreeEdit> EditsOf(DecisionChange change) =>
        change.Damaged is { } damaged
            ? throw new ProblemException(409, "decisions-damaged", damaged.Says) { Paths = [damaged.Path.Value] }
            : change.Edits;

    public static ProblemException Unsound(string detail) => new(400, "unsound-request", detail);
}

/// <summary>Writes problems as answers; what is not foreseen is logged and told without particulars.</summary>
internal sealed class ProblemHandler(DatabaseWatch watch, ILogger<ProblemHandler> logger) : IExceptionHandler
{
    /// <summary>After how many seconds to ask again while the database is away.</summary>
    private const string AskAgainAfter = "1";

    public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancel)
    {
        if (context.Response.HasStarted) return false;
        var details = exception switch
        {
            ProblemException problem => Of(problem),
            BadHttpRequestException bad =>
                new ProblemDetails { Status = bad.StatusCode, Type = "/problems/unsound-request", Detail = Says(bad) },
            OperationCanceledException when context.RequestAborted.IsCancellationRequested => null,
            _ when watch.Notes(exception) => Away(exception),
            _ => Unforeseen(exception),
        };
        if (details is null) return true;
        context.Response.StatusCode = details.Status ?? 500;
        if (details.Status == 503) context.Response.Headers.RetryAfter = AskAgainAfter;
        await context.Response.WriteAsJsonAsync(details, options: null, "application/problem+json", cancel).ConfigureAwait(false);
        return true;
    }

    private static ProblemDetails Away(Exception exception) => exception is OutcomeUnknownException
        ? new ProblemDetails
        {
            Status = 503,
            Type = "/problems/outcome-unknown",
            Detail = "The database broke off while your change was being kept: it may be made or not. Asked again with the same "
                + $"{WriteKeys.Header}, it is made once.",
        }
        : new ProblemDetails
        {
            Status = 503,
            Type = "/problems/database-away",
            Detail = "The database does not answer just now. Nothing that was kept is lost; ask again in a moment.",
        };

    private static string Says(BadHttpRequestException bad) =>
        bad.StatusCode == 413
            ? "That is more than can be taken at once. Nothing was taken; send it in smaller parts."
            : $"The request cannot be read: {bad.Message}";

    private static ProblemDetails Of(ProblemException problem)
    {
        var details = new ProblemDetails { Status = problem.Status, Type = problem.Type, Detail = problem.Message };
        if (problem.Paths.Count > 0) details.Extensions["paths"] = problem.Paths;
        if (problem.Revision is { } revision) details.Extensions["revision"] = revision;
        return details;
    }

    private ProblemDetails Unforeseen(Exception exception)
    {
        Log.Unforeseen(logger, exception);
        return new ProblemDetails
        {
            Status = 500,
            Type = "/problems/unforeseen",
            Detail = "Something went wrong in Underlay itself. Look whether your change is there before you make it again; the "
                + "server’s log tells more.",
        };
    }
}

internal static partial class Log
{
    [LoggerMessage(Level = LogLevel.Error, Message = "A request failed.")]
    public static partial void Unforeseen(ILogger logger, Exception exception);

    [LoggerMessage(Level = LogLevel.Warning, Message = "The database does not answer: {Reason}")]
    public static partial void DatabaseAway(ILogger logger, string reason);

    [LoggerMessage(Level = LogLevel.Warning, Message = "The database answers again.")]
    public static partial void DatabaseBack(ILogger logger);

    [LoggerMessage(Level = LogLevel.Error, Message = "{What} failed; it is tried again.")]
    public static partial void Stumbled(ILogger logger, string what, Exception exception);

    [LoggerMessage(Level = LogLevel.Error, Message = "{Path} ({Hash}) is left out: judging it failed.")]
    public static partial void LeftOut(ILogger logger, string path, string hash, Exception exception);

    [LoggerMessage(Level = LogLevel.Error, Message = "Pack {Pack} cannot be summed up.")]
    public static partial void NotSummedUp(ILogger logger, Guid pack, Exception exception);

    [LoggerMessage(Level = LogLevel.Error, Message = "Job {Job} failed.")]
    public static partial void JobFailed(ILogger logger, Guid job, Exception exception);
}
