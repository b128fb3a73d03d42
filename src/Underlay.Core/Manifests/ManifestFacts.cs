using System.Globalization;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Manifests;

/// <summary>What a pack's manifest says, or why it says nothing.</summary>
public sealed class ManifestFacts
{
    private readonly ManifestRule rule;

    private ManifestFacts(HostProfile profile, JsonText? text, IReadOnlyList<EntryFault> faults)
    {
        rule = profile.Manifest;
        Text = text;
        Faults = faults;
        if (!IsSound) return;
        Id = text!.FindString(rule.IdField);
        From = profile.FindEdition(EditionAt(text!, rule.FromField));
        To = profile.FindEdition(EditionAt(text!, rule.ToField));
    }

    /// <summary>The manifest's JSON, or null when there is no manifest.</summary>
    public JsonText? Text { get; }

    /// <summary>What the host does not accept.</summary>
    public IReadOnlyList<EntryFault> Faults { get; }

    /// <summary>True when the host would read and accept it.</summary>
    public bool IsSound => Text is { Problem: null } && Faults.Count == 0;

    /// <summary>The pack's id, or null.</summary>
    public string? Id { get; }

    /// <summary>The author's own leading name: what stands before the dot of the id; null without a sound manifest.</summary>
    public string? Prefix => Id is { } id && id.IndexOf('.', StringComparison.Ordinal) is var dot && dot > 0 ? id[..dot] : null;

    /// <summary>The title, or null.</summary>
    public string? Title => IsSound ? Text!.FindString(rule.TitleField) : null;

    /// <summary>The author's name, or null.</summary>
    public string? Author => IsSound ? Text!.FindString(rule.AuthorField) : null;

    /// <summary>The first edition that the pack is for; null without a sound manifest.</summary>
    public Edition? From { get; }

    /// <summary>The last edition that the pack is for.</summary>
    public Edition? To { get; }

    /// <summary>The version as the manifest has it, text or number; null without a sound manifest.</summary>
    public string? Version => IsSound ? EditionAt(Text!, rule.VersionField) : null;

    /// <summary>The path at a field, or null.</summary>
    public PackPath? FindPath(string field) =>
        IsSound && PackPath.TryParse(Text!.FindString(field), out var path, out _) ? path : null;

    /// <summary>The editions that it says it is for, in words, known ones or not; empty without a sound manifest.</summary>
    public string Declared =>
        !IsSound
            ? ""
            : (EditionAt(Text!, rule.FromField), EditionAt(Text!, rule.ToField)) is var (from, to) && from == to
            ? from ?? ""
            : $"{from} to {to}";

    /// <summary>True when the pack declares the edition.</summary>
    public bool Declares(Edition edition) =>
        From is { } from && To is { } to && edition.Order >= from.Order && edition.Order <= to.Order;

    /// <summary>Reads the manifest of a pack.</summary>
    public static ManifestFacts Read(HostProfile profile, FileTree tree)
    {
        if (!tree.TryFind(profile.Manifest.Path, out var file)) return new ManifestFacts(profile, null, []);
        var bytes = file.ReadAll();
        try
        {
            return Read(profile, bytes);
        }
        catch (Exception fault) when (Core.Faults.IsOurs(fault))
        {
            // Without it there is no pack to judge: what is not understood of it is as good as not read.
            var says = $"Underlay fails at it ({Core.Faults.Innermost(fault).GetType().Name}), which is a fault of Underlay’s";
            return new ManifestFacts(profile, JsonText.Unreadable(bytes, says, new TextPosition(1, 1)), []);
        }
    }

    private static ManifestFacts Read(HostProfile profile, byte[] bytes)
    {
        var text = profile.Manifest.Format.Read(bytes);
        if (text.Problem is not null) return new ManifestFacts(profile, text, []);
        var faults = profile.Manifest.Kind.Judge(text);
        return new ManifestFacts(profile, text, faults.Count > 0 ? faults : JudgeSpan(profile, text));
    }

    /// <summary>The manifest's text with another value at a field; all else stays as the author wrote it.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="file">The manifest's bytes, which can be read.</param>
    /// <param name="field">Pointer to the field.</param>
    /// <param name="value">The value; written as a number where the manifest has one.</param>
    public static byte[] WithValue(HostProfile profile, byte[] file, string field, string value)
    {
        var format = profile.Manifest.Format;
        var isNumber = format.Read(file).Find(field) is { ValueKind: System.Text.Json.JsonValueKind.Number }
            && long.TryParse(value, NumberStyles.None, CultureInfo.InvariantCulture, out _);
        return format.Set(file, field, isNumber ? System.Text.Encoding.UTF8.GetBytes(value) : JsonEdit.Text(value));
    }

    /// <summary>The text at a pointer, or a whole number there as text.</summary>
    private static string? EditionAt(JsonText text, string pointer) =>
        text.Find(pointer) is { ValueKind: System.Text.Json.JsonValueKind.Number } number
            ? number.GetDouble().ToString("0", System.Globalization.CultureInfo.InvariantCulture)
            : text.FindString(pointer);

    private static List<EntryFault> JudgeSpan(HostProfile profile, JsonText text)
    {
        var from = profile.FindEdition(EditionAt(text, profile.Manifest.FromField));
        var to = profile.FindEdition(EditionAt(text, profile.Manifest.ToField));
        return from is not null && to is not null && from.Order > to.Order
            ? [new EntryFault(profile.Manifest.FromField, "", $"the first edition ({from}) is newer than the last ({to})")]
            : [];
    }
}
