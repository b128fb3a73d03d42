using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>
/// Offers a table under any name the tables of its columns, and of these those of whose things its rows speak: their own keys, sounds of
/// their folder, texts of entries that have theirs there.
/// </summary>
internal sealed class TablesByRows(Overlay overlay)
{
    private const double AllColumns = 0.75;
    private const double SomeColumns = 0.6;

    // Its rows are known in this one table.
    private const double KnownRows = 0.92;

    // As many are known in others.
    private const double Shared = 0.7;

    /// <summary>The paths, each with its reason.</summary>
    public IEnumerable<PlacementCandidate> For(TrayContent content)
    {
        if (content.Header is not { } header) return [];
        var fitting = new List<(BaseFile Table, bool HasAll, int Known)>();
        var keysBy = new Dictionary<string, IReadOnlyCollection<string>>(StringComparer.Ordinal);
        foreach (var file in overlay.Base.Files)
        {
            if (file is not { Place.Table: { } shape, Facts.Table: { Columns.Count: > 1 } own } || !header.Contains(shape.Key)) continue;
            var columns = header.Where(c => c != shape.Merge).ToHashSet(StringComparer.Ordinal);
            if (!columns.IsSubsetOf(own.Columns)) continue;
            if (!keysBy.TryGetValue(shape.Key, out var keys)) keys = keysBy[shape.Key] = content.ValuesIn(shape.Key);
            fitting.Add((file, columns.Count == own.Columns.Count, keys.Sum(KnownTo(file))));
        }

        var most = fitting.Select(f => f.Known).DefaultIfEmpty().Max();
        var isAlone = most > 0 && fitting.Count(f => f.Known == most) == 1;
        return fitting.Select(f =>
        {
            var says = $"its columns are those of {f.Table.Place!.One}";
            var byColumns = f.HasAll ? AllColumns : SomeColumns;
            return most > 0 && f.Known == most
                ? Candidate(f.Table, isAlone ? KnownRows : byColumns, $"{says}, and its rows are")
                : Candidate(f.Table, most > 0 ? Math.Min(byColumns, Shared) : byColumns, says);
        });
    }

    private static PlacementCandidate Candidate(BaseFile table, double confidence, string reason) =>
        new(table.Path, table.Place, confidence, reason);

    /// <summary>How far a table's rows are for a key: 2 where it has one, 1 where it is where one goes.</summary>
    private Func<string, int> KnownTo(BaseFile table)
    {
        var own = table.Facts.Table!.Rows.Select(r => r.Key).ToHashSet(StringComparer.Ordinal);
        var sounds = overlay.Profile.Places
            .SelectMany(p => p.RulesOf<SoundRowRule>(overlay.Edition)
                .Where(r => r.Table == table.Place!.Key)
                .Select(r => (Place: p, Rule: r)))
            .ToList();
        var texts = overlay.Profile.Places
            .Where(p => p.Content == PlaceContent.Entry)
            .SelectMany(p => p.RulesOf<TextsRule>(overlay.Edition).Select(r => (Place: p, Rule: r)))
            .Where(t => t.Rule.File == table.Path.Value)
            .ToList();
        return key => own.Contains(key) ? 2
            : sounds.Exists(s => IsThere(s.Place.Pattern?.Fill(table.Bindings.With(s.Rule.Placeholder, key))))
            || texts.Exists(t => t.Rule.Keys.Any(
                word => key.EndsWith($"/{word}", StringComparison.Ordinal)
                    && overlay.EntryOf(t.Place, key[..^(word.Length + 1)]) is not null))
            ? 1
            : 0;
    }

    private bool IsThere(PackPath? path) => path is { } at && overlay.Shown(at) is not null;
}
