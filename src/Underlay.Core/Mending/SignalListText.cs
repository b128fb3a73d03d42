using System.Globalization;
using System.Text;
using System.Text.Json;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Mending;

/// <summary>The text of an entry that lists sounds by signal and state; everything else of it stays as it is written.</summary>
internal sealed class SignalListText
{
    private readonly CoversRule rule;
    private readonly JsonText text;
    private readonly List<(string Pointer, JsonElement Value)> rows;

    private SignalListText(CoversRule rule, byte[] bytes)
    {
        (this.rule, Bytes, text) = (rule, bytes, JsonText.Parse(bytes));
        rows = [.. text.FindAll($"{rule.Rows}/*")];
    }

    /// <summary>The text.</summary>
    public byte[] Bytes { get; }

    /// <summary>The text of an entry of the pack; null where it cannot be read or plays nothing.</summary>
    public static SignalListText? Of(Overlay overlay, FileTree tree, PackPath entry)
    {
        var rule = overlay.OfPack(entry)?.Place.RulesOf<CoversRule>(overlay.Edition).FirstOrDefault(r => r.Plays is not null);
        return rule is not null && tree.Find(entry)?.ReadAll() is { } bytes && JsonText.Parse(bytes).Problem is null
            ? new SignalListText(rule, bytes)
            : null;
    }

    /// <summary>The text with a sound in the first row of a signal, or in a new row for every state.</summary>
    public SignalListText With(string code, string sound)
    {
        var ofCode = rows.FindAll(r => Says(r.Value, rule.Code, code));
        if (ofCode.Exists(r => Lists(r, sound))) return this;
        return ofCode is [var first, ..]
            ? Insert($"{first.Pointer}/{rule.Lists}/-", Item(sound))
            : Insert(
                $"{rule.Rows}/-",
                $$"""{ "{{rule.Code}}": {{Text(code)}}, "{{rule.When}}": {{Text(rule.Any)}}, "{{rule.Lists}}": [{{Item(sound)}}] }""");
    }

    /// <summary>True where some row lists a sound.</summary>
    public bool Plays(string sound) => rows.Exists(r => Lists(r, sound));

    /// <summary>The text with a sound in every row that lists another.</summary>
    public SignalListText WithBeside(string other, string sound) =>
        rows.Find(r => Lists(r, other) && !Lists(r, sound)) is { Pointer: { } row }
            ? Insert($"{row}/{rule.Lists}/-", Item(sound)).WithBeside(other, sound)
            : this;

    private bool Lists((string Pointer, JsonElement Value) row, string sound) =>
        SignalScript.Items(row.Value, rule.Lists).Any(i => Says(i, rule.Plays!.Sound, sound));

    private SignalListText Insert(string pointer, string value) => new(rule, JsonEdit.Insert(text, pointer, Encoding.UTF8.GetBytes(value)));

    private string Item(string sound) =>
        $$"""{ "{{rule.Plays!.Sound}}": {{Text(sound)}}, "{{rule.Plays.Turns}}": 1, "{{rule.Plays.Rest}}": {{UsualRest}} }""";

    /// <summary>The pause that the entry has behind its other sounds.</summary>
    private string UsualRest =>
        text.FindAll($"{rule.Rows}/*/{rule.Lists}/*/{rule.Plays!.Rest}")
            .Where(r => r.Value.ValueKind == JsonValueKind.Number)
            .Select(r => r.Value.GetDouble())
            .FirstOrDefault()
            .ToString(CultureInfo.InvariantCulture);

    private static string Text(string value) => Encoding.UTF8.GetString(JsonEdit.Text(value));

    private static bool Says(JsonElement value, string field, string wanted) =>
        value.ValueKind == JsonValueKind.Object
        && value.TryGetProperty(field, out var found)
        && found.ValueKind == JsonValueKind.String
        && found.GetString() == wanted;
}
