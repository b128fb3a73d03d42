using Underlay.Core.Entries;
using Underlay.Core.Mending;
using Underlay.Core.Renames;
using Underlay.Data;
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
        pack.MapPost("/entry/another", AnotherAsync).WithName("makeAnother");
        pack.MapPost("/entry/make", MakeAsync).WithName("makeEntry");
        pack.MapPost("/entry/removal", RemoveAsync).WithName("removeEntry");
        pack.MapPost("/entry/copied-fields", CopyFieldsAsync).WithName("copyFields");
    }

    private static async Task<Originals> OriginalsAsync(Guid id, string? place, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var overlay = snapshot.NeedOverlay();
        var places = overlay.Profile.Places
            .Where(p => EntryMake.CanMake(p, overlay.Edition))
            .ToList();
        var asked = places.Find(p => p.Key == place);
        return new Originals(
            [.. places.Select(p => new OriginalPlace(p.Key, p.Title, p.One, p.Pattern!.Placeholders.Count > 0, p.Kind is not null))],
            asked is null ? [] : [.. EntryMake.Wanted(overlay, asked).Select(w => new WantedEntry(w.Name, w.For.Value))],
            asked?.Kind is null
                ? []
                : [
                    .. overlay.ShownIn(asked)
                        .OrderBy(p => p.Path)
                        .Select(p => new Original(p.Path.Value, LedgerEndpoints.TitleOf(asked, p.Bindings), !p.Layer.IsBase)),
                ]);
    }

    /// <summary>What would be done with the entry at a path; or made in the place, for an entry that is made of no other.</summary>
    private static async Task<PlanView> PlanAsync(
        Guid id,
        string? path,
        string? place,
        string? name,
        string how,
        PackService packs,
        UnderlayDatabase database,
        CancellationToken cancel,
        bool recipe = false)
    {
        if (!Enum.TryParse<EntryDeed>(how, ignoreCase: true, out var deed))
            throw new ProblemException(
                400,
                "unsound-request",
                $"“{how}” is nothing that is done with an entry: make, another, rename and remove are.");
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var others = await OtherPacks.OfAsync(snapshot, database, cancel).ConfigureAwait(false);
        var plan = deed == EntryDeed.Make
            ? New(snapshot, place ?? "", name ?? "")
            : Make(snapshot, deed, path ?? "", name ?? "", recipe, others);
        var hasRecipe = deed == EntryDeed.Another
            && EntryAnother.RecipeOf(snapshot.NeedOverlay(), FileEndpoints.Parse(path ?? "")) is not null;
        return PlanView.Of(await others.TellAsync(plan, snapshot, cancel).ConfigureAwait(false)) with { HasRecipe = hasRecipe };
    }

    private static Task<EntryNamed> RenameAsync(Guid id, EntryNameRequest request, PackService packs, CancellationToken cancel) =>
        CarryOutAsync(
            id,
            $"Rename {request.Path} to {request.Name}",
            s => Make(s, EntryDeed.Rename, request.Path, request.Name),
            packs,
            cancel);

    private static async Task<EntryNamed> AnotherAsync(
        Guid id,
        AnotherRequest request,
        PackService packs,
        UnderlayDatabase database,
        CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var others = await OtherPacks.OfAsync(snapshot, database, cancel).ConfigureAwait(false);
        return await CarryOutAsync(
            id,
            $"Make another like {request.Path}, {request.Name}",
            s => Make(s, EntryDeed.Another, request.Path, request.Name, request.Recipe, others),
            packs,
            cancel).ConfigureAwait(false);
    }

    private static Task<EntryNamed> MakeAsync(Guid id, EntryMakeRequest request, PackService packs, CancellationToken cancel) =>
        CarryOutAsync(id, $"Make {request.Name} in {request.Place}", s => New(s, request.Place, request.Name), packs, cancel);

    private static Task<EntryNamed> RemoveAsync(Guid id, EntryRemovalRequest request, PackService packs, CancellationToken cancel) =>
        CarryOutAsync(id, $"Take out {request.Path}", s => Make(s, EntryDeed.Remove, request.Path, ""), packs, cancel);

    private static async Task<EntryTaken> CopyFieldsAsync(Guid id, FieldCopyRequest request, PackService packs, CancellationToken cancel)
    {
        EntryPlan? plan = null;
        var (path, from) = (FileEndpoints.Parse(request.Path), FileEndpoints.Parse(request.From));
        var done = await CarryOutAsync(
            id,
            $"Take {(request.Pointers is [var one] ? FieldName.Quote(one) : $"{request.Pointers.Count} fields")} of {from} into {path}",
            s => plan = FieldCopy.Plan(s.NeedOverlay(), s.FixContext, path, from, request.Pointers),
            packs,
            cancel).ConfigureAwait(false);
        return new EntryTaken(done.Revision, [.. plan!.Lines.Select(l => l.Path).Where(p => p != path).Select(p => p.Value)]);
    }

    private static async Task<EntryNamed> CarryOutAsync(
        Guid id,
        string what,
        Func<PackSnapshot, EntryPlan> make,
        PackService packs,
        CancellationToken cancel)
    {
        var path = "";
        var after = await packs.EditAsync(id, null, what, snapshot =>
        {
            var plan = make(snapshot);
            if (plan.Problem is { } problem) throw new ProblemException(409, "name-refused", $"{problem} Nothing was changed.");
            path = plan.Path.Value;
            return plan.Edits;
        }, cancel).ConfigureAwait(false);
        return new EntryNamed(after.Revision, path);
    }

    private static EntryPlan New(PackSnapshot snapshot, string key, string name)
    {
        var overlay = snapshot.NeedOverlay();
        var place = overlay.Profile.Places.FirstOrDefault(p => p.Key == key && EntryMake.CanMake(p, overlay.Edition))
            ?? throw ProblemException.Unsound($"“{key}” is no place in which entries are made.");
        return EntryMake.Plan(overlay, place, name.Trim());
    }

    private static EntryPlan Make(
        PackSnapshot snapshot,
        EntryDeed how,
        string path,
        string name,
        bool withRecipe = false,
        OtherPacks? others = null)
    {
        var (overlay, at) = (snapshot.NeedOverlay(), FileEndpoints.Parse(path));
        return how switch
        {
            EntryDeed.Another => EntryAnother.Plan(overlay, at, name.Trim(), withRecipe, others?.Numbers),
            EntryDeed.Rename => EntryRename.Plan(overlay, at, name.Trim()),
            _ => EntryRemoval.Plan(overlay, at),
        };
    }
}

