using Underlay.Core;
using Underlay.Core.Stacks;
using Underlay.Server.Events;
using Underlay.Server.Packs;

namespace Underlay.Server.Hosting;

/// <summary>
/// Keeps one file of a pack from taking a view of it along: where a view fails in a way that is not foreseen, the file that makes it fail
/// is looked for, left out of what is judged, and told as a finding; then the view is made of the rest.
/// </summary>
internal sealed class ViewIsolation(PackService packs, EventHub hub, FaultLog faults) : IEndpointFilter
{
    // Of one view; more are one fault of ours, which is told as one.
    private const int MostFiles = 8;

    public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var request = context.HttpContext;
        var pack = HttpMethods.IsGet(request.Request.Method)
            && request.Request.Path.StartsWithSegments("/api/packs", StringComparison.Ordinal)
            && Guid.TryParse(request.GetRouteValue("id")?.ToString(), out var id)
            ? id
            : (Guid?)null;
        for (var left = MostFiles; ; left--)
        {
            try
            {
                return await next(context).ConfigureAwait(false);
            }
            catch (Exception fault) when (pack is not null && left > 0 && IsOurs(fault))
            {
                if (await FindAsync(pack.Value, fault, context, next).ConfigureAwait(false) is not { } found) throw;
                faults.Note(found.File, fault);
                await packs.LeaveOutAsync(pack.Value, found, request.RequestAborted).ConfigureAwait(false);
                hub.TellAgain(pack.Value);
            }
        }
    }

    private static bool IsOurs(Exception fault) => fault is not (ProblemException or BadHttpRequestException) && Faults.IsOurs(fault);

    /// <summary>The first file with which the view fails; null where it fails without any, or not again.</summary>
    private async Task<UnjudgedFile?> FindAsync(
        Guid pack,
        Exception fault,
        EndpointFilterInvocationContext context,
        EndpointFilterDelegate next)
    {
        var cancel = context.HttpContext.RequestAborted;
        var snapshot = await packs.GetAsync(pack, cancel).ConfigureAwait(false);
        var files = snapshot.Session.Judged;
        async Task<bool> FailsWithAsync(int count)
        {
            using var without = packs.Instead(snapshot.Without([.. files.Skip(count).Select(f => new UnjudgedFile(f, fault))], cancel));
            try
            {
                await next(context).ConfigureAwait(false);
                return false;
            }
            catch (Exception again) when (IsOurs(again))
            {
                return true;
            }
            catch (ProblemException)
            {
                // Without its file a view may not be there.
                return false;
            }
        }

        var search = new Bisection(0, files.Count);
        if (files.Count == 0 || await FailsWithAsync(0).ConfigureAwait(false)) return null;
        while (!search.IsDone) search = search.Told(await FailsWithAsync(search.Next).ConfigureAwait(false));
        return new UnjudgedFile(files[search.Failing - 1], fault);
    }
}
