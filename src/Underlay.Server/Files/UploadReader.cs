using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Net.Http.Headers;
using Underlay.Core.BaseFiles;
using Underlay.Core.Packs;
using Underlay.Files;
using Underlay.Server.Hosting;

namespace Underlay.Server.Files;

/// <summary>A file of a drop that was not taken, and why.</summary>
internal sealed record Refused(string Path, string Says)
{
    public static Refused Of(RefusedName name) => new(name.Name, $"“{name.Name}” {name.Problem.Says()}.");
}

/// <summary>What came in with one request. Files are there until it is let go of.</summary>
/// <param name="Files">In the order sent; a path may stand more than once.</param>
/// <param name="Refused">What was not taken.</param>
/// <param name="Spool">Where the bytes lie; null when they are in memory.</param>
internal sealed record Upload(IReadOnlyList<TreeFile> Files, IReadOnlyList<Refused> Refused, Spool? Spool = null) : IDisposable
{
    public FileTree Tree => FileTree.Of(Files);

    public void Dispose() => Spool?.Dispose();
}

/// <summary>
/// Reads dropped files as they stream in: multipart/form-data (RFC 7578), a part a file, its path as the part's file name. Their
/// bytes go to the disk, so that memory does not grow with what is sent.
/// </summary>
internal static class UploadReader
{
    /// <summary>The most bytes of one request; pages send larger drops in several.</summary>
    public const long MostBytes = 1L << 30;

    private const int MostFiles = 20_000;

    public static IRequestSizeLimitMetadata Limit { get; } = new RequestSizeLimitAttribute(MostBytes);

    public static RouteHandlerBuilder AcceptsUpload(this RouteHandlerBuilder endpoint) =>
        endpoint.Accepts<IFormFileCollection>("multipart/form-data").DisableAntiforgery();

    /// <exception cref="ProblemException">The request is no upload.</exception>
    public static async Task<Upload> ReadAsync(HttpRequest request, CancellationToken cancel)
    {
        if (!MediaTypeHeaderValue.TryParse(request.ContentType, out var type)
            || HeaderUtilities.RemoveQuotes(type.Boundary).Value is not { Length: > 0 } boundary)
            throw ProblemException.Unsound("Files have to be sent as multipart/form-data.");
        var reader = new MultipartReader(boundary, request.Body) { HeadersLengthLimit = 16 * 1024 };
        var taken = new List<(PackPath Path, int At, int Length)>();
        var refused = new List<Refused>();
        var spool = new Spool();
        try
        {
            while (await reader.ReadNextSectionAsync(cancel).ConfigureAwait(false) is { } section)
            {
                if (NameOf(section) is not { } name) continue;
                if (!PackPath.TryParse(name.Normalize(), out var path, out var problem))
                {
                    await section.Body.DrainAsync(cancel).ConfigureAwait(false);
                    refused.Add(Refused.Of(new RefusedName(name, problem)));
                }
                else if (taken.Count >= MostFiles)
                {
                    await section.Body.DrainAsync(cancel).ConfigureAwait(false);
                    refused.Add(new Refused(name, $"More than {MostFiles} files cannot be taken at once; drop the rest again."));
                }
                else if (await KeepAsync(section.Body, spool.Output, cancel).ConfigureAwait(false) is { } kept)
                {
                    taken.Add((path, kept.At, kept.Length));
                }
                else
                {
                    refused.Add(new Refused(name, $"“{name}” has more than {FactsReader.MostBytes >> 20} MB."));
                }
            }

            var bytes = spool.Read();
            var files = taken.Select(t => new TreeFile(t.Path, t.Length, FileContent.Of(bytes.Slice(t.At, t.Length)))).ToList();
            return new Upload(files, refused, spool);
        }
        catch (Exception problem)
        {
            spool.Dispose();
            // Too much at once is refused in other words.
            var isBroken = problem is InvalidDataException
                or (IOException and not BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge });
            if (isBroken && !cancel.IsCancellationRequested)
                throw new ProblemException(
                    400,
                    "upload-broken",
                    "The upload broke off before its end. Nothing was taken; drop the files again.");
            throw;
        }
    }

    private static string? NameOf(MultipartSection section) =>
        ContentDispositionHeaderValue.TryParse(section.ContentDisposition, out var disposition)
            ? HeaderUtilities.RemoveQuotes(disposition.FileNameStar.HasValue ? disposition.FileNameStar : disposition.FileName).Value
            : null;

    /// <summary>Where a part stands behind those before it, or null when it is too long; the rest is then read and thrown away.</summary>
    /// <exception cref="ProblemException">The disk is full.</exception>
    private static async Task<(int At, int Length)?> KeepAsync(Stream body, Stream spool, CancellationToken cancel)
    {
        var at = spool.Position;
        var buffer = new byte[81920];
        for (int read; (read = await body.ReadAsync(buffer, cancel).ConfigureAwait(false)) > 0;)
        {
            if (spool.Position - at + read > FactsReader.MostBytes)
            {
                await body.DrainAsync(cancel).ConfigureAwait(false);
                spool.SetLength(at);
                return null;
            }

            try
            {
                await spool.WriteAsync(buffer.AsMemory(0, read), cancel).ConfigureAwait(false);
            }
            catch (IOException full)
            {
                throw new ProblemException(
                    507,
                    "no-room",
                    "The server’s disk for files on their way has no room for these. Nothing was taken; drop fewer at once.",
                    full);
            }
        }

        return ((int)at, (int)(spool.Position - at));
    }
}
