using System.Collections.Concurrent;
using Underlay.Core.Entries;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;

namespace Underlay.Core.Hosts;

/// <summary>What a file of a place is read as.</summary>
public enum PlaceContent
{
    /// <summary>A PNG picture.</summary>
    Picture,

    /// <summary>A JSON entry of a kind.</summary>
    Entry,
}

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

    /// <summary>The paths of the place, or null when a field of the manifest names its one path.</summary>
    public required PathPattern? Pattern { get; init; }

    /// <summary>Pointer into the manifest to the path, or null when there is a pattern.</summary>
    public required string? ManifestField { get; init; }

    /// <summary>What its files are read as.</summary>
    public required PlaceContent Content { get; init; }

    /// <summary>The kind of its entries; null for pictures.</summary>
    public required Kind? Kind { get; init; }

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
            MaskColoursRule => PixelNeed.Colours,
            AlphaRule or ClearBorderRule => PixelNeed.Alpha,
            _ => PixelNeed.None,
        })
        .DefaultIfEmpty(PixelNeed.None)
        .Max();

    /// <summary>All rules that hold in an edition, those chosen by another file left aside.</summary>
    public IReadOnlyList<Rule> RulesIn(Edition edition) =>
        rulesByEdition.TryGetValue(edition, out var known) ? known : rulesByEdition[edition] = [.. Rules.Where(r => r.Editions.Holds(edition))];

    /// <summary>The rules of one type that hold in an edition.</summary>
    public IEnumerable<T> RulesOf<T>(Edition edition)
        where T : Rule => RulesIn(edition).OfType<T>();

    /// <inheritdoc/>
    public override string ToString() => Key;

    private static IEnumerable<Rule> AllRules(IEnumerable<Rule> rules) =>
        rules.SelectMany(r => r is VariesWithRule varies ? AllRules(varies.Choices.Values.SelectMany(c => c)) : [r]);
}
