namespace Underlay.Core.Hosts;

/// <summary>Something in a host profile that cannot be read.</summary>
/// <param name="File">The file of the profile.</param>
/// <param name="Pointer">RFC 6901 pointer into it; empty for the whole file.</param>
/// <param name="Expected">What was expected, as a sentence without its full stop.</param>
public sealed record ProfileError(string File, string Pointer, string Expected)
{
    /// <inheritdoc/>
    public override string ToString() => Pointer.Length == 0 ? $"{File}: {Expected}" : $"{File} {Pointer}: {Expected}";
}

/// <summary>A profile, or what kept it from being read.</summary>
public sealed record ProfileResult(HostProfile? Profile, IReadOnlyList<ProfileError> Errors);
