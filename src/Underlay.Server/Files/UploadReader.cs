using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Net.Http.Headers;
using Underlay.Core.BaseFiles;
using Underlay.Core.Packs;
using Underlay.Server.Hosting;

namespace Underlay.Server.Files;

/// <summary>A file of a drop that was not taken, and why.</summary>
internal sealed record Refused(string Path, string Says)
{
    public static Refused Of(RefusedName name) => new(name.Name, $"“{name.Name}” {name.Problem.Says()}.");
}

/// <summary>A file that came in.</summary>
internal sealed record UploadedFile(PackPath Path, byte[] Bytes);

/// <summary>What came in with one request.</summary>
internal sealed record Upload(IReadOnlyList<UploadedFile> Files, IReadOnlyList<Refused> Refused);

/// <summary>
/// Reads dropped files as they stream in: multipart/form-data (RFC 7578), a part a file, its path as the part's file name.
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
        var files = new List<UploadedFile>();
        var refused = new List<Refused>();
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
                else if (files.Count >= MostFiles)
                {
                    await section.Body.DrainAsync(cancel).ConfigureAwait(false);
                    refused.Add(new Refused(name, $"More than {MostFiles} files cannot be taken at once; drop the rest again."));
                }
                else if (await ReadBytesAsync(section.Body, cancel).ConfigureAwait(false) is { } bytes)
                {
                    files.Add(new UploadedFile(path, bytes));
                }
                else
                {
                    refused.Add(new Refused(name, $"“{name}” has more than {FactsReader.MostBytes >> 20} MB."));
                }
            }
        }
        catch (Exception problem) when (problem is InvalidDataException or IOException && !cancel.IsCancellationRequested)
        {
            throw new ProblemException(
                400,
                "upload-broken",
                "The upload broke off before its end. Nothing was taken; drop the files again.");
        }

        return new Upload(files, refused);
    }

    private static string? NameOf(MultipartSection section) =>
        ContentDispositionHeaderValue.TryParse(section.ContentDisposition, out var disposition)
            ? HeaderUtilities.RemoveQuotes(disposition.FileNameStar.HasValue ? disposition.FileNameStar : disposition.FileName).Value
            : null;

    /// <summary>The bytes, or null when there are too many; the rest is then read and thrown away.</summary>
    private static async Task<byte[]?> ReadBytesAsync(Stream body, CancellationToken cancel)
    {
        using var bytes = new MemoryStream();
        var buffer = new byte[81920];
        for (int read; (read = await body.ReadAsync(buffer, cancel).ConfigureAwait(false)) > 0;)
        {
            if (bytes.Length + read > FactsReader.MostBytes)
            {
                await body.DrainAsync(cancel).ConfigureAwait(false);
                return null;
            }

            bytes.Write(buffer, 0, read);
        }

        return bytes.ToArray();
    }
}
