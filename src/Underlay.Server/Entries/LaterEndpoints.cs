using System.Text.Json;
using Underlay.Core.Decisions;
using Underlay.Core.Formats.Json;
using Underlay.Core.Packs;
using Underlay.Server.Files;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Entries;

/// <summary>A value that is marked for later, or no longer.</summary>
/// <param name="Pointer">Where it stands; empty for the entry as a whole.</param>
/// <param name="Value">What stands there until it is set.</param>
internal sealed record LaterMark(string Pointer, JsonElement? Value);

/// <summary>Values of an entry to be marked for later, or no longer.</summary>
internal sealed record LaterRequest(string Path, IReadOnlyList<LaterMark> Marks, bool IsLater);

/// <summary>What was marked.</summary>
internal sealed record LaterChanged(long Revision);

/// <summary>The author's "later": values, and entries as a whole, that are still to be set.</summary>
internal static class LaterEndpoints
{
    public static void MapLater(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/packs/{id:guid}/entry/later", MarkAsync).WithName("markLater");

    /// <summary>Pointers to what of an entry is marked and still as it was.</summary>
    public static IReadOnlyList<string> Of(PackSnapshot snapshot, PackPath path, TreeFile? file)
    {
        if (file is null) return [];
        var marks = LaterValues.Read(snapshot.Tree)[path].ToList();
        if (marks.Count == 0) return [];
        return [.. LaterValues.Standing(JsonText.Parse(file.ReadAll()), marks).Select(m => m.Pointer)];
    }

    private static async Task<LaterChanged> MarkAsync(Guid id, LaterRequest request, PackService packs, CancellationToken cancel)
    {
        var path = FileEndpoints.Parse(request.Path);
        var what = request.IsLater ? $"Mark {path} for later" : $"Take the mark from {path}";
        var after = await packs.EditAsync(id, null, what, snapshot =>
        {
            var file = snapshot.Tree.Find(path) ?? throw ProblemException.NoFile(request.Path);
            return ProblemException.EditsOf(request.IsLater
                ? LaterValues.Mark(snapshot.Tree, [.. request.Marks.Select(m => Read(path, m))])
                : LaterValues.Unmark(snapshot.Tree, path, JsonText.Parse(file.ReadAll()), [.. request.Marks.Select(m => m.Pointer)]));
        }, cancel).ConfigureAwait(false);
        return new LaterChanged(after.Revision);
    }

    private static LaterValue Read(PackPath path, LaterMark mark) =>
        new(path, mark.Pointer, mark.Pointer.Length == 0 ? null : (mark.Value?.GetRawText() ?? "null"));
}
