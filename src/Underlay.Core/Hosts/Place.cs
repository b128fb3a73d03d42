using System.Collections.Concurrent;
using Underlay.Core.Entries;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;

namespace Underlay.Core.Hosts;

/// <summary>What a file of a place is read as.</summary>
public enum PlaceContent
{
    /// <summary>A picture.</summary>
    Picture,

    /// <summary>A sound.</summary>
    Sound,

    /// <summary>A JSON entry of a kind.</summary>
    Entry,

    /// <summary>A CSV table with a key column.</summary>
    Table,

    /// <summary>An XML index: one row for each file that it names.</summary>
    Index,
}

/// <summary>What the values of a column are.</summary>
public enum ColumnHolds
{
    /// <summary>Anything.</summary>
    Text,

    /// <summary>Whole numbers from 0.</summary>
    Whole,

    /// <summary>Numbers.</summary>
    Number,
}

/// <summary>A column that a table has to have; its values may be empty.</summary>
/// <param name="Name">Its name in the header.</param>
/// <param name="Holds">What its values are.</param>
public sealed record ColumnShape(string Name, ColumnHolds Holds);

/// <summary>The columns of a table.</summary>
/// <param name="Key">The column whose value names the row.</param>
/// <param name="Merge">
/// The column that says what a row does to the table below (add, change, remove); without it in a file, the file replaces the whole
/// table. Null for tables that always replace.
/// </param>
/// <param name="RowsAdd">True where rows stand beside those of the table below, and in the place of one with the same key.</param>
/// <param name="Columns">Columns that it has to have beside the key.</param>
public sealed record TableShape(string Key, string? Merge, bool RowsAdd, IReadOnlyList<ColumnShape> Columns)
{
    /// <summary>A table that needs no other column than its key.</summary>
    public TableShape(string key, string? merge)
        : this(key, merge, RowsAdd: false, [])
    {
    }

    /// <summary>True where rows can be laid over the table below; false where a file always replaces it whole.</summary>
    public bool LaysRows => RowsAdd || Merge is not null;
}

/// <summary>An element around an index's rows, and the attribute with its code.</summary>
/// <param name="Element">The element's name.</param>
/// <param name="Code">The attribute.</param>
/// <param name="Codebook">The codebook that has the code.</param>
/// <param name="Identifies">True where an unknown code drops the rows inside.</param>
public sealed record IndexLevel(string Element, string Code, string Codebook, bool Identifies);

/// <summary>The form of an index: nested elements, the innermost a row that names a file.</summary>
/// <param name="Root">The root element.</param>
/// <param name="Levels">Elements from the outermost to the row's, the row's last; its code tells rows of one parent apart.</param>
/// <param name="File">The row's attribute with the file's path.</param>
/// <param name="Span">The row's attribute with a span of months, which may be left out.</param>
/// <param name="Unknown">What comes of a row with an unknown code or file.</param>
/// <param name="Twice">What comes of a second row with the same codes.</param>
public sealed record IndexShape(
    string Root,
    IReadOnlyList<IndexLevel> Levels,
    string File,
    string Span,
    Consequence Unknown,
    Consequence Twice);

/// <summary>A rule of the profile: a path pattern and what a file there must be and bring along.</summary>
public sealed class Place
{
    private readonly ConcurrentDictionary<Edition, Rule[]> rulesByEdition = new();
    private PixelNeed? pixelNeed;

    /// <summary>The place's name in the profile.</summary>
    public required string Key { get; init; }

    /// <summary>The place's name for people, in the plural.</summary>
    public required string Title { get; init; }

    /// <summary>What one file of the place is called, with its article: "a shelf picture".</summary>
    public required string One { get; init; }

    /// <summary>Words that authors put into a file's name for it, in small letters: "glow" for an ember map.</summary>
    public required IReadOnlyList<string> Called { get; init; }

    /// <summary>The family that it belongs to.</summary>
    public required PlaceFamily Family { get; init; }

    /// <summary>The paths of the place, or null when a field of the manifest names its one path.</summary>
    public required PathPattern? Pattern { get; init; }

    /// <summary>Pointer into the manifest to the path, or null when there is a pattern.</summary>
    public required string? ManifestField { get; init; }

    /// <summary>What its files are read as.</summary>
    public required PlaceContent Content { get; init; }

    /// <summary>The kind of its entries; null for pictures.</summary>
    public required Kind? Kind { get; init; }

    /// <summary>True where its files are texts that authors write: entries, tables, indexes.</summary>
    public bool HoldsText => Content is PlaceContent.Entry or PlaceContent.Table or PlaceContent.Index;

    /// <summary>The format of its files.</summary>
    public required FileFormat Format { get; init; }

    /// <summary>The format of its pictures; null where it reads none.</summary>
    public PackPictureFormat? PictureFormat => Format as PackPictureFormat;

    /// <summary>The columns of its tables; null for other contents.</summary>
    public required TableShape? Table { get; init; }

    /// <summary>The form of its index; null for other contents.</summary>
    public required IndexShape? Index { get; init; }

    /// <summary>Pointer to the id by which others refer to its entries, or null.</summary>
    public required string? Id { get; init; }

    /// <summary>What comes of a file that cannot be read.</summary>
    public required Consequence Unreadable { get; init; }

    /// <summary>The rules, in the order in which the host applies them.</summary>
    public required IReadOnlyList<Rule> Rules { get; init; }

    /// <summary>The template for a new file here, or null.</summary>
    public required string? Template { get; init; }

    /// <summary>How it is known.</summary>
    public required Basis Basis { get; init; }

    /// <summary>The editions that have the place.</summary>
    public required EditionSpan Editions { get; init; }

    /// <summary>"a", "an" or "the" cut off <see cref="One"/>.</summary>
    public string Noun => One[(One.IndexOf(' ', StringComparison.Ordinal) + 1)..];

    /// <summary>What the rules have to know of pixels.</summary>
    public PixelNeed PixelNeed => pixelNeed ??= AllRules(Rules)
        .Select(r => r switch
        {
            MaskColoursRule or GreyRule => PixelNeed.Colours,
            LetteringRule => PixelNeed.Lettering,
            _ => PixelNeed.Alpha,
        })
        .DefaultIfEmpty(PixelNeed.Alpha)
        .Max();

    /// <summary>True when its pictures must not get colours that were not there before: masks and the like.</summary>
    public bool IsExact => PixelNeed == PixelNeed.Colours;

    /// <summary>All rules that hold in an edition, those chosen by another file left aside.</summary>
    public IReadOnlyList<Rule> RulesIn(Edition edition) =>
        rulesByEdition.TryGetValue(edition, out var known)
            ? known
            : rulesByEdition[edition] = [.. Rules.Where(r => r.Editions.Holds(edition))];

    /// <summary>The rules of one type that hold in an edition.</summary>
    public IEnumerable<T> RulesOf<T>(Edition edition)
        where T : Rule => RulesIn(edition).OfType<T>();

    /// <inheritdoc/>
    public override string ToString() => Key;

    private static IEnumerable<Rule> AllRules(IEnumerable<Rule> rules) =>
        rules.SelectMany(r => r is VariesWithRule varies ? AllRules(varies.Choices.Values.SelectMany(c => c)) : [r]);
}
