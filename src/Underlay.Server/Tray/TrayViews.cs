using Underlay.Server.Files;
using Underlay.Server.Lists;

namespace Underlay.Server.Tray;

/// <summary>A path at which a file of the tray may belong.</summary>
/// <param name="Doubt">What speaks against it so much that it is never sure; null for nothing.</param>
/// <param name="IsNew">Neither the base nor the pack has the path.</param>
/// <param name="YoursHash">Of the pack's own file there, which it would replace; null for none.</param>
/// <param name="BaseHash">Of the base's file there, over which it would lie; null for none.</param>
internal sealed record Candidate(
    string Target,
    string? Place,
    string Title,
    string Noun,
    double Confidence,
    string Reason,
    string? Doubt,
    bool IsNew,
    string? YoursHash,
    string? BaseHash);

/// <summary>The series of the host to which a file belongs with others of the tray.</summary>
/// <param name="Key">Tells it from others.</param>
/// <param name="Number">Of the file, in the host's series.</param>
/// <param name="Says">What is to be known of all of them.</param>
internal sealed record TraySeries(string Key, int Number, string Says);

/// <summary>Something that is not there yet, of which a file may be a part.</summary>
/// <param name="Owner">The place of its entry.</param>
/// <param name="Noun">What it is: "ware entry".</param>
/// <param name="Name">Its name, as it would stand in paths.</param>
/// <param name="Part">The place in which the file would be.</param>
internal sealed record TrayThing(string Owner, string Noun, string Name, string Part);

/// <summary>A file that was dropped in and is not yet placed.</summary>
/// <param name="File">Its path in the tray.</param>
/// <param name="Path">Its path in the pack.</param>
/// <param name="Hash">Of its bytes.</param>
/// <param name="IsSound">Whether it is a recording, which can be heard and split.</param>
/// <param name="Size">Of a picture that can be read, in pixels.</param>
/// <param name="Length">Bytes.</param>
/// <param name="IsFlawed">It is of no use wherever it is placed; the hint says why.</param>
/// <param name="IsSure">Whether the first candidate can be accepted without looking.</param>
/// <param name="HasFirst">Whether the first candidate stands before the others, so that it may be proposed.</param>
/// <param name="Candidates">Likeliest first.</param>
/// <param name="Likely">How many are as likely as the first: more than the candidates where only some of them are listed.</param>
/// <param name="Series">The series to which it belongs with others; null for none.</param>
/// <param name="Thing">Something new of which it may be a part; null for nothing.</param>
/// <param name="Hint">
/// Why the file is of no use, or where the host reads such files that Underlay does not judge yet; null for nothing to say.
/// </param>
internal sealed record TrayRow(
    string File,
    string Path,
    string Hash,
    bool IsPicture,
    bool IsSound,
    Size? Size,
    long Length,
    bool IsSure,
    bool HasFirst,
    IReadOnlyList<Candidate> Candidates,
    int Likely,
    TraySeries? Series,
    TrayThing? Thing,
    string? Hint,
    bool IsFlawed);

/// <summary>
/// The files of the tray; all, or what is another since a revision (<see cref="ListAnswer{T}"/>). A row's key is its path in the pack.
/// </summary>
internal sealed record TrayView(
    long Revision,
    int Sure,
    IReadOnlyList<NamedPlace> Named,
    long? Since,
    IReadOnlyList<TrayRow> Rows,
    IReadOnlyList<int> At,
    IReadOnlyList<string> Gone,
    int Total);

/// <summary>What came of a drop.</summary>
internal sealed record DropResult(long Revision, int Taken, IReadOnlyList<Refused> Refused);

/// <summary>A file of the tray and the path that it is to get.</summary>
/// <param name="Insist">Whether to place it where the host could not read it as it is.</param>
internal sealed record PlaceRequest(string File, string Target, bool Insist = false);

/// <summary>Files to place: those named, or all of which the tray is sure.</summary>
internal sealed record PlacementsRequest(IReadOnlyList<PlaceRequest>? Files = null, bool AllSure = false);

/// <summary>What was placed.</summary>
/// <param name="AsResult">Paths at which a file was taken for what the picture's steps made, and so not run through them again.</param>
internal sealed record PlacementsResult(long Revision, int Placed, IReadOnlyList<Refused> Left, IReadOnlyList<string> AsResult);

/// <summary>A picture of the tray and the place in which it is a part of something new.</summary>
internal sealed record PartRequest(string File, string Place);

/// <summary>Something new that is to be begun with pictures of the tray.</summary>
/// <param name="Owner">The place of its entry.</param>
/// <param name="Name">Its name, as it will stand in paths.</param>
/// <param name="Parts">Its pictures.</param>
internal sealed record ThingRequest(string Owner, string Name, IReadOnlyList<PartRequest> Parts);

/// <summary>Begun.</summary>
/// <param name="Path">Its entry.</param>
/// <param name="Says">What was done, a line each.</param>
/// <param name="Meets">What other packs of the author have at the same paths, a line each.</param>
internal sealed record ThingBegun(long Revision, string Path, IReadOnlyList<string> Says, IReadOnlyList<string> Meets);

/// <summary>A picture of the tray that the manifest is to name in a place.</summary>
internal sealed record NameRequest(string File, string Place);

/// <summary>A place whose one path the manifest names, for which any picture may do.</summary>
internal sealed record NamedPlace(string Place, string Noun);

/// <summary>What a path that is being typed would mean.</summary>
/// <param name="Noun">What the host reads there; null for nothing.</param>
/// <param name="Replaces">Whose file is there: pack, base or none.</param>
/// <param name="Says">What speaks against it; empty for nothing.</param>
/// <param name="Near">A path that is near and that the host reads.</param>
/// <param name="IsRefused">The file cannot be placed there.</param>
/// <param name="Completions">Paths that begin so.</param>
internal sealed record PathView(
    string? Noun,
    string Replaces,
    string Says,
    string? Near,
    bool IsRefused,
    IReadOnlyList<string> Completions);

/// <summary>Files of the tray to throw away.</summary>
internal sealed record DiscardRequest(IReadOnlyList<string> Files);
