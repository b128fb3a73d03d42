using Underlay.Core.Hosts.Rules;

namespace Underlay.Core.Stacks;

/// <summary>A text by which people know an entry.</summary>
/// <param name="Owner">The file of the entry.</param>
/// <param name="Rule">Why the text is wanted.</param>
/// <param name="Pointer">Pointer to the id in the file; empty for a row of a table.</param>
/// <param name="Id">The id, or the key of a row.</param>
/// <param name="Word">The word behind the id.</param>
public sealed record WantedText(Placement Owner, TextsRule Rule, string Pointer, string Id, string Word)
{
    /// <summary>The key of the text.</summary>
    public string Key { get; } = $"{Id}/{Word}";

    /// <summary>The texts of a file that the host shows.</summary>
    public static IEnumerable<WantedText> Of(Overlay overlay, Placement owner) =>
        Of(overlay, owner, owner.Place.RulesOf<TextsRule>(overlay.Edition));

    /// <summary>The texts that these rules of its place want of a file.</summary>
    internal static IEnumerable<WantedText> Of(Overlay overlay, Placement owner, IEnumerable<TextsRule> rules)
    {
        foreach (var rule in rules)
        {
            IEnumerable<(string Pointer, string Id)> ids = rule.Field is not { } field
                ? overlay.TableKeys(owner.Place).Select(k => ("", k))
                : owner.Facts.Entry!.Text.FindStrings(field);
            foreach (var (pointer, id) in ids)
                foreach (var word in rule.Keys)
                    if (!(rule.Instead.TryGetValue(word, out var instead) && overlay.Links.Value(owner, instead) is not null))
                        yield return new WantedText(owner, rule, pointer, id, word);
        }
    }

    /// <summary>What it says in the language to which all others fall back; null where it says nothing.</summary>
    public string? Find(Overlay overlay)
    {
        var place = overlay.Profile.Place(Rule.Place);
        return overlay.Rows.Find(place, Key)?.Values.GetValueOrDefault(Rule.Column) is { Length: > 0 } text ? text : null;
    }
}
