namespace Underlay.Core.Hosts.Rules;

/// <summary>Of a list of rows the host uses the first that fits, so that each should fit where none before it does.</summary>
/// <param name="Rows">Pointer to the list.</param>
/// <param name="From">The field of a row with the lowest number that fits.</param>
/// <param name="To">The field with the highest.</param>
/// <param name="State">The field with the state in which it fits.</param>
/// <param name="States">The states.</param>
/// <param name="Any">The value that stands for all of them.</param>
/// <param name="Least">The field with the least of another number that is needed; 0 where it is not there.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record FirstFitsRule(
    string Rows,
    string From,
    string To,
    string State,
    IReadOnlyList<string> States,
    string Any,
    string Least,
    Basis Basis,
    EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);
