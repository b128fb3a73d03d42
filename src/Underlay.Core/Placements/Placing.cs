using Underlay.Core.BaseFiles;
using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Steps;

namespace Underlay.Core.Placements;

/// <summary>What came of placing a file.</summary>
/// <param name="Edits">What changes; empty when the file stays where it is.</param>
/// <param name="Problem">Why it stays, as a sentence that begins with "it"; null when it was placed.</param>
/// <param name="IsResult">True when it was taken for what the picture's steps made, drawn on further.</param>
public sealed record PlacingResult(IReadOnlyList<TreeEdit> Edits, string? Problem, bool IsResult = false)
{
    internal static PlacingResult Stays(string problem) => new([], problem);
}

/// <summary>A file to place.</summary>
/// <param name="From">The file.</param>
/// <param name="To">Where it goes.</param>
/// <param name="Insist">Whether to place it where the host could not read it as it is.</param>
public sealed record WantedPlace(PackPath From, PackPath To, bool Insist = false);

/// <summary>
/// Moves files of the tray to their places: pictures in the format that hosts read there, through the steps that a picture has.
/// </summary>
public static class Placing
{
    /// <summary>Places files, one after the other.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition that the pack is for.</param>
    /// <param name="tree">The pack.</param>
    /// <param name="wanted">What goes where.</param>
    /// <returns>What came of each, in order; edits of one apply after those before.</returns>
    public static IReadOnlyList<PlacingResult> PlaceAll(
        HostProfile profile,
        Edition edition,
        FileTree tree,
        IReadOnlyList<WantedPlace> wanted)
    {
        // Bytes are looked at on all cores, in the pack as it is; what that gives holds where nothing came to it by those before.
        var ready = SideBySide.Select(wanted, w => Place(profile, edition, tree, w.From, w.To, w.Insist));
        var after = new ChangedTree(tree);
        var results = new List<PlacingResult>(wanted.Count);
        foreach (var (one, first) in wanted.Zip(ready))
        {
            PackPath[] about = [one.From, one.To, StepsFile.PathOf(one.To), ReservedFolder.SourceOf(one.To), profile.Manifest.Path];
            var result = about.Any(after.HasTouched) ? Place(profile, edition, after.Now, one.From, one.To, one.Insist) : first;
            after.Add(result.Edits);
            results.Add(result);
        }

        return results;
    }

    /// <summary>Places one file.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition that the pack is for.</param>
    /// <param name="tree">The pack.</param>
    /// <param name="from">The file.</param>
    /// <param name="to">Where it goes.</param>
    /// <param name="insist">Whether to place it where the host could not read it as it is.</param>
    public static PlacingResult Place(HostProfile profile, Edition edition, FileTree tree, PackPath from, PackPath to, bool insist = false)
    {
        if (ReservedFolder.Holds(to))
            return PlacingResult.Stays($"{ReservedFolder.Name} is Underlay’s own folder; choose a path outside it.");
        if (tree.Find(from) is not { } file) return PlacingResult.Stays("it is no longer in the tray.");
        if (!insist && ContentClash.Find(profile, edition, file, to) is { } clash) return PlacingResult.Stays(clash);
        // A sound goes as it is where its place plays it so and no steps wait for it.
        var moved = SoundSeat.Of(profile, edition, to) is { } seat
            && FileFormats.OfHead(file.ReadStart(FileFormat.HeadBytes)) is SoundFormat
            && (tree.Find(StepsFile.PathOf(to)) is not null || !SoundShaping.IsPlayed(seat, file.ReadAll()))
            ? MoveSound(profile, edition, tree, file, seat, insist)
            : Move(profile, edition, tree, file, to, insist);
        if (moved.Problem is not null) return moved;
        var naming = ManifestNaming.Edits(profile, tree.With(moved.Edits), to);
        return moved with { Edits = [.. moved.Edits, .. naming] };
    }