/// <summary>What is done with an entry as a whole.</summary>
internal enum EntryDeed
{
    Make,
    Another,
    Rename,
    Remove,
}

/// <summary>The entry that is to leave the pack, with what is its own.</summary>
internal sealed record EntryRemovalRequest(string Path);

/// <summary>The name that an entry is to have.</summary>
/// <param name="Path">The entry.</param>
/// <param name="Name">The name, as it stands in its path.</param>
internal sealed record EntryNameRequest(string Path, string Name);

/// <summary>What another is made like, and what it is called.</summary>
/// <param name="Path">The original.</param>
/// <param name="Name">The name, as it stands in its path.</param>
/// <param name="Recipe">A recipe comes along, after the one that makes the original.</param>
internal sealed record AnotherRequest(string Path, string Name, bool Recipe = false);

/// <summary>An entry, or a table, that is made of no other.</summary>
/// <param name="Place">The key of its place.</param>
/// <param name="Name">The name, as it stands in its path; empty where that holds none.</param>
internal sealed record EntryMakeRequest(string Place, string Name);

/// <summary>Fields that an entry is to have from another of its kind, with the pictures that they want.</summary>
/// <param name="Path">The entry.</param>
/// <param name="From">The other.</param>
/// <param name="Pointers">Pointers to the fields; what the other lacks is taken away.</param>
internal sealed record FieldCopyRequest(string Path, string From, IReadOnlyList<string> Pointers);

/// <summary>Taken.</summary>
/// <param name="Revision">The pack's revision.</param>
/// <param name="Files">Paths of the pictures that came along.</param>
internal sealed record EntryTaken(long Revision, IReadOnlyList<string> Files);

/// <summary>Done.</summary>
/// <param name="Revision">The pack's revision.</param>
/// <param name="Path">Where the entry now is.</param>
internal sealed record EntryNamed(long Revision, string Path);

/// <summary>What would be done.</summary>
/// <param name="Path">Where the entry would be.</param>
/// <param name="Problem">Why it cannot be done; null where it can.</param>
/// <param name="Lines">What would be changed.</param>
/// <param name="HasRecipe">A recipe makes the original, which may come along.</param>
internal sealed record PlanView(string Path, string? Problem, IReadOnlyList<PlanLineView> Lines, bool HasRecipe = false)
{
    public static PlanView Of(EntryPlan plan) => new(
        plan.Path == default ? "" : plan.Path.Value,
        plan.Problem,
        [.. plan.Lines.Select(l => new PlanLineView(l.Path.Value, l.Says))]);
}

/// <summary>One file that would be changed, and how.</summary>
internal sealed record PlanLineView(string Path, string Says);

/// <summary>Of what a new entry may be made.</summary>
/// <param name="Places">Where entries and tables can be made.</param>
/// <param name="Wanted">Names in the place that was asked for, for which the pack has files that want an entry.</param>
/// <param name="Entries">The entries of that place; none of tables.</param>
internal sealed record Originals(
    IReadOnlyList<OriginalPlace> Places,
    IReadOnlyList<WantedEntry> Wanted,
    IReadOnlyList<Original> Entries);

/// <summary>A place in which entries or tables can be made.</summary>
/// <param name="HasName">Their paths hold a name.</param>
/// <param name="IsEntry">They are entries, not tables.</param>
internal sealed record OriginalPlace(string Place, string Title, string One, bool HasName, bool IsEntry);

/// <summary>An entry that a file of the pack wants.</summary>
/// <param name="For">The file.</param>
internal sealed record WantedEntry(string Name, string For);

/// <summary>An entry of the base or the pack.</summary>
internal sealed record Original(string Path, string Title, bool IsYours);
