namespace Underlay.Core.Hosts;

/// <summary>A version of a host. Editions are ordered as the profile lists them, oldest first.</summary>
/// <param name="Key">The name that manifests and commands use, such as "4.0".</param>
/// <param name="Title">The name for people.</param>
/// <param name="Order">0 for the oldest.</param>
public sealed record Edition(string Key, string Title, int Order)
{
    /// <inheritdoc/>
    public override string ToString() => Key;
}

/// <summary>The editions for which a rule holds; open ends hold for all.</summary>
/// <param name="Since">The first edition, or null.</param>
/// <param name="Until">The last edition, or null.</param>
public sealed record EditionSpan(Edition? Since, Edition? Until)
{
    /// <summary>Every edition.</summary>
    public static EditionSpan Always { get; } = new(null, null);

    /// <summary>True when the edition lies in the span.</summary>
    public bool Holds(Edition edition) =>
        (Since is null || edition.Order >= Since.Order) && (Until is null || edition.Order <= Until.Order);
}

/// <summary>How it is known that a rule holds.</summary>
public enum Basis
{
    /// <summary>The host's makers say so.</summary>
    Documented,

    /// <summary>The base's own files show it.</summary>
    Measured,

    /// <summary>Nobody knows; it is the safe reading.</summary>
    Assumed,
}
