using Underlay.Core.Entries;
using Underlay.Core.Hosts;

namespace Underlay.Core.Packs;

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
        From = profile.FindEdition(text!.FindString(rule.FromField));
        To = profile.FindEdition(text.FindString(rule.ToField));
    }

    /// <summary>The manifest's JSON, or null when there is no manifest.</summary>
    public JsonText? Text { get; }

    /// <summary>What the host does not accept.</summary>
    public IReadOnlyList<EntryFault> Faults { get; }

    /// <summary>True when the host would read and accept it.</summary>
    public bool IsSound => Text is { Problem: null } && Faults.Count == 0;

    /// <summary>The pack's id, or null.</summary>
    public string? Id => IsSound ? Text!.FindString(rule.IdField) : null;

    /// <summary>The author's own leading name: what stands before the dot of the id; null without a sound manifest.</summary>
    public string? Prefix => Id is { } id && id.IndexOf('.', StringComparison.Ordinal) is var dot && dot > 0 ? id[..dot] : null;

    /// <summary>The title, or null.</summary>
    public string? Title => IsSound ? Text!.FindString(rule.TitleField) : null;

    /// <summary>The first edition that the pack is for; null without a sound manifest.</summary>
    public Edition? From { get; }

    /// <summary>The last edition that the pack is for.</summary>
    public Edition? To { get; }

    /// <summary>The path at a field, or null.</summary>
    public PackPath? FindPath(string field) =>
        IsSound && PackPath.TryParse(Text!.FindString(field), out var path, out _) ? path : null;

    /// <summary>True when the pack declares the edition.</summary>
    public bool Declares(Edition edition) =>
        From is { } from && To is { } to && edition.Order >= from.Order && edition.Order <= to.Order;

    /// <summary>Reads the manifest of a pack.</summary>
    public static ManifestFacts Read(HostProfile profile, FileTree tree)
    {
        if (!tree.TryFind(profile.Manifest.Path, out var file)) return new ManifestFacts(profile, null, []);
        var text = JsonText.Parse(file.ReadAll());
        if (text.Problem is not null) return new ManifestFacts(profile, text, []);
        var faults = profile.Manifest.Kind.Judge(text);
        return new ManifestFacts(profile, text, faults.Count > 0 ? faults : JudgeSpan(profile, text));
    }

    private static List<EntryFault> JudgeSpan(HostProfile profile, JsonText text)
    {
        var from = profile.FindEdition(text.FindString(profile.Manifest.FromField));
        var to = profile.FindEdition(text.FindString(profile.Manifest.ToField));
        return from is not null && to is not null && from.Order > to.Order
            ? [new EntryFault(profile.Manifest.FromField, "", $"the first edition ({from}) is newer than the last ({to})")]
            : [];
    }
}
