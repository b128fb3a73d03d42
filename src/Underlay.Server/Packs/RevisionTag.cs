using System.Globalization;
using Underlay.Data.Operations;

namespace Underlay.Server.Packs;

/// <summary>A pack's ETag is its revision in quotes, a file's is its hash (RFC 9110, section 8.8.3).</summary>
internal static class RevisionTag
{
    /// <summary>
    /// The header that names what a request did to a pack: the revision that it made. Not there where nothing was changed, so that
    /// nobody undoes by it what another did.
    /// </summary>
    public const string ActHeader = "Underlay-Act";

    public static string Write(long revision) => string.Create(CultureInfo.InvariantCulture, $"\"{revision}\"");

    /// <summary>Tells the sender of a request which revision it made.</summary>
    public static void TellAct(HttpContext? context, EditOutcome outcome)
    {
        if (context is not null && outcome is EditOutcome.Applied { Revision: var made })
            context.Response.Headers[ActHeader] = made.ToString(CultureInfo.InvariantCulture);
    }

    /// <summary>The revision that a change expects, or null when it names none.</summary>
    /// <exception cref="Hosting.ProblemException">If-Match is no revision.</exception>
    public static long? ReadExpected(HttpRequest request)
    {
        if (request.Headers.IfMatch is not [{ } tag] || tag == "*") return null;
        return long.TryParse(tag.Trim('"'), NumberStyles.None, CultureInfo.InvariantCulture, out var revision)
            ? revision
            : throw Hosting.ProblemException.Unsound("If-Match has to be the pack’s revision.");
    }
}
