using System.Globalization;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Underlay.Server.Events;

internal static class EventEndpoints
{
    public static void MapEvents(this IEndpointRouteBuilder app) => app.MapGet("/api/events", Listen).WithName("listen");

    private static ServerSentEventsResult<ServerEvent> Listen(EventHub hub, IHostApplicationLifetime lifetime, CancellationToken cancel)
    {
        // Open pages do not keep the server from ending.
        var ending = CancellationTokenSource.CreateLinkedTokenSource(cancel, lifetime.ApplicationStopping);
        return TypedResults.ServerSentEvents(ItemsAsync(hub, ending.Token));
    }

    private static async IAsyncEnumerable<SseItem<ServerEvent>> ItemsAsync(EventHub hub, [EnumeratorCancellation] CancellationToken cancel)
    {
        await foreach (var item in hub.ListenAsync(cancel).ConfigureAwait(false))
            yield return new SseItem<ServerEvent>(item, item.Kind)
            {
                EventId = item.Revision?.ToString(CultureInfo.InvariantCulture),
                ReconnectionInterval = TimeSpan.FromSeconds(1),
            };
    }
}
