namespace Underlay.Core.Sounds;

/// <summary>What a part of a long recording seems to be.</summary>
public enum PartKind
{
    /// <summary>One of the sounds that were to be recorded.</summary>
    Take,

    /// <summary>Much shorter or softer than the others: a cough, a click, a step.</summary>
    Noise,

    /// <summary>Like the part behind it, which was done better, or so it is taken: the last of several counts.</summary>
    Repeated,
}

/// <summary>A part of a long recording with silence around it.</summary>
/// <param name="From">Its first frame, a little before it is heard.</param>
/// <param name="To">The frame behind its last.</param>
/// <param name="Kind">What it seems to be.</param>
/// <param name="IsDoubtful">Whether it might as well be something else: it is worth hearing.</param>
public sealed record Part(int From, int To, PartKind Kind, bool IsDoubtful);

/// <summary>Splits a recording of many sounds, one after the other, at the silence between them.</summary>
public static class Splitter
{
    // The level is looked at in spans of that length.
    private const double SpanSeconds = 0.01;

    // Shorter silence is part of a sound: the stop inside a word, the echo between two knocks.
    private const double ShortestPause = 0.35;
    private const double ShortestSound = 0.04;

    // What is left in front and behind, so that nothing is cut that is heard.
    private const double LeadSeconds = 0.02;
    private const double TailSeconds = 0.12;

    // Above the noise of the room by so much it is a sound. dB.
    private const double AboveFloor = 12;
    private const double SoftestSound = -55;

    // Against the middle of all parts; sounds of a session may differ much in length, so that a noise has to be short by itself too.
    private const double NoiseShorter = 0.4;
    private const double LongestNoise = 0.35;
    private const double NoiseSofter = 14;
    private const double NearlyShorter = 0.55;
    private const double NearlySofter = 10;

    // How far apart two parts are that are the same sound done twice. dB, see SoundShape.
    private const double Same = 4.5;
    private const double NearlySame = 6.5;

    /// <summary>The parts in order.</summary>
    public static IReadOnlyList<Part> Split(Sound sound)
    {
        var mono = sound.ToMono();
        var span = Math.Max(1, (int)(SpanSeconds * sound.Rate));
        var levels = LevelsOf(mono.Channels[0], span);
        var found = Heard(levels);
        if (found.Count == 0) return [];
        var loudness = found.Select(f => levels[f.From..f.To].Max()).ToList();
        var lengths = found.Select(f => (double)(f.To - f.From)).ToList();
        var (usualLevel, usualLength) = (Middle(loudness), Middle(lengths));
        var shapes = found.Select(f => SoundShape.Of(mono, f.From * span, Math.Min(sound.Frames, f.To * span))).ToList();
        var parts = new List<Part>();
        for (var i = 0; i < found.Count; i++)
        {
            var (shorter, softer) = (lengths[i] / usualLength, usualLevel - loudness[i]);
            var isNoise = (shorter < NoiseShorter && lengths[i] * SpanSeconds < LongestNoise) || softer > NoiseSofter;
            var isNearlyNoise = shorter < NearlyShorter || softer > NearlySofter;
            parts.Add(
                new Part(
                    Math.Max(i == 0 ? 0 : parts[^1].To, (found[i].From * span) - (int)(LeadSeconds * sound.Rate)),
                    Math.Min(sound.Frames, (found[i].To * span) + (int)(TailSeconds * sound.Rate)),
                    isNoise ? PartKind.Noise : PartKind.Take,
                    isNearlyNoise));
        }

        MarkRepeats(parts, shapes);
        return parts;
    }

    /// <summary>Of takes that are alike one after the other the last counts; noise between them does not part them.</summary>
    private static void MarkRepeats(List<Part> parts, List<SoundShape> shapes)
    {
        var takes = Enumerable.Range(0, parts.Count).Where(i => parts[i].Kind == PartKind.Take).ToList();
        for (var i = 0; i + 1 < takes.Count; i++)
        {
            var apart = shapes[takes[i]].DistanceTo(shapes[takes[i + 1]]);
            if (apart >= NearlySame) continue;
            var part = parts[takes[i]];
            parts[takes[i]] = apart < Same
                ? part with { Kind = PartKind.Repeated, IsDoubtful = part.IsDoubtful || apart > Same * 0.8 }
                : part with { IsDoubtful = true };
        }
    }

    /// <summary>The level of each span, dB of full scale as the root of the mean square.</summary>
    private static double[] LevelsOf(float[] samples, int span)
    {
        var levels = new double[(samples.Length + span - 1) / span];
        for (var i = 0; i < levels.Length; i++)
        {
            var sum = 0.0;
            var (from, to) = (i * span, Math.Min(samples.Length, (i + 1) * span));
            for (var at = from; at < to; at++) sum += samples[at] * samples[at];
            levels[i] = Decibels.Of(Math.Sqrt(sum / (to - from)));
        }

        return levels;
    }

    /// <summary>Spans between pauses, from the first that is heard to the one behind the last.</summary>
    private static List<(int From, int To)> Heard(double[] levels)
    {
        // A tenth of any recording with pauses is silence, and that is the room.
        var floor = levels.Order().ElementAt(levels.Length / 10);
        var least = Math.Max(SoftestSound, Math.Min(floor + AboveFloor, levels.Max() - AboveFloor));
        var (pause, shortest) = ((int)(ShortestPause / SpanSeconds), (int)(ShortestSound / SpanSeconds));
        var found = new List<(int From, int To)>();
        for (var i = 0; i < levels.Length; i++)
        {
            if (levels[i] < least) continue;
            if (found.Count > 0 && i - found[^1].To < pause) found[^1] = (found[^1].From, i + 1);
            else found.Add((i, i + 1));
        }

        return [.. found.Where(f => f.To - f.From >= shortest)];
    }

    private static double Middle(IEnumerable<double> values) => values.Order().ToList() is var sorted ? sorted[sorted.Count / 2] : 0;
}
