using Underlay.Core.Entries;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;

namespace Underlay.Core.Hosts;

/// <summary>A word of the host's reports (an outcome, a drop code or a reason) and what it means to an author.</summary>
/// <param name="Code">The word.</param>
/// <param name="Says">What completes a sentence about the host: "show a pale plate behind it".</param>
/// <param name="Picture">Of an outcome: whose picture is seen then.</param>
public sealed record HostWord(string Code, string Says, SeenPicture Picture = SeenPicture.Yours);

/// <summary>Whose picture is seen in the host at a path.</summary>
public enum SeenPicture
{
    /// <summary>That of the pack, perhaps in a wrong way.</summary>
    Yours,

    /// <summary>The host's own.</summary>
    Base,

    /// <summary>None.</summary>
    Nothing,
}

/// <summary>Places that belong together in the eyes of an author.</summary>
/// <param name="Key">Its name in the profile.</param>
/// <param name="Title">Its name for people, one short word.</param>
public sealed record PlaceFamily(string Key, string Title);

/// <summary>Files that the host reads and Underlay does not judge yet: they are packaged as they are.</summary>
/// <param name="Pattern">Their paths.</param>
/// <param name="Title">What they are called, in the plural.</param>
public sealed record UnjudgedRule(PathPattern Pattern, string Title);

/// <summary>Where a pack describes itself.</summary>
/// <param name="Path">The file at the pack's root.</param>
/// <param name="Format">Its language.</param>
/// <param name="Kind">Its schema.</param>
/// <param name="IdField">Pointer to the pack's id.</param>
/// <param name="TitleField">Pointer to the title.</param>
/// <param name="VersionField">Pointer to the version.</param>
/// <param name="AuthorField">Pointer to the author's name.</param>
/// <param name="FromField">Pointer to the first edition that the pack is for.</param>
/// <param name="ToField">Pointer to the last.</param>
/// <param name="Template">The template for a new manifest.</param>
public sealed record ManifestRule(
    PackPath Path,
    StructuredFormat Format,
    Kind Kind,
    string IdField,
    string TitleField,
    string VersionField,
    string AuthorField,
    string FromField,
    string ToField,
    string Template);

/// <summary>A table of codes, read from the base.</summary>
/// <param name="Key">Its name in the profile.</param>
/// <param name="Title">Its name for people.</param>
/// <param name="Source">The base's file or files: a CSV with a code column, or files whose names are the codes.</param>
/// <param name="Column">
/// The column of a CSV that holds the code, or null when the placeholder of <paramref name="Source"/> is the code.
/// </param>
/// <param name="Items">Pointer to the codes in a JSON file that lists them, or null.</param>
/// <param name="Also">Other spellings that authors use in names of files, with the codes that they mean.</param>
public sealed record CodebookRule(
    string Key,
    string Title,
    PathPattern Source,
    string? Column,
    string? Items,
    IReadOnlyDictionary<string, string> Also);

/// <summary>How a container's entry is stored.</summary>
public enum EntryMethod
{
    /// <summary>As it is.</summary>
    Stored,

    /// <summary>Deflated.</summary>
    Deflated,
}

/// <summary>Which files a container holds and how; the first rule that fits a file counts.</summary>
/// <param name="Files">A file-name ending with its dot, or empty for all files.</param>
/// <param name="Method">How they are stored.</param>
public sealed record ContainerEntryRule(string Files, EntryMethod Method);

/// <summary>Archives inside the package that hold the files of a folder, in the order of an index, so many each.</summary>
/// <param name="Below">The folder, with a slash at its end.</param>
/// <param name="Folder">Where the archives lie in the package.</param>
/// <param name="Most">The most files in one.</param>
/// <param name="Index">The place of the index that gives the order.</param>
/// <param name="Table">The manifest's table that lists the archives: their file and SHA-256.</param>
/// <param name="Called">What one is called.</param>
public sealed record BundleRule(string Below, string Folder, int Most, string Index, string Table, string Called);

