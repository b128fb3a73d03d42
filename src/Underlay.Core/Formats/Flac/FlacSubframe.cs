namespace Underlay.Core.Formats.Flac;

/// <summary>Reads the samples of one channel in a frame of FLAC.</summary>
/// <remarks>RFC 9639, section 9.2.</remarks>
internal static class FlacSubframe
{
    /// <summary>What each fixed predictor makes of the samples before, the nearest first (section 9.2.5).</summary>
    private static readonly int[][] Fixed = [[], [1], [2, -1], [3, -3, 1], [4, -6, 4, -1]];

    /// <summary>Fills the samples; false where they cannot be read.</summary>
    public static bool Read(ref FlacBits bits, int depth, Span<long> samples)
    {
        if (bits.Read(1) != 0) return false;
        var type = (int)bits.Read(6);
        // Bits that are 0 at the end of every sample.
        var wasted = bits.Read(1) == 0 ? 0 : bits.ReadZeros() + 1;
        depth -= wasted;
        if (depth < 1 || bits.IsCut) return false;
        var isRead = type switch
        {
            0 => Constant(ref bits, depth, samples),
            1 => Verbatim(ref bits, depth, samples),
            >= 8 and <= 12 => Predicted(ref bits, depth, samples, Fixed[type - 8], shift: 0),
            >= 32 => Linear(ref bits, depth, samples, type - 31),
            _ => false,
        };
        if (wasted > 0)
            foreach (ref var sample in samples) sample <<= wasted;
        return isRead && !bits.IsCut;
    }

    private static bool Constant(ref FlacBits bits, int depth, Span<long> samples)
    {
        samples.Fill(bits.ReadSigned(depth));
        return true;
    }

    private static bool Verbatim(ref FlacBits bits, int depth, Span<long> samples)
    {
        foreach (ref var sample in samples) sample = bits.ReadSigned(depth);
        return true;
    }

    private static bool Linear(ref FlacBits bits, int depth, Span<long> samples, int order)
    {
        if (order > samples.Length) return false;
        for (var i = 0; i < order; i++) samples[i] = bits.ReadSigned(depth);
        var precision = (int)bits.Read(4) + 1;
        var shift = (int)bits.ReadSigned(5);
        if (precision == 16 || shift < 0) return false;
        var weights = new int[order];
        for (var i = 0; i < order; i++) weights[i] = (int)bits.ReadSigned(precision);
        return Residual(ref bits, samples, order) && Predict(samples, weights, shift);
    }

    private static bool Predicted(ref FlacBits bits, int depth, Span<long> samples, int[] weights, int shift)
    {
        if (weights.Length > samples.Length) return false;
        for (var i = 0; i < weights.Length; i++) samples[i] = bits.ReadSigned(depth);
        return Residual(ref bits, samples, weights.Length) && Predict(samples, weights, shift);
    }

    private static bool Predict(Span<long> samples, int[] weights, int shift)
    {
        for (var i = weights.Length; i < samples.Length; i++)
        {
            var sum = 0L;
            for (var j = 0; j < weights.Length; j++) sum += weights[j] * samples[i - 1 - j];
            samples[i] += sum >> shift;
        }

        return true;
    }

    /// <summary>What is left after prediction, in Rice code by partitions (section 9.2.7).</summary>
    private static bool Residual(ref FlacBits bits, Span<long> samples, int order)
    {
        var method = (int)bits.Read(2);
        if (method > 1) return false;
        var (width, escape) = method == 0 ? (4, 15u) : (5, 31u);
        var partitions = 1 << (int)bits.Read(4);
        var each = samples.Length / partitions;
        if (each * partitions != samples.Length || each < order) return false;
        var at = order;
        for (var p = 0; p < partitions; p++)
        {
            var parameter = bits.Read(width);
            var plain = parameter == escape ? (int)bits.Read(5) : -1;
            for (var end = (p + 1) * each; at < end; at++)
            {
                if (bits.IsCut) return false;
                samples[at] = plain >= 0
                    ? bits.ReadSigned(plain)
                    : Folded(((long)bits.ReadZeros() << (int)parameter) | bits.Read((int)parameter));
            }
        }

        return true;
    }

    /// <summary>Even numbers are what is not below 0, odd ones what is.</summary>
    private static long Folded(long value) => (value >> 1) ^ -(value & 1);
}
