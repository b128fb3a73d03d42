namespace Underlay.Core.Manifests;

/// <summary>Ids that have to be unlike all others: made once by chance, written down, and kept for ever.</summary>
/// <remarks>RFC 9562, version 4. Made of names, two packs of one name had one id.</remarks>
internal static class UniqueId
{
    /// <summary>A new one, in small letters.</summary>
    public static string Make() => Guid.NewGuid().ToString("D");
}
