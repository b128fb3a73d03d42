namespace Underlay.Core.Hosts.Rules;

/// <summary>
/// An object has the parameters of the type that it names, each with a unit and a range in a codebook. What it has beside them, or
/// outside their ranges, the host passes over or brings into range, and says nothing of it.
/// </summary>
/// <param name="Field">Pointer to the object; <c>*</c> stands for every item of a list.</param>
/// <param name="By">The object's field with the type.</param>
/// <param name="Codebook">
/// The codebook of the parameters. The last word of a code, behind its last dot, is the parameter's name.
/// </param>
/// <param name="Group">The codebook's column with the type that has the parameter.</param>
/// <param name="Unit">The column with what it is measured in; empty for a share or a count.</param>
/// <param name="Least">The column with the least that it may be.</param>
/// <param name="Most">The column with the most.</param>
/// <param name="Usual">The column with what it is where it is left out.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record ParametersRule(
    string Field,
    string By,
    string Codebook,
    string Group,
    string Unit,
    string Least,
    string Most,
    string Usual,
    Basis Basis,
    EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);
