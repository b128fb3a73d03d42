using System.Numerics;

namespace Underlay.Core.Formats.Flac;

/// <summary>Reads the bits of a FLAC stream, the highest of each byte first. Beyond the end there are none: <see cref="IsCut"/>.</summary>
internal ref struct FlacBits(ReadOnlySpan<byte> bytes)
{
    private readonly ReadOnlySpan<byte> bytes = bytes;
    private long at;

    /// <summary>True once more was asked for than there is.</summary>
    public bool IsCut { get; private set; }

    /// <summary>Bytes read so far, a begun one counted.</summary>
    public readonly int Position => (int)((at + 7) / 8);

    /// <summary>True where no whole byte is left.</summary>
    public readonly bool IsAtEnd => Position >= bytes.Length;

    /// <summary>Goes on at the next whole byte.</summary>
    public void Align() => at = (at + 7) / 8 * 8;

    /// <summary>The next bits as a number that is not below 0.</summary>
    /// <param name="count">0 to 32.</param>
    public uint Read(int count)
    {
        var value = 0ul;
        if (at + count > bytes.Length * 8L)
        {
            IsCut = true;
            return 0;
        }

        for (var left = count; left > 0;)
        {
            var inByte = (int)(8 - (at & 7));
            var take = Math.Min(left, inByte);
            var part = (bytes[(int)(at >> 3)] >> (inByte - take)) & ((1 << take) - 1);
            value = (value << take) | (uint)part;
            at += take;
            left -= take;
        }

        return (uint)value;
    }

    /// <summary>The next bits as a number with a sign (two's complement).</summary>
    /// <param name="count">0 to 33.</param>
    public long ReadSigned(int count)
    {
        if (count == 0) return 0;
        var high = count > 32 ? Read(count - 32) : 0;
        var value = ((long)high << 32) | Read(Math.Min(count, 32));
        return value << (64 - count) >> (64 - count);
    }

    /// <summary>How many bits are 0 before the next that is 1, which is read too.</summary>
    public int ReadZeros()
    {
        for (var zeros = 0; ;)
        {
            if (at >= bytes.Length * 8L)
            {
                IsCut = true;
                return 0;
            }

            var inByte = (int)(8 - (at & 7));
            var rest = (byte)(bytes[(int)(at >> 3)] << (8 - inByte));
            var leading = rest == 0 ? inByte : BitOperations.LeadingZeroCount((uint)rest << 24);
            zeros += leading;
            at += leading;
            if (rest == 0) continue;
            at++;
            return zeros;
        }
    }
}
