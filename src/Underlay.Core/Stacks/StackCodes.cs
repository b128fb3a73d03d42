using System.Collections.Concurrent;
using Underlay.Core.BaseFiles;
using Underlay.Core.Codebooks;
using Underlay.Core.Hosts;

namespace Underlay.Core.Stacks;

/// <summary>
/// The codebooks of a stack: those of the base, and where one is read from a table that packs may lay over, with the pack's rows.
/// </summary>
internal sealed class StackCodes(Overlay overlay)
{
    private readonly ConcurrentDictionary<string, (Codebook Book, Place? Source)> known = new(StringComparer.Ordinal);

    /// <summary>A codebook as the stack has it. Asked for only once it is known which tables are left out.</summary>
    public Codebook this[string key]
    {
        get
        {
            var (book, source) = known.GetOrAdd(key, Make);
            // Whoever is handed what is known already has asked for all the same.
            if (source is not null) ReadSet.NotePlace(source.Key);
            return book;
        }
    }

    /// <summary>Codes of the base that the pack's table takes away.</summary>
    public IEnumerable<string> Gone(string key) =>
        overlay.Base.Codebooks[key] is var own && this[key] is var now && !ReferenceEquals(own, now)
            ? own.Codes.Select(c => c.Value).Where(c => !now.Has(c))
            : [];

    private (Codebook Book, Place? Source) Make(string key)
    {
        var book = overlay.Base.Codebooks[key];
        var rule = overlay.Profile.Codebook(key);
        if (overlay.Profile.SourceOf(rule) is not { } place) return (book, null);
        foreach (var mine in overlay.Pack.In(place))
        {
            if (overlay.FindDrop(mine.Path) is not null) continue;
            if (mine.Facts.Table is { Problem: null } table) book = Over(book, table, place.Table!);
            // A file that lists its entries replaces the one below whole.
            if (rule.Items is { } items && mine.Facts.Entry is { } entry)
                book = new Codebook(book.Key, book.Title, BaseCatalogue.CodesIn(entry.Text, items), book.Also);
        }

        return (book, place);
    }

    private static Codebook Over(Codebook below, TableFacts table, TableShape shape)
    {
        var codes = table.Replaces ? [] : below.Codes.ToDictionary(c => c.Value, StringComparer.Ordinal);
        foreach (var row in table.Rows)
        {
            codes.Remove(row.Key);
            if (row.Deed == RowDeed.Remove) continue;
            var more = table.ValuesOf(row, shape);
            codes[row.Key] = new Code(row.Key, more.GetValueOrDefault("name", ""), more);
        }

        return new Codebook(below.Key, below.Title, [.. codes.Values], below.Also);
    }
}
