using System.Text;
using System.Text.Json;
using Underlay.Core.BaseFiles;
using Underlay.Core.Entries;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Manifests;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.References;
using Underlay.Core.Stacks;
using Underlay.Server.Files;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Entries;

internal static class EntryEndpoints
{
    public static void MapEntries(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}");
        pack.MapGet("/entries", ListAsync).WithName("listEntries");
        pack.MapGet("/entry", ViewAsync).WithName("viewEntry");
        pack.MapPost("/entry/judgements", JudgeAsync).WithName("judgeEntry");
    }

    private static async Task<EntryList> ListAsync(Guid id, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var entries = new List<EntryItem>();
        var manifest = snapshot.Profile.Manifest;
        if (snapshot.Tree.Find(manifest.Path) is not null)
        {
            var isSound = ManifestFacts.Read(snapshot.Profile, snapshot.Tree).IsSound;
            entries.Add(new EntryItem(manifest.Path.Value, null, manifest.Kind.Key, manifest.Kind.Title, "Manifest", null, isSound));
        }
        if (snapshot.Overlay is { } overlay)
        {
            entries.AddRange(overlay.Pack.Placements
                .Where(p => p.Place.HoldsText)
                .Select(p => new EntryItem(
                    p.Path.Value,
                    p.Place.Key,
                    p.Place.Kind?.Key ?? p.Place.Key,
                    p.Place.Kind?.Title ?? p.Place.Title,
                    LedgerEndpoints.TitleOf(p.Place, p.Bindings),
                    ShownPicture.Of(overlay, p),
                    p.Facts is { Unreadable: null, Faults.Count: 0 })));
        }

        return new EntryList(
            snapshot.Revision,
            entries,
            snapshot.Profile.Places.Any(p => p.RulesOf<TextsRule>(snapshot.Edition).Any()),
            snapshot.Profile.Economy is not null,
            SignalScript.IsThere(snapshot.Profile, snapshot.Edition));
    }

    private static async Task<EntryView> ViewAsync(Guid id, string path, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var at = FileEndpoints.Parse(path);
        var (kind, place, title) = KindOf(snapshot, at);
        var file = snapshot.Tree.Find(at);
        var bytes = file?.ReadAll() ?? snapshot.Overlay?.Base.Read(at) ?? throw ProblemException.NoFile(path);
        var siblings = place is not null && snapshot.Overlay is { } overlay
            ? overlay.Base.In(place).Where(f => f.Facts.Entry is { IsAccepted: true } && f.Path != at)
                .Select(f => new Sibling(LedgerEndpoints.TitleOf(place, f.Bindings), f.Path.Value, f.Facts.Entry!.Text.Root)).ToList()
            : [];
        return new EntryView(
            snapshot.Revision,
            path,
            title,
            file is null ? null : PackSnapshot.HashOf(file),
            kind?.Key ?? place!.Key,
            kind?.Title ?? place!.Title,
            FormatOf(snapshot, place).Language,
            kind?.Document ?? NoSchema,
            Encoding.UTF8.GetString(bytes),
            ChoicesOf(snapshot, place),
            KeysOf(snapshot, place),
            kind?.Inherits is { } inherits ? new InheritanceView(inherits.By, [.. inherits.Required.Select(f => $"/{f}")]) : null,
            OwnOf(snapshot, place),
            place is { Kind: not null, Pattern.Placeholders: [var name] } ? place.Pattern.Match(at)?.Find(name) : null,
            siblings,
            TakenOf(snapshot, at),
            ParametersView.Of(snapshot, place),
            SketchView.Of(snapshot, place),
            LaterEndpoints.Of(snapshot, at, file),
            snapshot.Overlay?.Base.Find(at)?.Facts.Entry is { Text: { Problem: null } below } ? below.Root : null,
            TableView.Of(snapshot, place, at));
    }

    private static async Task<Judgement> JudgeAsync(Guid id, JudgeRequest request, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var at = FileEndpoints.Parse(request.Path);
        var (kind, place, _) = KindOf(snapshot, at);
        var bytes = Encoding.UTF8.GetBytes(request.Text);
        if (kind is null) return JudgePlain(bytes, place!);
        var text = ((StructuredFormat)FormatOf(snapshot, place)).Read(bytes);
        if (text.Problem is { } problem)
            return new Judgement(false, [new FaultView("", problem.Says, problem.At?.Line, problem.At?.Column)]);
        var faults = kind.Judge(text).Concat(Lacking(kind, text)).Concat(Dangling(snapshot, place, text));
        return new Judgement(true, [.. faults.Select(f => View(text, f))]);
    }

    private static FaultView View(JsonText text, EntryFault fault)
    {
        if (fault.Field.Length > 0) return new FaultView($"{fault.Pointer}/{JsonText.Escape(fault.Field)}", fault.Says, null, null);
        var at = text.Locate(fault.Pointer);
        return new FaultView(fault.Pointer, fault.Says, at.Line, at.Column);
    }

    /// <summary>Fields that could be taken over from another entry, where none is named.</summary>
    private static IEnumerable<EntryFault> Lacking(Kind kind, JsonText text) =>
        kind.Inherits is { } inherits && text.Find(inherits.By) is null
            ? inherits.Required
                .Where(f => text.Find($"/{f}") is null)
                .Select(f => new EntryFault("", f, $"{FieldName.Quote($"/{f}")} is missing"))
            : [];

    private static JsonElement NoSchema { get; } = JsonDocument.Parse("{}").RootElement;

    private static TextFormat FormatOf(PackSnapshot snapshot, Place? place) =>
        place?.Format as TextFormat ?? snapshot.Profile.Manifest.Format;

    /// <summary>What the host would not accept in a table or an index.</summary>
    private static Judgement JudgePlain(byte[] bytes, Place place)
    {
        var facts = FactsReader.Read(bytes, place);
        return facts.Unreadable is { } problem
            ? new Judgement(false, [new FaultView("", problem.Says, problem.At?.Line ?? 1, problem.At?.Column ?? 1)])
            : new Judgement(true, [.. facts.Faults.Select(f => new FaultView("", f.Says, f.At?.Line ?? 1, f.At?.Column ?? 1))]);
    }

    private static IEnumerable<EntryFault> Dangling(PackSnapshot snapshot, Place? place, JsonText text)
    {
        // A path that the manifest names is judged with the file that lies there.
        if (place is null) yield break;
        foreach (var (pointer, known) in ChoicesOf(snapshot, place))
            foreach (var (at, value) in text.FindAll(pointer).Where(f => f.Value.ValueKind == JsonValueKind.String))
                if (known.All(c => c.Value != value.GetString()))
                    yield return new EntryFault(at, "", $"“{value.GetString()}” does not exist");
    }

    private static (Kind? Kind, Place? Place, string Title) KindOf(PackSnapshot snapshot, PackPath path)
    {
        if (path == snapshot.Profile.Manifest.Path) return (snapshot.Profile.Manifest.Kind, null, "Manifest");
        return snapshot.Profile.Locate(
            path,
            snapshot.Edition) is { Place: { HoldsText: true } place, Bindings: var bindings }
            ? (place.Kind, place, LedgerEndpoints.TitleOf(place, bindings))
            : throw ProblemException.NoFile(path.Value);
    }

    /// <summary>By pointer: what each field that refers to something may name.</summary>
    private static Dictionary<string, IReadOnlyList<Choice>> ChoicesOf(PackSnapshot snapshot, Place? place)
    {
        if (place is null) return PathsInManifest(snapshot);
        if (snapshot.Overlay is not { } overlay) return [];
        var choices = place.RulesOf<RefersToRule>(snapshot.Edition).DistinctBy(r => r.Field).ToDictionary(
            r => r.Field,
            r => r.Codebook is { } book
                ? CodesIn(overlay, book)
                : NamesIn(overlay, overlay.Profile.Place(r.Place!), r.Placeholder),
            StringComparer.Ordinal);
        // An object whose keys are codes.
        foreach (var keys in place.RulesOf<KeysRule>(snapshot.Edition).Where(k => k.Field.Length > 0))
            choices[keys.Field] = CodesIn(overlay, keys.Codebook);
        if (place.Kind?.Inherits is { } inherits) choices[inherits.By] = NamesIn(overlay, place, null);
        return choices;
    }

    /// <summary>What fields of the manifest name by its path: the pack's own pictures that stand in no place.</summary>
    private static Dictionary<string, IReadOnlyList<Choice>> PathsInManifest(PackSnapshot snapshot)
    {
        IReadOnlyList<Choice> free =
        [
            .. snapshot.Tree.Files
                .Where(f => !ReservedFolder.Holds(f.Path) && FileFormats.IsPicture(f.Path))
                .Where(f => snapshot.Profile.Locate(f.Path, snapshot.Edition) is null)
                .Select(
                    f => new Choice(
                        f.Path.Value,
                        f.Path.FileName,
                        new ShownPicture(f.Path.Value, PackSnapshot.HashOf(f), IsOfBase: false),
                        FromPack: true)),
        ];
        return snapshot.Profile.Places
            .Where(p => p.ManifestField is not null && p.Content == PlaceContent.Picture)
            .ToDictionary(p => p.ManifestField!, _ => free, StringComparer.Ordinal);
    }

    private static IReadOnlyList<Choice> CodesIn(Overlay overlay, string codebook) =>
        [.. overlay.Codebook(codebook).Codes.Select(c => new Choice(c.Value, c.Name, null, false, Group: c.In("group")))];

    private static IReadOnlyList<Choice> NamesIn(Overlay overlay, Place place, string? placeholder)
    {
        // Without a placeholder it is the id that others refer to.
        if (placeholder is null)
            return
            [
                .. overlay
                    .ShownIn(place)
                    .Where(p => p.Field(place.Id!) is not null)
                    .OrderBy(p => p.Path)
                    .Select(
                        p => new Choice(
                            p.Field(place.Id!)!,
                            LedgerEndpoints.TitleOf(place, p.Bindings),
                            ShownPicture.Of(overlay, p),
                            !p.Layer.IsBase)),
            ];
        ShownPicture? PictureAt(PackPath path) =>
            place.Content == PlaceContent.Picture && overlay.Shown(path) is { } shown ? ShownPicture.Of(overlay, shown) : null;
        var ofPack = overlay.Pack.Placements
            .Where(p => p.Place == place && overlay.FindDrop(p.Path) is null)
            .Select(p => (p.Path, p.Bindings, FromPack: true));
        var ofBase = overlay.Base.In(place).Select(f => (f.Path, f.Bindings, FromPack: false));
        return
        [
            .. ofPack.Concat(ofBase).DistinctBy(n => n.Path).OrderBy(n => n.Path)
                .Select(
                    n =>
                        new Choice(
                            n.Bindings.Spell(placeholder)!,
                            LedgerEndpoints.TitleOf(place, n.Bindings),
                            PictureAt(n.Path),
                            n.FromPack,
                            place.Content == PlaceContent.Sound ? n.Path.Value : null)),
        ];
    }

    /// <summary>The codes that keys of the entry itself may be; null where they are no codes.</summary>
    private static IReadOnlyList<Choice>? KeysOf(PackSnapshot snapshot, Place? place) =>
        place?.RulesOf<KeysRule>(snapshot.Edition).FirstOrDefault(k => k.Field.Length == 0) is { } keys && snapshot.Overlay is { } overlay
            ? CodesIn(overlay, keys.Codebook)
            : null;

    /// <summary>What the entry has from others, as the host shows it.</summary>
    private static List<TakenView> TakenOf(PackSnapshot snapshot, PackPath path) =>
        snapshot.Overlay is { } overlay
            && (overlay.OfPack(path) ?? overlay.OfBase(path)) is { } entry
            ?
            [
                .. TakenOver.By(overlay, entry).Select(
                    t => new TakenView(t.Pointer, t.Value, LedgerEndpoints.TitleOf(t.From.Place, t.From.Bindings), t.From.Path.Value)),
            ]
            : [];

    private static List<string> OwnOf(PackSnapshot snapshot, Place? place) =>
        place is null
            ? [snapshot.Profile.Manifest.IdField, snapshot.Profile.Manifest.TitleField]
            : [.. new[] { place.Id }.OfType<string>().Concat(place.RulesOf<UniqueRule>(snapshot.Edition).Select(r => r.Field)).Distinct()];
}