/// <summary>The archive that the host wants: a ZIP with every file at its path, or with some of them in archives inside it.</summary>
/// <param name="Extension">The package's file-name extension with its dot.</param>
/// <param name="MostBytes">The largest package.</param>
/// <param name="Entries">How each file is stored.</param>
/// <param name="Bundle">The archives inside, or null.</param>
public sealed record PackageRule(string Extension, long MostBytes, IReadOnlyList<ContainerEntryRule> Entries, BundleRule? Bundle)
{
    /// <summary>How a file is stored.</summary>
    public EntryMethod MethodOf(PackPath path) =>
        Entries.First(e => path.Value.EndsWith(e.Files, StringComparison.Ordinal)).Method;
}

/// <summary>A name that a later edition changed.</summary>
/// <param name="Since">The edition that has the new name.</param>
/// <param name="Places">The places that it concerns.</param>
/// <param name="Placeholder">The placeholder whose value changed.</param>
/// <param name="Old">The value before.</param>
/// <param name="New">The value since.</param>
public sealed record RenamedRule(Edition Since, IReadOnlyList<string> Places, string Placeholder, string Old, string New);

/// <summary>What players know as one: which files belong to it, found by its name or by fields of its entry.</summary>
/// <param name="Key">Its name in the profile.</param>
/// <param name="Title">Its name for people, in the plural.</param>
/// <param name="Placeholder">The placeholder that names one.</param>
/// <param name="Parts">The places of its files.</param>
public sealed record ThingRule(string Key, string Title, string Placeholder, IReadOnlyList<ThingPart> Parts);

/// <summary>The files of a thing in one place.</summary>
/// <param name="Place">The place.</param>
/// <param name="Placeholder">The placeholder of the place that says which thing it is.</param>
/// <param name="Field">Pointer to the field of the thing's entry whose value stands there; null where it is the thing's own name.</param>
public sealed record ThingPart(string Place, string Placeholder, string? Field);

/// <summary>The program that stands in for the host.</summary>
/// <param name="Program">Its name in the folder of stand-ins.</param>
/// <param name="SecondsAllowed">After which it is ended.</param>
public sealed record TrialRule(string Program, int SecondsAllowed);

/// <summary>The description of one host: data, read from its folder by <see cref="ProfileReader"/>.</summary>
public sealed class HostProfile
{
    private readonly Dictionary<string, Place> placesByKey;

    internal HostProfile(IReadOnlyList<Place> places)
    {
        Places = places;
        placesByKey = places.ToDictionary(p => p.Key, StringComparer.Ordinal);
        Groups = GroupMap.Of(places);
    }

    /// <summary>The host's name in commands.</summary>
    public required string Key { get; init; }

    /// <summary>The host's name for people.</summary>
    public required string Title { get; init; }

    /// <summary>One sentence about it.</summary>
    public required string About { get; init; }

    /// <summary>The prefix of the base's own ids.</summary>
    public required string BasePrefix { get; init; }

    /// <summary>Oldest first.</summary>
    public required IReadOnlyList<Edition> Editions { get; init; }

    /// <summary>The holes of its path patterns.</summary>
    public required IReadOnlyDictionary<string, Placeholder> Placeholders { get; init; }

    /// <summary>Where a pack describes itself.</summary>
    public required ManifestRule Manifest { get; init; }

    /// <summary>What players know as one.</summary>
    public required IReadOnlyList<ThingRule> Things { get; init; }

    /// <summary>What is made of what; null where the host has no recipes.</summary>
    public required EconomyRule? Economy { get; init; }

    /// <summary>Names that later editions changed.</summary>
    public required IReadOnlyList<RenamedRule> Renamed { get; init; }

    /// <summary>The masks that pictures are seen through, as PNG, by file name.</summary>
    public required IReadOnlyDictionary<string, byte[]> Masks { get; init; }

    /// <summary>Families of places, in order.</summary>
    public required IReadOnlyList<PlaceFamily> Families { get; init; }

