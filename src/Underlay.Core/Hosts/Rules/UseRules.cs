namespace Underlay.Core.Hosts.Rules;

/// <summary>An entry that is only seen through others should be named by one of them.</summary>
/// <param name="Place">The place of the entries that may name it by its id.</param>
/// <param name="Field">Pointer to their field.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record UsedByRule(
    string Place,
    string Field,
    Basis Basis,
    EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);

/// <summary>What a field says, own or taken over, is only seen where the thing that another field names has a part for it.</summary>
/// <param name="Field">Pointer to the field.</param>
/// <param name="By">Pointer to the field with the name.</param>
/// <param name="Place">The place of what is named; the name is what its paths hold.</param>
/// <param name="Part">Pointer in that to the part.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record SeenOnRule(
    string Field,
    string By,
    string Place,
    string Part,
    Basis Basis,
    EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);
