using System.Text;
using Underlay.Core.Decisions;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Formats.Xml;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Steps;

namespace Underlay.Core.Placements;

/// <summary>
/// Moves a file of a pack to another path, and with it all that speaks of it by its path or name: its row in a table, its
/// rows in an index, its source, steps, waivers and its mark as a placeholder.
/// </summary>
public static class Renaming
{
    /// <summary>The edits; none when there is no such file or the new path is taken.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition that the pack is for.</param>
    /// <param name="tree">The pack.</param>
    /// <param name="from">The file.</param>
    /// <param name="to">Where it goes.</param>
    public static IReadOnlyList<TreeEdit> Edits(HostProfile profile, Edition edition, FileTree tree, PackPath from, PackPath to)
    {
        if (tree.Find(from) is null || tree.Find(to) is not null) return [];
        var edits = new List<TreeEdit> { new TreeEdit.Move(from, to) };
        var kept = new[]
        {
            (From: StepsFile.PathOf(from), To: StepsFile.PathOf(to)),
            (From: ReservedFolder.SourceOf(from), To: ReservedFolder.SourceOf(to)),
        };
        foreach (var file in kept)
            if (tree.Find(file.From) is not null && tree.Find(file.To) is null) edits.Add(new TreeEdit.Move(file.From, file.To));
        edits.AddRange(Decisions(tree, from, to));
        edits.AddRange(Rows(profile, edition, tree, from, to));
        edits.AddRange(IndexRows(profile, edition, tree, from, to));
        return edits;
    }

    private static IEnumerable<TreeEdit> Decisions(FileTree tree, PackPath from, PackPath to) =>
    [
        .. PlaceholderFiles.Follow(tree, from, to).Edits,
        .. LaterValues.Follow(tree, from, to).Edits,
        .. Waivers.Follow(tree, from, to).Edits,
    ];

    /// <summary>The row of a table that has the file's name, under its new name.</summary>
    private static IEnumerable<TreeEdit> Rows(HostProfile profile, Edition edition, FileTree tree, PackPath from, PackPath to)
    {
        if (profile.Locate(from, edition) is not { } was || profile.Locate(to, edition) is not { } now || was.Place != now.Place)
            yield break;
        foreach (var rule in was.Place.RulesOf<ListedInRule>(edition))
        {
            if (rule.Table is null) continue;
            var table = profile.Place(rule.Table);
            var (old, name) = (was.Bindings.Find(rule.Placeholder)!, now.Bindings.Find(rule.Placeholder)!);
            if (table.Pattern?.Fill(Bindings.None) is not { } path || tree.Find(path) is not { } file || old == name) continue;
            if (CsvText.Read(Encoding.UTF8.GetString(file.ReadAll())) is not { } csv
                || csv.Header.ToList().IndexOf(table.Table!.Key) is not (>= 0 and var key))
                continue;
            if (csv.Rows.Skip(1).All(r => r.Fields.ElementAtOrDefault(key) != old)
                || csv.Rows.Any(r => r.Fields.ElementAtOrDefault(key) == name))
                continue;
            yield return new TreeEdit.Write(path, CsvEdit.SetColumn(csv, table.Table.Key, (_, value) => value == old ? name : value));
        }
    }

    private static IEnumerable<TreeEdit> IndexRows(HostProfile profile, Edition edition, FileTree tree, PackPath from, PackPath to)
    {
        foreach (var place in profile.Places.Where(p => p.Index is not null && p.Editions.Holds(edition)))
        {
            if (place.Pattern?.Fill(Bindings.None) is not { } path || tree.Find(path) is not { } file) continue;
            var bytes = file.ReadAll();
            if (BaseFiles.IndexFacts.Of(bytes, place.Index!) is not { Problem: null } facts || !facts.Names(from)) continue;
            var (element, attribute) = (place.Index!.Levels[^1].Element, place.Index.File);
            yield return new TreeEdit.Write(
                path,
                XmlEdit.SetAttributes(bytes, a => a.Element == element && a.Name == attribute && a.Value == from.Value ? to.Value : null));
        }
    }
}
