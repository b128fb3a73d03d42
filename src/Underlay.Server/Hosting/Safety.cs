using System.Net;
using System.Security.Cryptography;

namespace Underlay.Server.Hosting;

/// <summary>Refuses what does not come from our own pages on this machine, and tells browsers what our pages may do.</summary>
internal static class Safety
{
    private const string NonceKey = "nonce";

    public static string NonceOf(HttpContext context) => (string)context.Items[NonceKey]!;

    public static void UseSafety(this WebApplication app)
    {
        app.Use(async (context, next) =>
        {
            var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(16));
            context.Items[NonceKey] = nonce;
            var headers = context.Response.Headers;
            headers.XContentTypeOptions = "nosniff";
            headers["Referrer-Policy"] = "no-referrer";
            headers["Cross-Origin-Opener-Policy"] = "same-origin";
            headers["Cross-Origin-Resource-Policy"] = "same-origin";
            headers.ContentSecurityPolicy =
                $"default-src 'none'; script-src 'self' 'nonce-{nonce}'; style-src 'self' 'nonce-{nonce}'; style-src-attr "
                    + $"'unsafe-inline'; img-src 'self' data: blob:; media-src 'self' blob:; font-src 'self'; connect-src 'self'; "
                    + $"base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
            if (!IsLoopback(context.Request.Host.Host))
                throw new ProblemException(403, "foreign-host", "Underlay answers on this machine’s own address only.");
            // A page of another site may send requests here; its origin gives it away.
            if (context.Request.Headers.Origin is [{ } origin] && !IsOwn(origin, context.Request))
                throw new ProblemException(403, "foreign-origin", "The request comes from another site’s page.");
            if (context.Request.Headers["Sec-Fetch-Site"] is ["cross-site"] && context.Request.Path.StartsWithSegments("/api"))
                throw new ProblemException(403, "foreign-origin", "The request comes from another site’s page.");
            await next(context).ConfigureAwait(false);
        });
    }

    private static bool IsLoopback(string host) =>
        host == "localhost" || (IPAddress.TryParse(host.Trim('[', ']'), out var address) && IPAddress.IsLoopback(address));

    private static bool IsOwn(string origin, HttpRequest request) =>
        Uri.TryCreate(origin, UriKind.Absolute, out var uri) && uri.Authority == request.Host.Value && uri.Scheme == request.Scheme;
}
