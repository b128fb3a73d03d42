using System.Text;
using System.Text.Json;
using Underlay.Core.Codebooks;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.BaseFiles;

/// <summary>One of the host's own files.</summary>
/// <param name="Path">Where it lies.</param>
/// <param name="Place">Its place, or null for what packs cannot replace.</param>
/// <param name="Bindings">What the path has at the place's placeholders.</param>
/// <param name="Facts">What is known of its bytes.</param>
public sealed record BaseFile(PackPath Path, Place? Place, Bindings Bindings, FileFacts Facts);

/// <summary>The index of the host's own files of one edition: paths, facts and the codebooks that are read from them.</summary>
public sealed class BaseCatalogue
{
    private readonly Dictionary<PackPath, BaseFile> byPath;
    private readonly Lazy<ILookup<string, BaseFile>> byPlace;

    private readonly Lazy<ILookup<ContentHash, BaseFile>> byHash;
    private readonly System.Collections.Concurrent.ConcurrentDictionary<string, BaseLinks> links = new(StringComparer.Ordinal);

    private readonly System.Collections.Concurrent.ConcurrentDictionary<PackPath, ILookup<string, string>> pairs = new();

    private readonly System.Collections.Concurrent.ConcurrentDictionary<
        string,
        Dictionary<string, (BaseFile File, TableRow Row)>> rows = new(StringComparer.Ordinal);

    private readonly Func<PackPath, byte[]> read;

    internal BaseCatalogue(
        Edition edition,
        IReadOnlyList<BaseFile> files,
        IReadOnlyDictionary<string, Codebook> codebooks,
        Func<PackPath, byte[]> read)
    {
        this.read = read;
        Edition = edition;
        Files = files;
        Codebooks = codebooks;
        byPath = files.ToDictionary(f => f.Path);
        byHash = new Lazy<ILookup<ContentHash, BaseFile>>(() => files.ToLookup(f => f.Facts.Hash));
        byPlace = new Lazy<ILookup<string, BaseFile>>(() => files.ToLookup(f => f.Place?.Key ?? "", StringComparer.Ordinal));
    }

    /// <summary>The edition whose files these are.</summary>
    public Edition Edition { get; }

    /// <summary>Ordered by path.</summary>
    public IReadOnlyList<BaseFile> Files { get; }

    /// <summary>Codebooks by key.</summary>
    public IReadOnlyDictionary<string, Codebook> Codebooks { get; }

    /// <summary>The file at a path, or null.</summary>
    public BaseFile? Find(PackPath path) => byPath.GetValueOrDefault(path);

    /// <summary>The bytes of a file, or null when the base has none at the path.</summary>
    public byte[]? Read(PackPath path) => byPath.ContainsKey(path) ? read(path) : null;

    /// <summary>The files of a place, ordered by path.</summary>
    public IEnumerable<BaseFile> In(Place place) => byPlace.Value[place.Key];

    /// <summary>What the entries of a place say of each other.</summary>
    public BaseLinks LinksOf(Place place) => links.GetOrAdd(place.Key, _ => new BaseLinks(place, In(place)));

    /// <summary>The names that a table of pairs (columns one and other) has beside each name; empty without such a table.</summary>
    public ILookup<string, string> Pairs(PackPath table) => pairs.GetOrAdd(table, ReadPairs);

    /// <summary>The rows of all tables of a place by key; of two with one key, that of the later path.</summary>
    public IReadOnlyDictionary<string, (BaseFile File, TableRow Row)> RowsOf(Place place) =>
        rows.GetOrAdd(
            place.Key,
            _ =>
            {
                var found = new Dictionary<string, (BaseFile, TableRow)>(StringComparer.Ordinal);
                foreach (var file in In(place))
                    foreach (var row in file.Facts.Table?.Rows ?? []) found[row.Key] = (file, row);
                return found;
            });

    /// <summary>The files that have these bytes.</summary>
    public IEnumerable<BaseFile> WithHash(ContentHash hash) => byHash.Value[hash];

    /// <summary>Reads a base from its files.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition whose files the tree holds.</param>
    /// <param name="tree">The files.</param>
    /// <param name="cancel">Stops between two files.</param>
    public static BaseCatalogue Read(HostProfile profile, Edition edition, FileTree tree, CancellationToken cancel = default)
    {
        var located = tree.Files.Select(f => (File: f, Found: profile.Locate(f.Path, edition))).ToList();
        var facts = FactsReader.ReadAll([.. located.Select(l => (l.File, l.Found?.Place))], cancel: cancel);
        var files = located
            // One at which we fail is known by its path alone.
            .Select(l => (l.File.Path, Found: facts[l.File.Path].Fault is null ? l.Found : null))
            .Select(l => new BaseFile(l.Path, l.Found?.Place, l.Found?.Bindings ?? Bindings.None, facts[l.Path]))
            .ToList();
        var codebooks = profile.Codebooks.ToDictionary(c => c.Key, c => ReadCodebook(c, tree), StringComparer.Ordinal);
        return new BaseCatalogue(edition, files, codebooks, path => tree.Find(path)!.ReadAll());
    }

    private ILookup<string, string> ReadPairs(PackPath table)
    {
        var found = new List<(string One, string Other)>();
        if (Read(table) is { } bytes)
        {
            var csv = ReadCsv(table, bytes);
            foreach (var row in csv.Rows.Skip(1)) found.Add((csv.Value(row, "one") ?? "", csv.Value(row, "other") ?? ""));
        }

        return found.Concat(found.Select(p => (One: p.Other, Other: p.One))).ToLookup(p => p.One, p => p.Other, StringComparer.Ordinal);
    }

    private static Codebook ReadCodebook(CodebookRule rule, FileTree tree)
    {
        var codes = new List<Code>();
        foreach (var file in tree.Files)
        {
            if (rule.Source.Match(file.Path) is not { } bindings) continue;
            if (rule.Items is { } items) codes.AddRange(CodesIn(JsonText.Parse(file.ReadAll()), items));
            else if (rule.Column is null) codes.Add(new Code(bindings.Find(rule.Source.Placeholders[0])!, ""));
            else codes.AddRange(ReadCodes(file, rule.Column));
        }

        return new Codebook(rule.Key, rule.Title, codes, rule.Also);
    }

    /// <summary>The codes that stand in a JSON file at a pointer; each once.</summary>
    internal static IReadOnlyList<Code> CodesIn(JsonText text, string items) =>
        [
            .. text.FindAll(items)
                .Where(i => i.Value.ValueKind == JsonValueKind.String)
                .Select(i => new Code(i.Value.GetString()!, ""))
                .DistinctBy(c => c.Value),
        ];

    private static List<Code> ReadCodes(TreeFile file, string column)
    {
        var csv = ReadCsv(file.Path, file.ReadAll());
        return
        [
            .. csv.Rows
                .Skip(1)
                .Select(
                    row =>
                        new Code(
                            csv.Value(row, column) ?? "",
                            csv.Value(row, "name") ?? "",
                            csv.Header.Zip(row.Fields)
                                .Where(c => c.First != column && c.First != "name")
                                .DistinctBy(c => c.First)
                                .ToDictionary(c => c.First, c => c.Second, StringComparer.Ordinal))),
        ];
    }

    private static CsvText ReadCsv(PackPath path, byte[] bytes) =>
        CsvText.Read(Encoding.UTF8.GetString(bytes).TrimStart('\uFEFF'))
        ?? throw new InvalidDataException($"The base’s table {path} is no CSV.");
}
