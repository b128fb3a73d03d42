namespace Underlay.Core.Hosts.Rules;

/// <summary>A file of another place, with the same placeholders, has to be in the stack.</summary>
/// <param name="Places">Keys of places, any of which will do; the first is the one to name when all are missing.</param>
/// <param name="AtWanted">True when the host shows the consequence where the file was wanted, false at the owner.</param>
/// <param name="Else">What comes of its absence.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record RequiresRule(IReadOnlyList<string> Places, bool AtWanted, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The picture has the size of the one shown in another place with the same placeholders.</summary>
/// <param name="Places">Keys of places; the first that shows a picture counts.</param>
/// <param name="Else">What comes of another size.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record SameSizeRule(IReadOnlyList<string> Places, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>Which rules hold is chosen by a field of the owner's entry.</summary>
/// <param name="Place">The place of the entry with the same placeholders.</param>
/// <param name="Field">Pointer to the field.</param>
/// <param name="Choices">Rules by the field's value.</param>
/// <param name="Otherwise">The choice that holds without entry or with a value that is not among them.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record VariesWithRule(
    string Place,
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
public sealed record NamesAgreeRule(string Field, string Placeholder, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>A field names something that has to exist. A field that is not there refers to nothing and breaks nothing.</summary>
/// <param name="Field">Pointer to the field.</param>
/// <param name="Place">The place in which a file has the value at <paramref name="Placeholder"/>, or null.</param>
/// <param name="Placeholder">The placeholder of that place.</param>
/// <param name="Codebook">The codebook that has the value as a code, or null.</param>
/// <param name="Else">What comes of a name that does not exist.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record RefersToRule(
    string Field,
    string? Place,
    string Placeholder,
    string? Codebook,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>What the pack adds carries the author's prefix: an id "prefix.name" in a field, or a name "prefix_name".</summary>
/// <param name="Field">Pointer to the id, or null when the name counts.</param>
/// <param name="Placeholder">The placeholder whose value is the name; also tells an addition from an override.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record PrefixRule(string? Field, string Placeholder, Basis Basis, EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);
