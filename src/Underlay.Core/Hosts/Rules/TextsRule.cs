namespace Underlay.Core.Hosts.Rules;

/// <summary>An entry is shown to people by texts, whose keys are its id, a slash and a word.</summary>
/// <param name="Place">The place of the tables of texts.</param>
/// <param name="Field">Pointer to the id, * for every item of a list; null where the keys of a table's rows take its part.</param>
/// <param name="Keys">The words.</param>
/// <param name="Instead">Words that are not asked for where the entry has a field, own or taken over: pointers by word.</param>
/// <param name="Column">The column of the language to which all others fall back.</param>
/// <param name="File">The table into which a new text is written.</param>
/// <param name="Else">What the host shows, at the entry and the key, where that language has no text.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record TextsRule(
    string Place,
    string? Field,
    IReadOnlyList<string> Keys,
    IReadOnlyDictionary<string, string> Instead,
    string Column,
    string File,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);
