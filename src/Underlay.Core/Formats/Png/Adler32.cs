using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;

namespace Underlay.Core.Formats.Png;

/// <summary>The checksum of zlib streams.</summary>
/// <remarks>RFC 1950, section 8.2.</remarks>
internal static class Adler32
{
    private const uint Modulus = 65521;

    // The longest run, in vectors, whose sums stay within their lanes: 5552 bytes.
    private const int MostVectors = 347;

    private static Vector128<ushort> FirstWeights => Vector128.Create((ushort)16, 15, 14, 13, 12, 11, 10, 9);

    private static Vector128<ushort> LastWeights => Vector128.Create((ushort)8, 7, 6, 5, 4, 3, 2, 1);

    public static uint Of(ReadOnlySpan<byte> bytes)
    {
        uint a = 1, b = 0;
        while (bytes.Length >= Vector128<byte>.Count)
        {
            var vectors = Math.Min(MostVectors, bytes.Length / Vector128<byte>.Count);
            (a, b) = AddVectors(bytes[..(vectors * Vector128<byte>.Count)], a, b);
            bytes = bytes[(vectors * Vector128<byte>.Count)..];
        }

        foreach (var value in bytes)
        {
            a += value;
            b += a;
        }

        return ((b % Modulus) << 16) | (a % Modulus);
    }

    /// <summary>
    /// Sixteen bytes at a time: b grows by 16 times the a before them, and by each byte as often as it will have been
    /// added to b, which the weights say.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static (uint A, uint B) AddVectors(ReadOnlySpan<byte> bytes, uint a, uint b)
    {
        Vector128<uint> sums = default, sumsBefore = default, weighted = default;
        for (var at = 0; at < bytes.Length; at += Vector128<byte>.Count)
        {
            sumsBefore += sums;
            var (first, last) = Vector128.Widen(Vector128.Create(bytes.Slice(at, Vector128<byte>.Count)));
            sums += Pairs(first + last);
            weighted += Pairs(first * FirstWeights) + Pairs(last * LastWeights);
        }

        var before = 16 * (((ulong)(uint)(bytes.Length / Vector128<byte>.Count) * a) + Vector128.Sum(Wide(sumsBefore)));
        return ((uint)((a + Vector128.Sum(sums)) % Modulus), (uint)((b + before + Vector128.Sum(Wide(weighted))) % Modulus));
    }

    private static Vector128<uint> Pairs(Vector128<ushort> values)
    {
        var (low, high) = Vector128.Widen(values);
        return low + high;
    }

    private static Vector128<ulong> Wide(Vector128<uint> values)
    {
        var (low, high) = Vector128.Widen(values);
        return low + high;
    }
}
