namespace Underlay.Core.Hosts;

/// <summary>
/// The host's words that no rule of a profile names, because Underlay itself finds what they say; every profile has them
/// (docs/host-profile.md).
/// </summary>
public static class OwnCodes
{
    /// <summary>Of a file that cannot be read.</summary>
    public const string Unreadable = "unreadable";

    /// <summary>Of a file that has a field which the host does not accept.</summary>
    public const string Rejected = "rejected";

    /// <summary>Of a package without a manifest.</summary>
    public const string Missing = "missing";

    /// <summary>Of a package in which one folder lies around everything.</summary>
    public const string Wrapped = "wrapped";

    /// <summary>Of a package with a name that may lead out of it, or stand for two files.</summary>
    public const string Unsafe = "unsafe";

    /// <summary>Of an archive that is damaged.</summary>
    public const string Damaged = "damaged";

    /// <summary>Of an archive that is larger than the host takes.</summary>
    public const string TooBig = "too_big";

    /// <summary>Of a package whose name ends otherwise than the host's packages do.</summary>
    public const string Ending = "ending";

    /// <summary>Of a package that is not for the edition.</summary>
    public const string Closed = "closed";

    /// <summary>Among the words for files that are left out.</summary>
    internal static IReadOnlyList<string> Drops { get; } = [Unreadable, Rejected];

    /// <summary>Among the words for packages that are not listed.</summary>
    internal static IReadOnlyList<string> Reasons { get; } =
        [Missing, Wrapped, Unreadable, Rejected, Unsafe, Damaged, TooBig, Ending, Closed];
}
