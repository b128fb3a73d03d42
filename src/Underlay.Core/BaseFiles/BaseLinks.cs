using System.Collections.Concurrent;
using System.Text.Json;
using Underlay.Core.Hosts;

namespace Underlay.Core.BaseFiles;

/// <summary>What entries of one place of a base say of each other, looked up once.</summary>
public sealed class BaseLinks
{
    private readonly IReadOnlyList<BaseFile> files;
    private readonly ConcurrentDictionary<string, ILookup<string, BaseFile>> byValue = new(StringComparer.Ordinal);

    private readonly ConcurrentDictionary<string, IReadOnlyList<double>> numbers = new(StringComparer.Ordinal);

    internal BaseLinks(Place place, IEnumerable<BaseFile> files)
    {
        this.files = [.. files];
        ById = place.Id is { } id ? WithValue(id) : Enumerable.Empty<BaseFile>().ToLookup(_ => "", StringComparer.Ordinal);
    }

    /// <summary>Files by the id that they have.</summary>
    public ILookup<string, BaseFile> ById { get; }

    /// <summary>Files by the texts at a field of their own; a token * in its pointer stands for every item of a list.</summary>
    public ILookup<string, BaseFile> WithValue(string pointer) =>
        byValue.GetOrAdd(
            pointer,
            p =>
                files
                    .SelectMany(
                        f => f.Facts.Entry?.Text.FindStrings(p).Select(t => t.Text).Distinct() ?? [],
                        (f, text) => (File: f, Text: text))
                    .ToLookup(f => f.Text, f => f.File, StringComparer.Ordinal));

    /// <summary>The numbers that entries have at a field of their own, in order.</summary>
    public IReadOnlyList<double> NumbersAt(string pointer) =>
        numbers.GetOrAdd(
            pointer,
            p =>
            [
                .. files
                    .Select(f => f.Facts.Entry is { IsAccepted: true } entry ? entry.Text.Find(p) : null)
                    .Where(v => v is { ValueKind: JsonValueKind.Number })
                    .Select(v => v!.Value.GetDouble())
                    .Order(),
            ]);
}
