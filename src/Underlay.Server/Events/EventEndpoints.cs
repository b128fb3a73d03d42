using System.Globalization;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Underlay.Server.Events;

internal static class EventEndpoints
{
    public static void MapEvents(this IEndpointRouteBuilder app) => app.MapGet("/api/events", Listen).WithName("listen");

    private static ServerSentEventsResult<ServerEvent> Listen(EventHub hub, IHostApplicationLifetime lifetime, CancellationToken cancel) =>
        TypedResults.ServerSentEvents(ItemsAsync(hub, lifetime.ApplicationStopping, cancel));

    private static async IAsyncEnumerable<SseItem<ServerEvent>> ItemsAsync(
        EventHub hub,
        CancellationToken stopping,
        [EnumeratorCancellation] CancellationToken cancel)
    {
        // Open pages do not keep the server from ending; and a page that is gone leaves nothing behind with it.
        using var ending = CancellationTokenSource.CreateLinkedTokenSource(cancel, stopping);
        await foreach (var item in hub.ListenAsync(ending.Token).ConfigureAwait(false))
            yield return new SseItem<ServerEvent>(item, item.Kind)
            {
                EventId = item.Revision?.ToString(CultureInfo.InvariantCulture),
                ReconnectionInterval = TimeSpan.FromSeconds(1),
            };
    }
}
