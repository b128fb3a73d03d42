using CsCheck;
using Underlay.Core.Sounds;

namespace Underlay.Core.Tests.Sounds;

/// <summary>A recording of many sounds is split into them; coughs and what was done again are told apart.</summary>
public class SplitterTests
{
    /// <summary>The part that holds the middle of what was spoken.</summary>
    private static Part? At(IReadOnlyList<Part> parts, Spoken spoken) =>
        parts.FirstOrDefault(p => p.From <= (spoken.From + spoken.To) / 2 && p.To > (spoken.From + spoken.To) / 2);

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Of_a_session_of_forty_takes_nearly_all_are_told_rightly(int seed)
    {
        var session = RecordedSession.Make(40, seed);
        var parts = Splitter.Split(session.Sound);
        Assert.Equal(session.Spoken.Count, parts.Count);
        var right = session.Spoken.Count(
            s => At(parts, s)!.Kind == (s.Name.Length == 0 ? PartKind.Noise : s.IsLast ? PartKind.Take : PartKind.Repeated));
        Assert.InRange(right, session.Spoken.Count * 95 / 100, session.Spoken.Count);
    }

    /// <summary>Nothing that is heard is cut off, and no two parts overlap.</summary>
    [Fact]
    public void Parts_hold_what_was_spoken_whole() =>
        Gen.Select(Gen.Int[1, 12], Gen.Int[10, 9999]).Sample(
            (takes, seed) =>
            {
                var session = RecordedSession.Make(takes, seed);
                var parts = Splitter.Split(session.Sound);
                Assert.All(parts.Zip(parts.Skip(1)), pair => Assert.True(pair.First.To <= pair.Second.From));
                foreach (var spoken in session.Spoken.Where(s => s.Name.Length > 0))
                {
                    var part = At(parts, spoken);
                    Assert.NotNull(part);
                    // A swell of 20 ms begins in silence, and the end dies away.
                    Assert.True(part.From <= spoken.From + 480, $"{part.From} {spoken.From}");
                    Assert.True(part.To >= spoken.To - 480, $"{part.To} {spoken.To}");
                }
            },
            iter: 30);

    [Fact]
    public void Silence_has_no_parts_and_one_sound_is_one_part()
    {
        Assert.Empty(Splitter.Split(new Sound(48_000, [new float[96_000]])));
        var part = Assert.Single(Splitter.Split(TestSound.Tone(48_000, seconds: 1, lead: 1)));
        Assert.Equal(PartKind.Take, part.Kind);
        Assert.InRange(part.From, 46_000, 48_000);
    }

    [Fact]
    public void A_short_stop_inside_a_sound_does_not_part_it()
    {
        var tone = TestSound.Tone(48_000, seconds: 0.5).Channels[0];
        var word = new Sound(48_000, [[.. new float[48_000], .. tone, .. new float[9_600], .. tone, .. new float[48_000]]]);
        Assert.Single(Splitter.Split(word));
    }
}
