using Microsoft.AspNetCore.Http.HttpResults;
using Underlay.Core.Decisions;
using Underlay.Core.Mending;
using Underlay.Core.Offers;
using Underlay.Server.Entries;
using Underlay.Server.Files;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Scripts;

/// <summary>
/// The script of signals: what is to be recorded, by whom, out for those who record and in again, and each recording put in.
/// </summary>
internal static class ScriptEndpoints
{
    public static void MapScripts(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}/script");
        pack.MapGet("", ViewAsync).WithName("viewScript");
        pack.MapPost("", NoteAsync).WithName("noteScript");
        pack.MapGet("/file", WriteAsync).WithName("writeScript");
        pack
            .MapPost("/readings", ReadAsync)
            .WithName("readScript")
            .AcceptsOneFile();
        pack
            .MapPost("/takes", TakeAsync)
            .WithName("takeScript")
            .AcceptsOneFile();
        pack.MapPost("/strokes", PlayAsync).WithName("playScript");
    }

    private static async Task<ScriptView> ViewAsync(Guid id, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        return new ScriptView(snapshot.Revision, [.. LinesOf(snapshot).Select(l => View(snapshot, l))]);
    }

    private static async Task<ScriptChanged> NoteAsync(Guid id, ScriptNotes request, PackService packs, CancellationToken cancel)
    {
        var notes = request.Notes.ToDictionary(n => n.Sound, n => new ScriptNote(n.Speaker.Trim(), n.Notes.Trim()), StringComparer.Ordinal);
        var what = notes.Count == 1 ? $"Note who records {notes.Keys.First()}" : $"Note who records {notes.Count} sounds";
        var after = await packs.EditAsync(
            id,
            null,
            what,
            s => ProblemException.EditsOf(ScriptFile.Set(s.Tree, notes)),
            cancel).ConfigureAwait(false);
        return new ScriptChanged(after.Revision, notes.Count, []);
    }

    private static async Task<FileContentHttpResult> WriteAsync(Guid id, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        return TypedResults.File(SignalScript.Write(LinesOf(snapshot)), "text/csv", "script.csv");
    }

    private static async Task<ScriptChanged> ReadAsync(Guid id, HttpRequest request, PackService packs, CancellationToken cancel)
    {
        var bytes = await OneFile.ReadAsync(request, cancel).ConfigureAwait(false);
        var (taken, unknown) = (0, (IReadOnlyList<string>)[]);
        var after = await packs.EditAsync(id, null, "Take in a script", snapshot =>
        {
            if (SignalScript.Read(LinesOf(snapshot), bytes) is not { } read)
                throw new ProblemException(
                    422,
                    "script-refused",
                    "This is no table with a column “sound”: save it as CSV, with commas, semicolons or tabs. Nothing was changed.");
            (taken, unknown) = (read.Notes.Count, read.Unknown);
            return ProblemException.EditsOf(ScriptFile.Set(snapshot.Tree, read.Notes));
        }, cancel).ConfigureAwait(false);
        return new ScriptChanged(after.Revision, taken, unknown);
    }

    /// <param name="further">It is a further take, which is played beside what the line has.</param>
    private static async Task<ScriptChanged> TakeAsync(
        Guid id,
        string entry,
        string sound,
        HttpRequest request,
        PackService packs,
        CancellationToken cancel,
        bool further = false)
    {
        var bytes = await OneFile.ReadAsync(request, cancel).ConfigureAwait(false);
        var after = await packs.EditAsync(id, null, $"Record {sound}", snapshot =>
        {
            var (overlay, line) = (snapshot.NeedOverlay(), FindLine(snapshot, entry, sound));
            var take = further ? new SignalTake(SignalTakes.Next(overlay, line), bytes, line.Sound) : new SignalTake(line, bytes);
            var (edits, problem) = SignalTakes.Plan(overlay, snapshot.Tree, [take]);
            return problem is null ? edits : throw new ProblemException(422, "sound-unreadable", $"{problem} Nothing was changed.");
        }, cancel).ConfigureAwait(false);
        return new ScriptChanged(after.Revision, 1, []);
    }

    private static async Task<ScriptChanged> PlayAsync(Guid id, ScriptStroke request, PackService packs, CancellationToken cancel)
    {
        var after = await packs.EditAsync(
            id,
            null,
            $"Let {request.Entry} play {request.Sound}",
            s => SignalTakes.Play(s.NeedOverlay(), s.Tree, FindLine(s, request.Entry, request.Sound)),
            cancel).ConfigureAwait(false);
        return new ScriptChanged(after.Revision, 1, []);
    }

    private static ScriptLine FindLine(PackSnapshot snapshot, string entry, string sound)
    {
        var at = FileEndpoints.Parse(entry);
        return SignalScript.Of(snapshot.NeedOverlay()).FirstOrDefault(l => l.Entry == at && l.Sound == sound)
            ?? throw new ProblemException(409, "script-refused", $"The script has no {sound} any more. Nothing was changed.");
    }

    private static IReadOnlyList<ScriptLine> LinesOf(PackSnapshot snapshot) =>
        snapshot.Overlay is { } overlay ? SignalScript.Of(overlay) : [];

    private static ScriptLineView View(PackSnapshot snapshot, ScriptLine line)
    {
        var shown = snapshot.Overlay!.Shown(line.Path);
        return new ScriptLineView(
            line.Entry.Value,
            line.Signals,
            line.IsRequired,
            line.Sound,
            line.Path.Value,
            shown is null ? null : new ShownPicture(line.Path.Value, shown.Facts.Hash.Hex, shown.Layer.IsBase),
            line.State,
            line.Note.Speaker,
            line.Note.Notes);
    }
}

/// <summary>What is to be recorded.</summary>
internal sealed record ScriptView(long Revision, IReadOnlyList<ScriptLineView> Lines);

/// <summary>A sound that answers signals, or is to.</summary>
/// <param name="Entry">The entry that plays it.</param>
/// <param name="Signals">What it answers.</param>
/// <param name="IsRequired">Some of them have to be answered.</param>
/// <param name="Sound">The name by which entries know it.</param>
/// <param name="Path">Where its file is, or goes.</param>
/// <param name="File">What is there now; null for nothing.</param>
/// <param name="State">Whose it is, and whether the entry plays it.</param>
internal sealed record ScriptLineView(
    string Entry,
    IReadOnlyList<ScriptSignal> Signals,
    bool IsRequired,
    string Sound,
    string Path,
    ShownPicture? File,
    ScriptState State,
    string Speaker,
    string Notes);

/// <summary>A sound of the script that its entry is to play.</summary>
internal sealed record ScriptStroke(string Entry, string Sound);

/// <summary>A note on a sound.</summary>
internal sealed record ScriptNoteView(string Sound, string Speaker, string Notes);

/// <summary>Notes to keep.</summary>
internal sealed record ScriptNotes(IReadOnlyList<ScriptNoteView> Notes);

/// <summary>Done.</summary>
/// <param name="Taken">How many sounds have other notes or another recording.</param>
/// <param name="Unknown">Sounds of a table that the script does not have.</param>
internal sealed record ScriptChanged(long Revision, int Taken, IReadOnlyList<string> Unknown);
