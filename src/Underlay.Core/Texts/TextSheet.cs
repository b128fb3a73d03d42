using System.Runtime.CompilerServices;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Texts;

/// <summary>All texts of a stack over all languages: those that are there, and those that are wanted.</summary>
public sealed class TextSheet
{
    private static readonly ConditionalWeakTable<Overlay, Lazy<TextSheet?>> Known = [];

    private readonly Lazy<IReadOnlyList<TextLine>> lines;

    private TextSheet(Overlay overlay, Place place, TextsRule rule)
    {
        Overlay = overlay;
        Place = place;
        Fallback = rule.Column;
        Languages = [.. place.Table!.Columns.Select(c => c.Name).OrderBy(c => c != Fallback)];
        lines = new Lazy<IReadOnlyList<TextLine>>(() => ReadSet.Record(ReadLines).Outcome);
    }

    /// <summary>The stack.</summary>
    public Overlay Overlay { get; }

    /// <summary>The place of the tables.</summary>
    public Place Place { get; }

    /// <summary>The column of the language to which all others fall back.</summary>
    public string Fallback { get; }

    /// <summary>The columns of languages, that one first.</summary>
    public IReadOnlyList<string> Languages { get; }

    /// <summary>The texts, in the order of those that want them; those that nothing wants last.</summary>
    public IReadOnlyList<TextLine> Lines => lines.Value;

    /// <summary>True where the pack has texts of its own.</summary>
    public bool HasOwn => Overlay.Rows.OfPack(Place).Count > 0;

    /// <summary>The texts of a stack, read once; null where the host has none.</summary>
    public static TextSheet? Of(Overlay overlay)
    {
        // Whoever is handed what is known already has asked for all the same.
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<TextsRule>(overlay.Edition))
            {
                ReadSet.NoteTextsIn(place.Key);
                ReadSet.NotePlace(rule.Place);
            }

        return Known.GetValue(overlay, o => new Lazy<TextSheet?>(() => Read(o))).Value;
    }

    private static TextSheet? Read(Overlay overlay) =>
        overlay.Profile.Places.SelectMany(p => p.RulesOf<TextsRule>(overlay.Edition)).FirstOrDefault() is { } rule
            ? new TextSheet(overlay, overlay.Profile.Place(rule.Place), rule)
            : null;

    private List<TextLine> ReadLines()
    {
        var wanted = Overlay.Profile.Places
            .Where(p => p.Editions.Holds(Overlay.Edition) && p.RulesOf<TextsRule>(Overlay.Edition).Any(r => r.Place == Place.Key))
            .SelectMany(Overlay.Texts.WantedIn)
            .ToList();
        // What the base's things of one kind are called.
        var originals = wanted
            .Where(w => w.Owner.Layer.IsBase)
            .SelectMany(
                w => Languages.Select(
                    l => (Said: new Said(w.Owner.Place, w.Word, l, BelowAt(w.Key)?.GetValueOrDefault(l, "") ?? ""), w.Key)))
            .Where(w => w.Said.Text.Length > 0)
            .ToLookup(w => w.Said, w => w.Key);
        var keys = wanted.Select(w => w.Key).ToHashSet(StringComparer.Ordinal);
        var own = Overlay.Pack.In(Place).ToList();
        return
        [
            // A new text goes into the only table that the pack has, else into the one that the profile names.
            .. wanted.DistinctBy(w => w.Key)
                .Select(w => Line(w.Key, w.Owner, own.Count == 1 ? own[0].Path : PackPath.Parse(w.Rule.File), originals)),
            .. Overlay.Rows.OfPack(Place).Where(r => !keys.Contains(r.Key)).Select(r => Line(r.Key, null, r.Value.From.Path)),
        ];
    }

    private IReadOnlyDictionary<string, string>? BelowAt(string key) =>
        Overlay.Base.RowsOf(Place).TryGetValue(key, out var row) ? row.File.Facts.Table!.ValuesOf(row.Row, Place.Table!) : null;

    private TextLine Line(
        string key,
        Placement? owner,
        PackPath usual,
        ILookup<Said, string>? originals = null)
    {
        var mine = Overlay.Rows.OfPack(Place).GetValueOrDefault(key);
        var below = BelowAt(key);
        var word = key[(key.LastIndexOf('/') + 1)..];
        return new TextLine(
            key,
            word,
            owner,
            mine?.From.Path ?? usual,
            mine?.From.Layer ?? (below is null ? null : Layer.Base),
            mine?.Values ?? below ?? new Dictionary<string, string>(),
            below,
            // A text that is the pack's alone.
            mine is not null && below is null && owner is not null && originals is not null
                ? Languages
                    .Select(l => (l, originals[new Said(owner.Place, word, l, mine.Values.GetValueOrDefault(l, ""))].FirstOrDefault()))
                    .Where(o => o.Item2 is not null)
                    .ToDictionary(o => o.l, o => o.Item2!)
                : new Dictionary<string, string>());
    }

    /// <summary>What a text says of a thing of a place in a language.</summary>
    private readonly record struct Said(Place Place, string Word, string Language, string Text);
}
