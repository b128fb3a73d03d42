namespace Underlay.Core.Formats.Flac;

/// <summary>Reads one frame of FLAC.</summary>
/// <param name="Samples">Samples a channel.</param>
/// <param name="Length">Its bytes.</param>
/// <remarks>RFC 9639, section 9.</remarks>
internal readonly record struct FlacFrame(int Samples, int Length)
{
    /// <summary>The frame at the start; null where there is none that is sound.</summary>
    /// <param name="bytes">The rest of the file.</param>
    /// <param name="channels">How many channels the stream has.</param>
    /// <param name="streamBits">Bits a sample of the stream.</param>
    /// <param name="into">Gets the samples of each channel.</param>
    public static FlacFrame? Read(ReadOnlySpan<byte> bytes, int channels, int streamBits, long[][] into)
    {
        var bits = new FlacBits(bytes);
        if (bits.Read(15) != 0b111111111111100) return null;
        bits.Read(1);
        var (sizeCode, rateCode) = ((int)bits.Read(4), (int)bits.Read(4));
        var (assignment, bitsCode) = ((int)bits.Read(4), (int)bits.Read(3));
        bits.Read(1);
        // The number of the frame, coded as letters are in UTF-8; frames are read in order, so it is passed over.
        for (var more = Math.Max(0, LeadingOnes((byte)bits.Read(8)) - 1); more > 0; more--) bits.Read(8);
        var samples = sizeCode switch
        {
            1 => 192,
            >= 2 and <= 5 => 576 << (sizeCode - 2),
            6 => (int)bits.Read(8) + 1,
            7 => (int)bits.Read(16) + 1,
            >= 8 => 256 << (sizeCode - 8),
            _ => 0,
        };
        if (rateCode is 12) bits.Read(8);
        else if (rateCode is 13 or 14) bits.Read(16);
        var depth = bitsCode switch { 1 => 8, 2 => 12, 4 => 16, 5 => 20, 6 => 24, 7 => 32, 0 => streamBits, _ => 0 };
        var crc = bits.Position;
        bits.Read(8);
        var own = assignment < 8 ? assignment + 1 : assignment <= 10 ? 2 : 0;
        if (bits.IsCut || samples == 0 || samples > into[0].Length || depth != streamBits || own != channels || rateCode == 15) return null;
        if (Crc8(bytes[..crc]) != bytes[crc]) return null;
        for (var c = 0; c < channels; c++)
        {
            // A channel of differences needs a bit more.
            var isDifference = (assignment is 8 or 10 && c == 1) || (assignment == 9 && c == 0);
            if (!FlacSubframe.Read(ref bits, depth + (isDifference ? 1 : 0), into[c].AsSpan(0, samples))) return null;
        }

        if (assignment >= 8) Restore(assignment, into[0].AsSpan(0, samples), into[1].AsSpan(0, samples));
        bits.Align();
        var end = bits.Position;
        var sum = (int)bits.Read(16);
        return bits.IsCut || Crc16(bytes[..end]) != sum ? null : new FlacFrame(samples, end + 2);
    }

    /// <summary>Left and right of left and difference (8), difference and right (9), or middle and difference (10).</summary>
    private static void Restore(int assignment, Span<long> one, Span<long> other)
    {
        for (var i = 0; i < one.Length; i++)
        {
            if (assignment == 8) other[i] = one[i] - other[i];
            else if (assignment == 9) one[i] += other[i];
            else
            {
                var (middle, side) = ((one[i] << 1) | (other[i] & 1), other[i]);
                (one[i], other[i]) = ((middle + side) >> 1, (middle - side) >> 1);
            }
        }
    }

    private static int LeadingOnes(byte value)
    {
        var ones = 0;
        while (ones < 8 && (value & (0x80 >> ones)) != 0) ones++;
        return ones;
    }

    private static byte Crc8(ReadOnlySpan<byte> bytes)
    {
        var crc = 0;
        foreach (var b in bytes)
        {
            crc ^= b;
            for (var bit = 0; bit < 8; bit++) crc = (crc & 0x80) != 0 ? ((crc << 1) ^ 0x07) & 0xFF : crc << 1;
        }

        return (byte)crc;
    }

    private static int Crc16(ReadOnlySpan<byte> bytes)
    {
        var crc = 0;
        foreach (var b in bytes) crc = ((crc << 8) ^ Table16[((crc >> 8) ^ b) & 0xFF]) & 0xFFFF;
        return crc;
    }

    private static readonly int[] Table16 = [.. Enumerable.Range(0, 256).Select(Remainder)];

    private static int Remainder(int value)
    {
        var crc = value << 8;
        for (var bit = 0; bit < 8; bit++) crc = (crc & 0x8000) != 0 ? (crc << 1) ^ 0x8005 : crc << 1;
        return crc & 0xFFFF;
    }
}
