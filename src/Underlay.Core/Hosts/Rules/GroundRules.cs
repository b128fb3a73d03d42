namespace Underlay.Core.Hosts.Rules;

/// <summary>
/// What an entry claims needs certain kinds of points on its ground, each reachable from its gate over lanes that are wide enough.
/// </summary>
/// <param name="Field">Pointer to the list of codes that it claims.</param>
/// <param name="Codebook">The codebook of those codes; a code that it does not have needs nothing.</param>
/// <param name="Needs">The codebook's column with the kinds of points that a code needs, a space between two.</param>
/// <param name="Gate">Pointer to the name where lanes begin.</param>
/// <param name="Points">Pointer to the list of points: objects with <c>id</c> and <c>kind</c>.</param>
/// <param name="Lanes">Pointer to the list of lanes: objects with <c>from</c>, <c>to</c> and <c>width_m</c>, walked both ways.</param>
/// <param name="LeastWidth">Narrower lanes do not count. Metres.</param>
/// <param name="Else">What comes of an entry of which something cannot be reached.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record ReachableRule(
    string Field,
    string Codebook,
    string Needs,
    string Gate,
    string Points,
    string Lanes,
    double LeastWidth,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>What a list of a row plays: one item is drawn by its turns, played, and rested after; then one is drawn again.</summary>
/// <param name="Sound">The field of an item with the name of its sound.</param>
/// <param name="Turns">The field with how often it is drawn beside the others.</param>
/// <param name="Rest">The field with the pause behind it, in milliseconds.</param>
public sealed record PlaysShape(string Sound, string Turns, string Rest);

/// <summary>For what an entry claims it has a row of each code that is required, in each of some states.</summary>
/// <param name="Field">Pointer to the list of codes that it claims.</param>
/// <param name="Codebook">The codebook of the codes of rows.</param>
/// <param name="Group">Its column that says to which claim a code belongs.</param>
/// <param name="Required">Its column that says whether a code is required, and the value that does.</param>
/// <param name="Rows">Pointer to the list of rows.</param>
/// <param name="Code">The field of a row with its code.</param>
/// <param name="When">The field of a row with its state.</param>
/// <param name="States">The states.</param>
/// <param name="Any">The value that stands for all of them.</param>
/// <param name="Lists">The field of a row with a list that must not be empty for the row to count.</param>
/// <param name="Plays">What the list plays; null where it plays nothing.</param>
/// <param name="Else">What the host shows, at the entry and the code, where a state has no row.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record CoversRule(
    string Field,
    string Codebook,
    string Group,
    (string Column, string Value) Required,
    string Rows,
    string Code,
    string When,
    IReadOnlyList<string> States,
    string Any,
    string Lists,
    PlaysShape? Plays,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);
