using System.Text.Json;
using System.Text.Json.Nodes;
using Underlay.Core.Formats.Json;
using Underlay.Core.Packs;

namespace Underlay.Core.Decisions;

/// <summary>The author's reasoned "leave it", bound to the bytes that it was said of.</summary>
/// <param name="Key">The finding.</param>
/// <param name="Reason">Why.</param>
/// <param name="Hashes">The files that the check looked at then; with other bytes the waiver does not hold.</param>
public sealed record Waiver(FindingKey Key, string Reason, IReadOnlyDictionary<string, string> Hashes);

/// <summary>Reads and writes <c>.underlay/waivers.json</c> (docs/pack-files.md).</summary>
public static class Waivers
{
    /// <summary>The waivers of a pack; a file that cannot be read gives none and the problem.</summary>
    public static (IReadOnlyList<Waiver> Waivers, string? Problem) Read(FileTree tree)
    {
        if (!tree.TryFind(ReservedFolder.Waivers, out var file)) return ([], null);
        var text = JsonText.Parse(file.ReadAll());
        if (text.Problem is { } problem) return ([], $"{problem.Says} ({problem.At})");
        if (text.Find("/waivers") is not { ValueKind: JsonValueKind.Array } list) return ([], "a list “waivers” is wanted");
        var waivers = new List<Waiver>();
        for (var i = 0; i < list.GetArrayLength(); i++)
        {
            if (ReadOne(text, $"/waivers/{i}") is not { } waiver)
                return ([], $"waiver {i + 1} needs code, path, reason and hashes ({text.Locate($"/waivers/{i}")})");
            waivers.Add(waiver);
        }

        return (waivers, null);
    }

    /// <summary>The file that holds the waivers.</summary>
    public static TreeEdit.Write Write(IEnumerable<Waiver> waivers)
    {
        var rows = waivers.Select(w => new JsonObject
        {
            ["code"] = w.Key.Code.Value,
            ["path"] = w.Key.Path,
            ["pointer"] = w.Key.Pointer,
            ["discriminator"] = w.Key.Discriminator,
            ["reason"] = w.Reason,
            ["hashes"] = new JsonObject(w.Hashes.Select(h => KeyValuePair.Create(h.Key, (JsonNode?)h.Value))),
        });
        return new TreeEdit.Write(ReservedFolder.Waivers, JsonBytes.OnLines(new JsonObject { ["waivers"] = new JsonArray([.. rows]) }));
    }

    private static Waiver? ReadOne(JsonText text, string at)
    {
        if (text.FindString($"{at}/code") is not { } code || text.FindString($"{at}/path") is not { } path) return null;
        if (text.FindString($"{at}/reason") is not { Length: > 0 } reason) return null;
        if (text.Find($"{at}/hashes") is not { ValueKind: JsonValueKind.Object } hashes) return null;
        if (hashes.EnumerateObject().Any(h => h.Value.ValueKind != JsonValueKind.String)) return null;
        var key = new FindingKey(
            new CheckCode(code),
            path,
            text.FindString($"{at}/pointer") ?? "",
            text.FindString($"{at}/discriminator") ?? "");
        return new Waiver(
            key,
            reason,
            hashes.EnumerateObject().ToDictionary(h => h.Name, h => h.Value.GetString()!, StringComparer.Ordinal));
    }
}
