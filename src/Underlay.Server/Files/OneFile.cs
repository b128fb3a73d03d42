using Microsoft.AspNetCore.Mvc;
using Underlay.Core.BaseFiles;

namespace Underlay.Server.Files;

/// <summary>Requests whose body is the bytes of one file.</summary>
internal static class OneFile
{
    public static RouteHandlerBuilder AcceptsOneFile(this RouteHandlerBuilder endpoint) => endpoint
        .Accepts<byte[]>("application/octet-stream")
        .WithMetadata(new RequestSizeLimitAttribute(FactsReader.MostBytes));

    public static async Task<byte[]> ReadAsync(HttpRequest request, CancellationToken cancel)
    {
        using var bytes = new MemoryStream();
        await request.Body.CopyToAsync(bytes, cancel).ConfigureAwait(false);
        return bytes.ToArray();
    }
}
