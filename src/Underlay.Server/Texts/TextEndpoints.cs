using Microsoft.AspNetCore.Http.HttpResults;
using Underlay.Core.Texts;
using Underlay.Server.Files;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Texts;

/// <summary>Texts over all languages: seen, changed cell by cell, out for translators and in again.</summary>
internal static class TextEndpoints
{
    public static void MapTexts(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}");
        pack.MapGet("/texts", ListAsync).WithName("listTexts");
        pack.MapPost("/texts", ChangeAsync).WithName("changeTexts");
        pack.MapGet("/texts/file", WriteAsync).WithName("writeTexts");
        pack
            .MapPost("/texts/readings", ReadAsync)
            .WithName("readTexts")
            .AcceptsOneFile();
    }

    private static async Task<TextList> ListAsync(Guid id, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        return SheetOf(snapshot) is { } sheet
            ? new TextList(snapshot.Revision, sheet.Languages, [.. sheet.Lines.Select(l => View(sheet, l))])
            : new TextList(snapshot.Revision, [], []);
    }

    private static async Task<Changed> ChangeAsync(Guid id, TextChanges request, PackService packs, CancellationToken cancel)
    {
        var what = request.Changes.Count == 1 ? $"Write the text {request.Changes[0].Key}" : $"Write {request.Changes.Count} texts";
        var after = await packs.EditAsync(id, null, what, snapshot =>
        {
            var sheet = NeedSheet(snapshot);
            var lines = sheet.Lines.ToDictionary(l => l.Key, StringComparer.Ordinal);
            foreach (var change in request.Changes)
                if (lines.TryGetValue(change.Key, out var line) && line.In(change.Language) is var says && says != change.Was)
                    throw new ProblemException(
                        409,
                        "text-changed",
                        $"“{change.Key}” ({change.Language}) was changed meanwhile: it says “{says}”. Nothing was changed.");
            var (edits, problem) = TextChange.Edits(
                sheet,
                [.. request.Changes.Select(c => new TextChange(c.Key, c.Language, c.Says))]);
            return problem is null ? edits : throw new ProblemException(409, "text-refused", $"{problem} Nothing was changed.");
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    private static async Task<FileContentHttpResult> WriteAsync(Guid id, bool? all, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var sheet = NeedSheet(snapshot);
        var lines = sheet.Lines.Where(l => all == true || l.Layer is not { IsBase: true });
        return TypedResults.File(TextExchange.Write(sheet, lines), "text/csv", "texts.csv");
    }

    private static async Task<TextReadingView> ReadAsync(Guid id, HttpRequest request, PackService packs, CancellationToken cancel)
    {
        var bytes = await OneFile.ReadAsync(request, cancel).ConfigureAwait(false);
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var sheet = NeedSheet(snapshot);
        var read = TextExchange.Read(sheet, bytes);
        var lines = sheet.Lines.ToDictionary(l => l.Key, StringComparer.Ordinal);
        return new TextReadingView(
            [.. read.Changes.Select(c => new CellChange(c.Key, c.Language, lines[c.Key].In(c.Language), c.Says))],
            read.Passed,
            read.Problem);
    }

    private static TextSheet? SheetOf(PackSnapshot snapshot) => snapshot.Overlay is { } overlay ? TextSheet.Of(overlay) : null;

    private static TextSheet NeedSheet(PackSnapshot snapshot) =>
        TextSheet.Of(snapshot.NeedOverlay()) ?? throw new ProblemException(409, "text-refused", "This host has no texts.");

    private static TextView View(TextSheet sheet, TextLine line) => new(
        line.Key,
        line.Word,
        line.Owner is { } owner ? LedgerEndpoints.TitleOf(owner.Place, owner.Bindings) : null,
        line.Owner?.Place.Noun,
        line.Owner?.Path.Value,
        line.File.Value,
        line.Layer is { IsBase: false },
        line.Owner is { Layer.IsBase: false },
        [.. sheet.Languages.Select(line.In)],
        line.Below is { } below ? [.. sheet.Languages.Select(l => below.GetValueOrDefault(l, ""))] : null,
        [.. sheet.Languages.Select(line.Originals.GetValueOrDefault)]);
}

/// <summary>A text in all languages.</summary>
/// <param name="Word">What it is: name, about.</param>
/// <param name="Owner">What people call the entry that wants it; null where nothing does.</param>
/// <param name="Noun">What that entry is.</param>
/// <param name="Path">Where that entry is.</param>
/// <param name="File">The table that has it, or would.</param>
/// <param name="IsYours">It stands in the pack.</param>
/// <param name="IsOwners">The entry that wants it is the pack’s.</param>
/// <param name="Says">What it says, in the order of the languages; empty where it says nothing.</param>
/// <param name="Below">What the base says; null where it has no such text.</param>
/// <param name="Originals">The base’s texts that say the same of something else, by the languages; null where none does.</param>
internal sealed record TextView(
    string Key,
    string Word,
    string? Owner,
    string? Noun,
    string? Path,
    string File,
    bool IsYours,
    bool IsOwners,
    IReadOnlyList<string> Says,
    IReadOnlyList<string>? Below,
    IReadOnlyList<string?> Originals);

/// <summary>All texts of the stack.</summary>
/// <param name="Languages">The languages; to the first all others fall back.</param>
internal sealed record TextList(long Revision, IReadOnlyList<string> Languages, IReadOnlyList<TextView> Texts);

/// <summary>A cell that is to be changed.</summary>
/// <param name="Was">What it said when it was seen.</param>
internal sealed record CellChange(string Key, string Language, string Was, string Says);

/// <summary>Cells that are to be changed, as one.</summary>
internal sealed record TextChanges(IReadOnlyList<CellChange> Changes);

/// <summary>What a translator's table would change.</summary>
/// <param name="Passed">What is passed over, each as a sentence.</param>
/// <param name="Problem">Why it cannot be read; null where it can.</param>
internal sealed record TextReadingView(IReadOnlyList<CellChange> Changes, IReadOnlyList<string> Passed, string? Problem);
