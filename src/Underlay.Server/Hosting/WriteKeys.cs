using System.Text;
using Microsoft.EntityFrameworkCore;
using Underlay.Data;

namespace Underlay.Server.Hosting;

/// <summary>
/// Makes a write once, however often it is sent: the sender names it with a key of its own (the header Idempotency-Key, a
/// UUID), and sends it again with that key when it did not hear what became of it. The key is kept in the transaction of the
/// write itself; what was answered is kept beside it and answered again.
/// </summary>
internal static class WriteKeys
{
    /// <summary>The header.</summary>
    public const string Header = "Idempotency-Key";

    /// <summary>How long keys are kept.</summary>
    public static readonly TimeSpan Stay = TimeSpan.FromDays(1);

    private static readonly object InContext = new();

    /// <summary>The key of the request that is being answered; null for none.</summary>
    public static Guid? WriteKey(this HttpContext? context) =>
        context?.Items.TryGetValue(InContext, out var key) == true ? (Guid?)key : null;

    /// <summary>Answers what was made before, and keeps what is answered to what is made now.</summary>
    public static void UseWriteKeys(this IApplicationBuilder app) => app.Use(async (context, next) =>
    {
        if (HttpMethods.IsGet(context.Request.Method) || context.Request.Headers[Header] is not [{ } text])
        {
            await next(context).ConfigureAwait(false);
            return;
        }

        if (!Guid.TryParse(text, out var key)) throw ProblemException.Unsound($"“{text}” is no key; the header {Header} holds a UUID.");
        var databases = context.RequestServices.GetRequiredService<IDbContextFactory<UnderlayDatabase>>();
        if (await AnswerAgainAsync(context, key, databases).ConfigureAwait(false)) return;
        context.Items[InContext] = key;
        var to = context.Response.Body;
        using var answer = new MemoryStream();
        context.Response.Body = answer;
        try
        {
            await next(context).ConfigureAwait(false);
        }
        finally
        {
            context.Response.Body = to;
        }

        await KeepAsync(context.Response, key, answer, databases).ConfigureAwait(false);
        answer.Position = 0;
        await answer.CopyToAsync(to, context.RequestAborted).ConfigureAwait(false);
    });

    /// <summary>Writes the answer that was kept; false when nothing was made with the key.</summary>
    /// <exception cref="ProblemException">It was made, and what was answered is not known.</exception>
    private static async Task<bool> AnswerAgainAsync(HttpContext context, Guid key, IDbContextFactory<UnderlayDatabase> databases)
    {
        await using var database = await databases.CreateDbContextAsync(context.RequestAborted).ConfigureAwait(false);
        var made = await database.Writes
            .AsNoTracking()
            .FirstOrDefaultAsync(w => w.Key == key, context.RequestAborted).ConfigureAwait(false);
        if (made is null) return false;
        if (made.Status is not { } status) throw ProblemException.MadeBefore();
        context.Response.StatusCode = status;
        if (made.Location is { } location) context.Response.Headers.Location = location;
        if (made.Answer is not { } answer) return true;
        context.Response.ContentType = "application/json; charset=utf-8";
        await context.Response.WriteAsync(answer, context.RequestAborted).ConfigureAwait(false);
        return true;
    }

    private static async Task KeepAsync(HttpResponse response, Guid key, MemoryStream answer, IDbContextFactory<UnderlayDatabase> databases)
    {
        if (response.StatusCode >= 300) return;
        try
        {
            await using var database = await databases.CreateDbContextAsync().ConfigureAwait(false);
            var (status, location) = (response.StatusCode, response.Headers.Location.FirstOrDefault());
            var text = answer.Length > 0 ? Encoding.UTF8.GetString(answer.GetBuffer(), 0, (int)answer.Length) : null;
            await database.Writes.Where(w => w.Key == key).ExecuteUpdateAsync(w => w
                .SetProperty(x => x.Status, status)
                .SetProperty(x => x.Location, location)
                .SetProperty(x => x.Answer, text)).ConfigureAwait(false);
        }
        catch (Exception problem) when (DatabaseTrouble.IsAway(problem))
        {
            // It is made and known to be; who asks again hears that much.
        }
    }
}
