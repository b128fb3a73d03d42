using System.Security.Cryptography;
using System.Text;

namespace Underlay.Core.Packs;

/// <summary>UUIDs made of names: the same name gives the same one, on every machine.</summary>
/// <remarks>RFC 9562, version 8, from SHA-256.</remarks>
public static class NameUuid
{
    /// <summary>The UUID of a name, in small letters.</summary>
    public static string Of(string name)
    {
        var hash = SHA256.HashData(Encoding.UTF8.GetBytes(name));
        hash[6] = (byte)((hash[6] & 0x0F) | 0x80);
        hash[8] = (byte)((hash[8] & 0x3F) | 0x80);
        return new Guid(hash.AsSpan(0, 16), bigEndian: true).ToString("D");
    }
}
