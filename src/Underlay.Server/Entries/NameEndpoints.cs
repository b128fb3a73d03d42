using Underlay.Core.Renames;
using Underlay.Server.Files;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Entries;

/// <summary>Entries renamed wherever their name stands, new ones made of others, and old ones taken out.</summary>
internal static class NameEndpoints
{
    public static void MapNames(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}");
        pack.MapGet("/entries/originals", OriginalsAsync).WithName("listOriginals");
        pack.MapGet("/entry/plan", PlanAsync).WithName("planEntryName");
        pack.MapPost("/entry/rename", RenameAsync).WithName("renameEntry");
        pack.MapPost("/entry/clone", CloneAsync).WithName("cloneEntry");
        pack.MapPost("/entry/removal", RemoveAsync).WithName("removeEntry");
    }

    private static async Task<Originals> OriginalsAsync(Guid id, string? place, PackDesk desk, CancellationToken cancel)
    {
        var snapshot = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var overlay = snapshot.NeedOverlay();
        var places = overlay.Profile.Places
            .Where(p => p is { Kind: not null, Pattern.Placeholders.Count: 1 } && p.Editions.Holds(overlay.Edition))
            .ToList();
        var asked = places.Find(p => p.Key == place);
        return new Originals(
            [.. places.Select(p => new OriginalPlace(p.Key, p.Title, p.One))],
            asked is null
                ? []
                : [
                    .. overlay.ShownIn(asked)
                        .OrderBy(p => p.Path)
                        .Select(p => new Original(p.Path.Value, LedgerEndpoints.TitleOf(asked, p.Bindings), !p.Layer.IsBase)),
                ]);
    }

    private static async Task<PlanView> PlanAsync(Guid id, string path, string? name, string how, PackDesk desk, CancellationToken cancel)
    {
        if (!Enum.TryParse<EntryDeed>(how, ignoreCase: true, out var deed))
            throw new ProblemException(
                400,
                "unsound-request",
                $"“{how}” is nothing that is done with an entry: clone, rename and remove are.");
        var snapshot = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var plan = Make(snapshot, deed, path, name ?? "");
        return new PlanView(plan.Path.Value, plan.Problem, [.. plan.Lines.Select(l => new PlanLineView(l.Path.Value, l.Says))]);
    }

    private static Task<EntryNamed> RenameAsync(Guid id, EntryNameRequest request, PackDesk desk, CancellationToken cancel) =>
        CarryOutAsync(id, EntryDeed.Rename, request, $"Rename {request.Path} to {request.Name}", desk, cancel);

    private static Task<EntryNamed> CloneAsync(Guid id, EntryNameRequest request, PackDesk desk, CancellationToken cancel) =>
        CarryOutAsync(id, EntryDeed.Clone, request, $"Clone {request.Path} as {request.Name}", desk, cancel);

    private static Task<EntryNamed> RemoveAsync(Guid id, EntryRemovalRequest request, PackDesk desk, CancellationToken cancel) =>
        CarryOutAsync(id, EntryDeed.Remove, new EntryNameRequest(request.Path, ""), $"Take out {request.Path}", desk, cancel);

    private static async Task<EntryNamed> CarryOutAsync(
        Guid id,
        EntryDeed how,
        EntryNameRequest request,
        string what,
        PackDesk desk,
        CancellationToken cancel)
    {
        var path = request.Path;
        var after = await desk.EditAsync(id, null, what, snapshot =>
        {
            var plan = Make(snapshot, how, request.Path, request.Name);
            if (plan.Problem is { } problem) throw new ProblemException(409, "name-refused", $"{problem} Nothing was changed.");
            path = plan.Path.Value;
            return plan.Edits;
        }, cancel).ConfigureAwait(false);
        return new EntryNamed(after.Revision, path);
    }

    private static EntryPlan Make(PackSnapshot snapshot, EntryDeed how, string path, string name)
    {
        var (overlay, at) = (snapshot.NeedOverlay(), FileEndpoints.Parse(path));
        return how switch
        {
            EntryDeed.Clone => EntryClone.Plan(overlay, at, name.Trim()),
            EntryDeed.Rename => EntryRename.Plan(overlay, at, name.Trim()),
            _ => EntryRemoval.Plan(overlay, at),
        };
    }
}

/// <summary>What is done with an entry as a whole.</summary>
internal enum EntryDeed
{
    Clone,
    Rename,
    Remove,
}

/// <summary>The entry that is to leave the pack, with what is its own.</summary>
internal sealed record EntryRemovalRequest(string Path);

/// <summary>The name that an entry is to have.</summary>
/// <param name="Path">The entry.</param>
/// <param name="Name">The name, as it stands in its path.</param>
internal sealed record EntryNameRequest(string Path, string Name);

/// <summary>Done.</summary>
/// <param name="Revision">The pack's revision.</param>
/// <param name="Path">Where the entry now is.</param>
internal sealed record EntryNamed(long Revision, string Path);

/// <summary>What would be done.</summary>
/// <param name="Path">Where the entry would be.</param>
/// <param name="Problem">Why it cannot be done; null where it can.</param>
/// <param name="Lines">What would be changed.</param>
internal sealed record PlanView(string Path, string? Problem, IReadOnlyList<PlanLineView> Lines);

/// <summary>One file that would be changed, and how.</summary>
internal sealed record PlanLineView(string Path, string Says);

/// <summary>Of what a new entry may be made.</summary>
/// <param name="Places">Where entries with names are.</param>
/// <param name="Entries">Those of the place that was asked for.</param>
internal sealed record Originals(IReadOnlyList<OriginalPlace> Places, IReadOnlyList<Original> Entries);

/// <summary>A place in which entries have names.</summary>
internal sealed record OriginalPlace(string Place, string Title, string One);

/// <summary>An entry of the base or the pack.</summary>
internal sealed record Original(string Path, string Title, bool IsYours);
