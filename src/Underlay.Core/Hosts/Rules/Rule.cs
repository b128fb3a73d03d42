namespace Underlay.Core.Hosts.Rules;

/// <summary>What comes of breaking a rule.</summary>
public enum ConsequenceKind
{
    /// <summary>The host shows something else: the code is an outcome.</summary>
    Outcome,

    /// <summary>The host leaves the file out: the code is a drop code.</summary>
    Drop,

    /// <summary>The host does not mind; the author would regret it. No code.</summary>
    Warning,
}

/// <summary>What comes of breaking a rule, with the host's code for it.</summary>
public sealed record Consequence(ConsequenceKind Kind, string Code)
{
    /// <summary>The host does not mind.</summary>
    public static Consequence Regret { get; } = new(ConsequenceKind.Warning, "");

    /// <summary>Shown wrong.</summary>
    public static Consequence Shows(string outcome) => new(ConsequenceKind.Outcome, outcome);

    /// <summary>Left out.</summary>
    public static Consequence Drops(string code) => new(ConsequenceKind.Drop, code);
}

/// <summary>
/// One rule of a place. The rules that exist are the closed set of records in this folder; docs/host-profile.md
/// explains each by example.
/// </summary>
/// <param name="Else">What comes of breaking it.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public abstract record Rule(Consequence Else, Basis Basis, EditionSpan Editions);
