namespace Underlay.Core.Hosts.Rules;

/// <summary>A file of another place, with the same placeholders, has to be in the stack.</summary>
/// <param name="Places">Keys of places, any of which will do; the first is the one to name when all are missing.</param>
/// <param name="AtWanted">True when the host shows the consequence where the file was wanted, false at the owner.</param>
/// <param name="When">Pointer to a field of the owner, own or inherited, without which nothing is required; null for always.</param>
/// <param name="Above">The number in that field has to be above this for anything to be required; null where any value will do.</param>
/// <param name="LentBy">
/// Pointer to a field of the owner, own or inherited, with the id of another of its place whose file stands for the missing one; null
/// where none does.
/// </param>
/// <param name="Else">What comes of its absence.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record RequiresRule(
    IReadOnlyList<string> Places,
    bool AtWanted,
    string? When,
    double? Above,
    string? LentBy,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The picture has the size of the one shown in another place with the same placeholders.</summary>
/// <param name="Places">Keys of places; the first that shows a picture counts.</param>
/// <param name="Else">What comes of another size.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record SameSizeRule(
    IReadOnlyList<string> Places,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>Which rules hold is chosen by a field of the owner's entry, or by what the path itself has at a placeholder.</summary>
/// <param name="Place">The place of the entry with the same placeholders; null where the path chooses.</param>
/// <param name="Field">Pointer to the field, or the name of the placeholder.</param>
/// <param name="Choices">Rules by the field's value.</param>
/// <param name="Otherwise">The choice that holds without entry or with a value that is not among them.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record VariesWithRule(
    string? Place,
    string Field,
    IReadOnlyDictionary<string, IReadOnlyList<Rule>> Choices,
    string Otherwise,
    Basis Basis,
    EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);

/// <summary>A field's last word (behind its last dot) is what the path has at a placeholder.</summary>
/// <param name="Field">Pointer to the field.</param>
/// <param name="Placeholder">Name of the placeholder.</param>
/// <param name="Else">What comes of another name.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record NamesAgreeRule(
    string Field,
    string Placeholder,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>A field names something that has to exist. A field that is not there refers to nothing and breaks nothing.</summary>
/// <param name="Field">Pointer to the field.</param>
/// <param name="Place">The place in which something has that name, or null.</param>
/// <param name="Placeholder">
/// The placeholder of that place whose value is the name, or several with slashes between, as in the name; null where the name is the
/// id of an entry there.
/// </param>
/// <param name="Codebook">The codebook that has the value as a code, or null.</param>
/// <param name="Else">What comes of a name that does not exist.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record RefersToRule(
    string Field,
    string? Place,
    string? Placeholder,
    string? Codebook,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>What the pack adds carries the author's prefix: an id "prefix.name" in a field, or a name "prefix_name".</summary>
/// <param name="Field">Pointer to the id, or null when the name counts.</param>
/// <param name="Placeholder">The placeholder whose value is the name; also tells an addition from an override.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record PrefixRule(
    string? Field,
    string Placeholder,
    Basis Basis,
    EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);

/// <summary>
/// An entry takes over fields of another of its place, which a field names by id; the kind says which
/// (<see cref="Entries.Inheritance"/>).
/// </summary>
/// <param name="Else">What comes of an id that nothing has.</param>
/// <param name="Circle">What comes of entries that take over from each other in a circle: all of them.</param>
/// <param name="Lacking">What comes of an entry that neither has nor takes over what its kind requires.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record InheritsRule(
    Consequence Else,
    Consequence Circle,
    Consequence Lacking,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>No two files of the place that the host shows have the same value in a field.</summary>
/// <param name="Field">Pointer to the field, which is not inherited.</param>
/// <param name="UpperStays">Of two, the upper package's stays and the later path at one level; else the earlier path stays.</param>
/// <param name="Else">What comes of the other.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record UniqueRule(
    string Field,
    bool UpperStays,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The path's name is a code: of a codebook, or a key in a table of the stack.</summary>
/// <param name="Placeholder">The placeholder whose value is the code.</param>
/// <param name="Codebook">The codebook, or null.</param>
/// <param name="Table">The place of the table, or null.</param>
/// <param name="Else">What comes of a name that is not listed.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record ListedInRule(
    string Placeholder,
    string? Codebook,
    string? Table,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>Some entry of another place names the file by what its path has at a placeholder.</summary>
/// <param name="Place">The place of the entries.</param>
/// <param name="Field">Pointer to their field, which is not inherited.</param>
/// <param name="Placeholder">The placeholder whose value stands there.</param>
/// <param name="Else">What comes of a file that none names.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record WantedByRule(
    string Place,
    string Field,
    string Placeholder,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The pack's index has a row that names the file.</summary>
/// <param name="Index">The place of the index.</param>
/// <param name="Else">What comes of a file without a row.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record IndexedRule(string Index, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>An owner's field switches the file on.</summary>
/// <param name="Places">Keys of places; the first that shows an entry with the same placeholders is the owner.</param>
/// <param name="Field">Pointer to a number, own or inherited.</param>
/// <param name="Above">The number has to be above this; a field that is not there counts as 0.</param>
/// <param name="Else">What comes of a lower one.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record EnabledByRule(
    IReadOnlyList<string> Places,
    string Field,
    double Above,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>A file of another place, with the same placeholders, is used in place of this one.</summary>
/// <param name="Places">Keys of places that come first.</param>
/// <param name="Else">What comes of a pack's file that has to stand back. The base's own stands back in silence.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record OutrankedByRule(
    IReadOnlyList<string> Places,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The file is a member of a set: the uppermost package that supplies one supplies all.</summary>
/// <param name="Placeholder">The hole whose choices are the members.</param>
/// <param name="Else">What the host shows at a member that is left out and that the base has.</param>
/// <param name="Lacking">What it shows at one that the base does not have.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record MemberOfSetRule(
    string Placeholder,
    Consequence Else,
    Consequence Lacking,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The file is one of a numbered series from 1 without a gap, all of one canvas and from one package.</summary>
/// <param name="Placeholder">The placeholder whose value is the number.</param>
/// <param name="Else">What comes of a picture behind a gap.</param>
/// <param name="Canvas">What comes of another size than the first one's.</param>
/// <param name="Mixed">What comes of one that is not from the uppermost package that supplies any.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record SeriesRule(
    string Placeholder,
    Consequence Else,
    Consequence Canvas,
    Consequence Mixed,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>Pictures of the place meet in the host, two by two, as a table of the base says.</summary>
/// <param name="Placeholder">The placeholder whose values the table names.</param>
/// <param name="Table">The base's table, with columns <c>one</c> and <c>other</c>.</param>
/// <param name="Where">Where they meet, in the host's words.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record NeighbourOfRule(
    string Placeholder,
    Packs.PackPath Table,
    string Where,
    Basis Basis,
    EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);

/// <summary>The keys of an entry's root, or of an object in it, are codes of a codebook.</summary>
/// <param name="Field">Pointer to the object, own or inherited; empty for the root.</param>
/// <param name="Codebook">The codebook.</param>
/// <param name="Else">What the host shows at an unknown key.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record KeysRule(
    string Field,
    string Codebook,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The objects in an entry are OKLCH colours (CSS Color 4) that a screen can show.</summary>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record ScreenColoursRule(Basis Basis, EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);
