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
    /// <summary>The file.</summary>
    public static DecisionFile<Waiver> File { get; } = new(
        ReservedFolder.Waivers,
        "waivers",
        new JsonRows<Waiver>("waivers", "code, path, reason and hashes", ReadOne, WriteOne),
        row => $"{row.Key.Code} {row.Key.Path} {row.Key.Pointer} {row.Key.Discriminator}");

    /// <summary>The waivers of a pack that can be read.</summary>
    public static IReadOnlyList<Waiver> Read(FileTree tree) => File.Read(tree).Rows;

    /// <summary>Keeps waivers, those that are there of the same findings replaced.</summary>
    public static DecisionChange Add(FileTree tree, IReadOnlyCollection<Waiver> more) =>
        File.Change(tree, rows => [.. rows.Where(r => more.All(m => m.Key != r.Key)), .. more]);

    /// <summary>Withdraws the waivers of some findings.</summary>
    public static DecisionChange Withdraw(FileTree tree, IReadOnlySet<FindingKey> keys) =>
        File.Change(tree, rows => rows.Where(r => !keys.Contains(r.Key)));

    /// <summary>Lets the waivers of a file follow it to another path.</summary>
    public static DecisionChange Follow(FileTree tree, PackPath from, PackPath to) =>
        File.Change(tree, rows => rows.Select(r => r.Key.Path == from.Value ? Moved(r, from.Value, to.Value) : r));

    private static Waiver Moved(Waiver waiver, string from, string to) => waiver with
    {
        Key = waiver.Key with { Path = to },
        Hashes = waiver.Hashes.ToDictionary(h => h.Key == from ? to : h.Key, h => h.Value, StringComparer.Ordinal),
    };

    private static JsonObject WriteOne(Waiver waiver) => new()
    {
        ["code"] = waiver.Key.Code.Value,
        ["path"] = waiver.Key.Path,
        ["pointer"] = waiver.Key.Pointer,
        ["discriminator"] = waiver.Key.Discriminator,
        ["reason"] = waiver.Reason,
        ["hashes"] = new JsonObject(waiver.Hashes.Select(h => KeyValuePair.Create(h.Key, (JsonNode?)h.Value))),
    };

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
