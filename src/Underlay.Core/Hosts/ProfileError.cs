using Underlay.Core.Formats;

namespace Underlay.Core.Hosts;

/// <summary>Something in a host profile that cannot be read.</summary>
/// <param name="File">The file of the profile.</param>
/// <param name="Pointer">RFC 6901 pointer into it; empty for the whole file.</param>
/// <param name="Expected">What was expected, as a sentence without its full stop.</param>
public sealed record ProfileError(string File, string Pointer, string Expected)
{
    /// <summary>Where in the file that is; null where there is no such file.</summary>
    public TextPosition? At { get; init; }

    /// <inheritdoc/>
    public override string ToString() =>
        File + (At is { } at ? $", {at}" : "") + (Pointer.Length == 0 ? "" : $" ({Pointer})") + $": {Expected}";
}

/// <summary>A profile, or what kept it from being read.</summary>
public sealed record ProfileResult(HostProfile? Profile, IReadOnlyList<ProfileError> Errors);
