namespace Underlay.Core.Sounds;

/// <summary>The outline of a sound: its lowest and highest sample over spans of one length.</summary>
public static class Peaks
{
    /// <summary>The outline over all channels.</summary>
    /// <param name="sound">The sound.</param>
    /// <param name="most">How many spans at most; a shorter sound has one a frame.</param>
    public static IReadOnlyList<(float Low, float High)> Of(Sound sound, int most)
    {
        var count = Math.Min(most, sound.Frames);
        var spans = new (float Low, float High)[count];
        for (var i = 0; i < count; i++)
        {
            var (from, to) = ((int)((long)i * sound.Frames / count), (int)((long)(i + 1) * sound.Frames / count));
            var (low, high) = (float.MaxValue, float.MinValue);
            foreach (var channel in sound.Channels)
                for (var frame = from; frame < to; frame++)
                {
                    low = Math.Min(low, channel[frame]);
                    high = Math.Max(high, channel[frame]);
                }

            spans[i] = (low, high);
        }

        return spans;
    }
}
