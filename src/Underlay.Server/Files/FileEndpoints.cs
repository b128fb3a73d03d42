using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Renames;
using Underlay.Core.Stacks;
using Underlay.Data;
using Underlay.Server.Entries;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Files;

/// <summary>Files of the base to copy into the pack.</summary>
internal sealed record BringRequest(IReadOnlyList<string> Paths);

/// <summary>A file that was copied from the base; with what it came along, when it was not asked for.</summary>
internal sealed record BroughtFile(string Path, string? With);

/// <summary>What was copied from the base.</summary>
internal sealed record BroughtFiles(long Revision, IReadOnlyList<BroughtFile> Brought);

/// <summary>A file to take out, as it was seen; where it is another by now, nothing is taken out.</summary>
internal sealed record SeenFile(string Path, string? Hash = null);

/// <summary>Files to take out of the pack.</summary>
internal sealed record RemoveRequest(IReadOnlyList<SeenFile> Files);

/// <summary>A file that is to get another path.</summary>
internal sealed record MoveRequest(string From, string To);

/// <summary>A file that was written.</summary>
internal sealed record FileWritten(long Revision, string Path, string Hash);

internal static class FileEndpoints
{
    public static void MapFiles(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}");
        pack.MapGet("/file", ReadAsync).WithName("readFile");
        pack
            .MapPut("/file", WriteAsync)
            .WithName("writeFile")
            .AcceptsOneFile();
        pack.MapPost("/removals", RemoveAsync).WithName("removeFiles");
        pack.MapPost("/moves", MoveAsync).WithName("moveFile");
        pack.MapGet("/moves/plan", PlanMoveAsync).WithName("planMove");
        pack.MapPost("/bring", BringAsync).WithName("bringFiles");
    }

    /// <exception cref="ProblemException">It is no path.</exception>
    public static PackPath Parse(string path) =>
        PackPath.TryParse(path, out var sound, out var problem)
            ? sound
            : throw new ProblemException(400, "unsafe-path", $"“{path}” {problem.Says()}.") { Paths = [path] };

    /// <summary>Bytes as a browser may show them: pictures as pictures, text as text, anything else only to be saved.</summary>
    public static FileContentHttpResult Serve(byte[] bytes, string path, bool forGood, HttpResponse response)
    {
        response.Headers.CacheControl = forGood ? "private, max-age=31536000, immutable" : "no-cache";
        response.Headers.Vary = "Accept";
        // A page that asks for a picture gets one that browsers show, whatever its format.
        var asksForPicture = response.HttpContext.Request.Headers.Accept.ToString().StartsWith("image/", StringComparison.Ordinal);
        var format = FileFormats.OfHead(bytes.AsSpan(0, Math.Min(bytes.Length, FileFormat.HeadBytes)));
        var isShown = format is PictureFormat { IsShownAsItIs: true };
        var isShownAnew = asksForPicture && (!isShown || SourceReader.ConversionOf(bytes).Length > 0);
        if (isShownAnew && SourceReader.Read(bytes).Picture is { } picture)
            return TypedResults.File(FileFormats.Png.Encode(picture), FileFormats.Png.MediaType);
        if (asksForPicture && format is SoundFormat && SoundReader.Read(bytes) is { } sound)
            return TypedResults.File(FileFormats.Png.Encode(WavePicture.Of(sound)), FileFormats.Png.MediaType);
        if (isShown) return TypedResults.File(bytes, format!.MediaType);
        if (format is null && Path.HasExtension(path) && FileFormats.OfPath(Parse(path)) is TextFormat text)
            return TypedResults.File(bytes, text.MediaType);
        return TypedResults.File(bytes, "application/octet-stream", path[(path.LastIndexOf('/') + 1)..]);
    }

    /// <param name="copy">To be saved under a name that leads back to its place.</param>
    private static async Task<FileContentHttpResult> ReadAsync(
        Guid id,
        string path,
        [FromQuery] string? hash,
        [FromQuery] bool? copy,
        PackService packs,
        HttpResponse response,
        CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var at = Parse(path);
        var file = snapshot.Tree.Find(at) ?? throw ProblemException.NoFile(path);
        var now = PackSnapshot.HashOf(file);
        response.Headers.ETag = $"\"{now}\"";
        if (copy == true)
            return TypedResults.File(
                CopyOf(snapshot, at, file),
                "application/octet-stream",
                CopyNames.Of(snapshot.Profile, snapshot.Edition, at));
        return Serve(file.ReadAll(), path, hash == now, response);
    }

    /// <summary>A file as an editor takes it: a sound that goes round tells where.</summary>
    private static byte[] CopyOf(PackSnapshot snapshot, PackPath path, TreeFile file) =>
        snapshot.Overlay is { } overlay && overlay.OfPack(path) is { Place.Content: PlaceContent.Sound } sound
            ? OwnLoop.Told(overlay, sound, file.ReadAll())
            : file.ReadAll();

    private static async Task<FileWritten> WriteAsync(
        Guid id,
        string path,
        HttpRequest request,
        PackService packs,
        CancellationToken cancel)
    {
        var target = Parse(path);
        var bytes = await OneFile.ReadAsync(request, cancel).ConfigureAwait(false);
        var after = await packs.EditAsync(id, null, $"Write {path}", snapshot =>
        {
            Expect(request, snapshot, target);
            return [new TreeEdit.Write(target, bytes)];
        }, cancel).ConfigureAwait(false);
        return new FileWritten(after.Revision, path, ContentHash.Of(bytes).Hex);
    }

    private static async Task<Changed> RemoveAsync(Guid id, RemoveRequest request, PackService packs, CancellationToken cancel)
    {
        var files = request.Files.Select(f => (Path: Parse(f.Path), f.Hash)).ToList();
        var what = files is [var one] ? $"Take {one.Path} out" : $"Take {files.Count} files out";
        var after = await packs.EditAsync(id, null, what, snapshot =>
        {
            foreach (var (path, hash) in files)
            {
                var file = snapshot.Tree.Find(path) ?? throw ProblemException.NoFile(path.Value);
                if (hash is not null && hash != PackSnapshot.HashOf(file)) throw Stale(snapshot, path, "Nothing was taken out");
            }

            return [.. files.Select(f => new TreeEdit.Delete(f.Path))];
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    private static async Task<PlanView> PlanMoveAsync(
        Guid id,
        string from,
        string to,
        PackService packs,
        UnderlayDatabase database,
        CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        if (!PackPath.TryParse(to, out var path, out var problem)) return new PlanView("", $"“{to}” {problem.Says()}.", []);
        var others = await OtherPacks.OfAsync(snapshot, database, cancel).ConfigureAwait(false);
        var plan = FileRename.Plan(snapshot.NeedOverlay(), Parse(from), path);
        return PlanView.Of(await others.TellAsync(plan, snapshot, cancel).ConfigureAwait(false));
    }

    private static async Task<Changed> MoveAsync(Guid id, MoveRequest move, PackService packs, CancellationToken cancel)
    {
        var (from, to) = (Parse(move.From), Parse(move.To));
        var after = await packs.EditAsync(id, null, $"Rename {from.FileName} to {to}", snapshot =>
        {
            if (snapshot.Tree.Find(from) is null) throw ProblemException.NoFile(move.From);
            if (snapshot.Tree.Find(to) is not null)
                throw new ProblemException(409, "collides", $"{to} is there already. Nothing was changed.") { Paths = [move.To] };
            if (snapshot.Overlay is null) return Renaming.Edits(snapshot.Profile, snapshot.Edition, snapshot.Tree, from, to);
            var plan = FileRename.Plan(snapshot.Overlay, from, to);
            return plan.Problem is { } problem
                ? throw new ProblemException(409, "name-refused", $"{problem} Nothing was changed.")
                : plan.Edits;
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    private static async Task<BroughtFiles> BringAsync(Guid id, BringRequest request, PackService packs, CancellationToken cancel)
    {
        IReadOnlyList<Brought> plan = [];
        var what = request.Paths is [var one] ? $"Bring {one}" : $"Bring {request.Paths.Count} files";
        var after = await packs.EditAsync(id, null, what, snapshot =>
        {
            var overlay = snapshot.NeedOverlay();
            plan = Bring.Plan(overlay, request.Paths.Select(Parse));
            if (plan.Count == 0)
                throw new ProblemException(409, "nothing-to-bring", "The pack has these files already, or the base does not.");
            return Bring.Edits(overlay, snapshot.Tree, plan);
        }, cancel).ConfigureAwait(false);
        return new BroughtFiles(after.Revision, [.. plan.Select(b => new BroughtFile(b.Path.Value, b.With?.Value))]);
    }

    /// <summary>A writer that names the bytes it has seen overwrites no others.</summary>
    private static void Expect(HttpRequest request, PackSnapshot snapshot, PackPath path)
    {
        var now = snapshot.Tree.Find(path) is { } file ? PackSnapshot.HashOf(file) : null;
        var wanted = request.Headers.IfMatch is [{ } tag] && tag != "*" ? tag.Trim('"') : null;
        if (wanted is not null && wanted != now)
            throw Stale(snapshot, path, "Nothing was overwritten");
        if (request.Headers.IfNoneMatch is ["*"] && now is not null)
            throw new ProblemException(
                412,
                "stale",
                $"{path} is there already. Nothing was overwritten.")
            { Paths = [path.Value], Revision = snapshot.Revision };
    }

    private static ProblemException Stale(PackSnapshot snapshot, PackPath path, string left) =>
        new(412, "stale", $"{path} was changed meanwhile, perhaps in another page. {left}.")
        {
            Paths = [path.Value],
            Revision = snapshot.Revision,
        };
}
