using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Mending;

/// <summary>A recording that is to answer signals.</summary>
/// <param name="Line">The line of the script that it is for.</param>
/// <param name="Recording">A sound in any format that is read.</param>
/// <param name="Beside">
/// The sound of which it is a further take, played wherever that is, if it is played; null for the first of its line.
/// </param>
public sealed record SignalTake(ScriptLine Line, ReadOnlyMemory<byte> Recording, string? Beside = null);

/// <summary>
/// Takes recordings as sounds that answer signals: saved as their place plays them, with the row that the host wants of each, and
/// listed where the entry answers the signal.
/// </summary>
public static class SignalTakes
{
    /// <summary>A line for a further take of what another records, under another name.</summary>
    /// <param name="line">The line of the first take.</param>
    /// <param name="path">Where the further one goes: in the same folder.</param>
    public static ScriptLine Further(ScriptLine line, PackPath path) =>
        line with
        {
            Path = path,
            Sound = line.Sound[..(line.Sound.LastIndexOf('/') + 1)] + path.FileName[..path.FileName.LastIndexOf('.')],
        };

    /// <summary>A line for the next take of what a line records: under the first name behind its own that nothing has.</summary>
    public static ScriptLine Next(Overlay overlay, ScriptLine line)
    {
        var (name, ending) = (Cuts.NameOf(line.Path), line.Path.Value[line.Path.Value.LastIndexOf('.')..]);
        PackPath At(string next) => PackPath.Parse(next + ending);
        return Further(line, At(NextNumber.After(name, next => overlay.Shown(At(next)) is not null || overlay.PackHas(At(next)))));
    }

    /// <summary>Lets a sound that is there already answer what its line says, with the row that the host wants of it.</summary>
    public static IReadOnlyList<TreeEdit> Play(Overlay overlay, FileTree tree, ScriptLine line)
    {
        var row = Row(overlay, tree, line.Path);
        return [.. row, .. Listing(overlay, tree.With(row), new SignalTake(line, default))];
    }

    /// <summary>What is to be done for all of them, or why one cannot be used as a sentence.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="tree">The pack's files, as what is done before leaves them.</param>
    /// <param name="takes">The recordings; a further take behind the one that it is beside.</param>
    public static (IReadOnlyList<TreeEdit> Edits, string? Problem) Plan(Overlay overlay, FileTree tree, IEnumerable<SignalTake> takes)
    {
        var edits = new List<TreeEdit>();
        void Add(IReadOnlyList<TreeEdit> more)
        {
            edits.AddRange(more);
            tree = tree.With(more);
        }

        foreach (var take in takes)
        {
            var line = take.Line;
            var from = PackPath.Parse($"{ReservedFolder.Tray}/{line.Path.FileName}.take");
            Add([new TreeEdit.Write(from, take.Recording)]);
            var placed = Placing.Place(overlay.Profile, overlay.Edition, tree, from, line.Path);
            if (placed.Problem is { } problem) return ([], $"The recording cannot be used as {line.Path}: {problem}");
            Add(placed.Edits);
            Add(Row(overlay, tree, line.Path));
            Add(Listing(overlay, tree, take));
        }

        return (edits, null);
    }

    /// <summary>The row of a sound in the table of its folder, where the stack has none.</summary>
    private static IReadOnlyList<TreeEdit> Row(Overlay overlay, FileTree tree, PackPath path)
    {
        if (overlay.Profile.Locate(path, overlay.Edition) is not { } located) return [];
        foreach (var rule in located.Place.RulesOf<SoundRowRule>(overlay.Edition))
        {
            var table = overlay.Profile.Place(rule.Table);
            var name = located.Bindings.Find(rule.Placeholder)!;
            if (table.Pattern!.Fill(located.Bindings) is not { } at || overlay.Rows.Find(table, name)?.From.Path == at) continue;
            if (SoundRow.Written(tree.Find(at)?.ReadAll(), table.Table!, name, new Dictionary<string, string>(), overlay.Base.Read(at))
                is { } bytes)
                return [new TreeEdit.Write(at, bytes)];
        }

        return [];
    }

    /// <summary>The sound among what the entry plays on its signal, or wherever the sound is played that it stands beside.</summary>
    private static IReadOnlyList<TreeEdit> Listing(Overlay overlay, FileTree tree, SignalTake take)
    {
        var (line, beside) = (take.Line, take.Beside);
        if (SignalListText.Of(overlay, tree, line.Entry) is not { } text) return [];
        var listed = beside is not null && text.Plays(beside)
            ? text.WithBeside(beside, line.Sound)
            : text.With(line.Signals[0].Code, line.Sound);
        return listed == text ? [] : [new TreeEdit.Write(line.Entry, listed.Bytes)];
    }
}
