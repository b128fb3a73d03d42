using Microsoft.Extensions.FileProviders;

namespace Underlay.Server.Hosting;

/// <summary>Serves the built web pages: one page for every address, its scripts and fonts for good.</summary>
internal static class WebPages
{
    public static void UseWebPages(this WebApplication app, string folder)
    {
        if (!Directory.Exists(folder)) return;
        app.UseStaticFiles(new StaticFileOptions
        {
            FileProvider = new PhysicalFileProvider(Path.GetFullPath(folder)),
            // Built files carry a hash in their names.
            OnPrepareResponse = file => file.Context.Response.Headers.CacheControl = "public, max-age=31536000, immutable",
        });
        app.MapFallback(async context =>
        {
            if (context.Request.Path.StartsWithSegments("/api"))
                throw new ProblemException(404, "no-address", "There is nothing at this address.");
            var page = await File.ReadAllTextAsync(Path.Combine(folder, "index.html"), context.RequestAborted).ConfigureAwait(false);
            context.Response.ContentType = "text/html; charset=utf-8";
            context.Response.Headers.CacheControl = "no-store";
            await context.Response.WriteAsync(
                page.Replace("{{nonce}}", Safety.NonceOf(context), StringComparison.Ordinal),
                context.RequestAborted).ConfigureAwait(false);
        });
    }
}