    /// <summary>Makes a picture of the tray the one that the manifest names: fitted, saved as the place wants it, and named.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition that the pack is for.</param>
    /// <param name="tree">The pack.</param>
    /// <param name="from">The picture.</param>
    /// <param name="place">A place whose one path the manifest names.</param>
    public static PlacingResult AsNamed(HostProfile profile, Edition edition, FileTree tree, PackPath from, Place place)
    {
        if (tree.Find(from) is not { } file) return PlacingResult.Stays("it is no longer in the tray.");
        var bytes = file.ReadAll();
        if (SourceReader.Describe(bytes) is not { Size: var size }) return PlacingResult.Stays("it is no picture.");
        var to = ManifestNaming.PathOf(ManifestFacts.Read(profile, tree), place);
        var wanted = place.RulesOf<Hosts.Rules.SizeRule>(edition).Select(r => r.Nearest(size)).FirstOrDefault(size);
        // What was there is replaced with its steps. A step even where the size is right: it saves the picture in full colour and
        // without what editors keep in it.
        TreeEdit[] begun =
        [
            .. tree.Find(StepsFile.PathOf(to)) is null ? Array.Empty<TreeEdit>() : [new TreeEdit.Delete(StepsFile.PathOf(to))],
            new TreeEdit.Write(to, bytes),
        ];
        var shaped = Shaping.Add(tree.With(begun), to, Offers.Fitting.Whole(place, size, wanted));
        if (shaped.Problem is { } problem) return PlacingResult.Stays($"it cannot be used: {problem}.");
        TreeEdit[] placed = [.. begun, .. shaped.Edits, new TreeEdit.Delete(from)];
        return new PlacingResult([.. placed, .. ManifestNaming.Edits(profile, tree.With(placed), to)], null);
    }

    /// <summary>Saves a recording as its place plays it, through the steps that are there; it is kept as their source.</summary>
    private static PlacingResult MoveSound(
        HostProfile profile,
        Edition edition,
        FileTree tree,
        TreeFile file,
        SoundSeat seat,
        bool insist)
    {
        var shaped = SoundShaping.Renew(tree, seat, file.ReadAll());
        if (shaped.Problem is { } problem)
            return insist ? Move(profile, edition, tree, file, seat.Path, insist) : PlacingResult.Stays($"{problem}.");
        return new PlacingResult([.. shaped.Edits, new TreeEdit.Delete(file.Path)], null);
    }

    private static PlacingResult Move(HostProfile profile, Edition edition, FileTree tree, TreeFile file, PackPath to, bool insist)
    {
        TreeEdit[] asItIs = tree.Find(to) is null
            ? [new TreeEdit.Move(file.Path, to)]
            : [new TreeEdit.Delete(to), new TreeEdit.Move(file.Path, to)];
        if (!FileFormats.IsPicture(to) || SourceReader.FormatOf(file.ReadStart(FileFormat.HeadBytes)) is null)
            return new PlacingResult(asItIs, null);
        if (IsReadAsItIs(profile, edition, tree, file, to)) return new PlacingResult(asItIs, null);
        var bytes = file.ReadAll();
        var isResult = ReturnedResult.Is(tree, to, bytes);
        var shaped = isResult ? ReturnedResult.Take(tree, to, bytes) : Shaping.Renew(tree, to, bytes);
        if (shaped.Problem is { } problem)
            return insist ? new PlacingResult(asItIs, null) : PlacingResult.Stays($"it cannot be used there: {problem}.");
        // The file itself moves where its bytes stay as they are, so that the log says what was done.
        return shaped.Edits is [TreeEdit.Write write] && write.Path == to && write.Bytes.Span.SequenceEqual(bytes)
            ? new PlacingResult(asItIs, null, isResult)
            : new PlacingResult([.. shaped.Edits, new TreeEdit.Delete(file.Path)], null, isResult);
    }

    /// <summary>
    /// True where a picture's place reads it as it is and no steps wait for it. What its place wants to know of it is found on the
    /// way, and need not be found again when the pack is checked.
    /// </summary>
    private static bool IsReadAsItIs(HostProfile profile, Edition edition, FileTree tree, TreeFile file, PackPath to) =>
        profile.Locate(to, edition)?.Place is { PictureFormat: { } format } place
        && format == Shaping.FormatAt(to)
        && tree.Find(StepsFile.PathOf(to)) is null
        && FactsReader.Read(file, place).Unreadable is null;
}