    /// <summary>What the host reads and Underlay does not judge yet.</summary>
    public required IReadOnlyList<UnjudgedRule> Unjudged { get; init; }

    /// <summary>Tables of codes.</summary>
    public required IReadOnlyList<CodebookRule> Codebooks { get; init; }

    /// <summary>The archive.</summary>
    public required PackageRule Package { get; init; }

    /// <summary>The simulated host.</summary>
    public required TrialRule Trial { get; init; }

    /// <summary>Outcomes, the first broken of which a report names first.</summary>
    public required IReadOnlyList<HostWord> Outcomes { get; init; }

    /// <summary>Drop codes.</summary>
    public required IReadOnlyList<HostWord> Drops { get; init; }

    /// <summary>Reasons for which a package is not listed.</summary>
    public required IReadOnlyList<HostWord> Reasons { get; init; }

    /// <summary>Liquid templates by name.</summary>
    public required IReadOnlyDictionary<string, string> Templates { get; init; }

    /// <summary>Places in the profile's order.</summary>
    public IReadOnlyList<Place> Places { get; }

    /// <summary>Which places' files belong together.</summary>
    public GroupMap Groups { get; }

    /// <summary>The newest edition.</summary>
    public Edition Newest => Editions[^1];

    /// <summary>The place of that key.</summary>
    /// <exception cref="KeyNotFoundException">There is none; the reader makes sure that rules name only places that exist.</exception>
    public Place Place(string key) => placesByKey[key];

    /// <summary>The edition of that key, or null.</summary>
    public Edition? FindEdition(string? key) => Editions.FirstOrDefault(e => e.Key == key);

    /// <summary>The place whose pattern fits a path best in an edition, with what stands at its placeholders.</summary>
    public (Place Place, Bindings Bindings)? Locate(PackPath path, Edition edition)
    {
        (Place Place, Bindings Bindings)? best = null;
        var segments = path.Segments;
        foreach (var place in Places)
        {
            if (place.Pattern is not { } pattern || !place.Editions.Holds(edition)) continue;
            if (best is { } found && found.Place.Pattern!.LiteralCharacters >= pattern.LiteralCharacters) continue;
            if (pattern.Match(segments) is { } bindings) best = (place, bindings);
        }

        return best;
    }

    /// <summary>
    /// The place of the file from which a codebook is read, where packs may lay theirs over it; null for other codebooks.
    /// </summary>
    public Place? SourceOf(CodebookRule rule) =>
        rule is not ({ Column: null, Items: null }) && PackPath.TryParse(rule.Source.Text, out var path, out _)
            ? Places.FirstOrDefault(
                p => (rule.Items is null ? p.Table?.Key == rule.Column : p.Kind is not null) && p.Pattern?.Match(path) is not null)
            : null;

    /// <summary>Where the entries of a file of a place are told apart, such as <c>/entries/*/id</c>; null where it holds one.</summary>
    public string? FindItems(Place place) => Codebooks.FirstOrDefault(c => c.Items is not null && SourceOf(c) == place)?.Items;

    /// <summary>The codebook of that key.</summary>
    public CodebookRule Codebook(string key) => Codebooks.First(c => c.Key == key);

    /// <summary>What the host reads at a path and Underlay does not judge yet, or null.</summary>
    public UnjudgedRule? FindUnjudged(PackPath path)
    {
        foreach (var rule in Unjudged)
            if (rule.Pattern.Match(path) is not null) return rule;
        return null;
    }

    /// <summary>What a consequence means to the author: "The host would show …".</summary>
    public string Says(Consequence consequence) => consequence.Kind switch
    {
        ConsequenceKind.Outcome => $"{Title} would {Word(Outcomes, consequence.Code)}.",
        ConsequenceKind.Drop => $"{Title} would leave the file out: it {Word(Drops, consequence.Code)}.",
        _ => $"{Title} does not mind.",
    };

    private static string Word(IReadOnlyList<HostWord> words, string code) => words.First(w => w.Code == code).Says;
}
