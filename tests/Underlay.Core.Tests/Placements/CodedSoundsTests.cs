using Underlay.Core.Formats.Wav;
using Underlay.Core.Placements;

namespace Underlay.Core.Tests.Placements;

/// <summary>Calls find their birds by what they are called, and get the first free number.</summary>
public class CodedSoundsTests
{
    private static readonly byte[] Call = WavWriter.Write(TestSound.Tone(48_000, seconds: 3));

    private static List<(string Target, double Confidence)> Advise(string name, params string[] there)
    {
        var guide = there.Aggregate(AGuide.Of(), (g, path) => g.With(path, Call));
        var path = PackPath.Parse(name);
        var file = FileTree.OfBytes([KeyValuePair.Create(path, Call)]).Find(path)!;
        return [.. new Placer(guide.Check().Overlay!).Advise(file).Candidates.Select(c => (c.Target.Value, c.Confidence))];
    }

    [Theory]
    [InlineData("Ashen Brackling.wav", "calls/asbra/1.wav")]
    [InlineData("ashen_brackling_call (3).wav", "calls/asbra/3.wav")]
    [InlineData("asbra.wav", "calls/asbra/1.wav")]
    [InlineData("my birds/Ashen Morrock/song.wav", "calls/asmor/1.wav")]
    [InlineData("Ashen Morock 2.wav", "calls/asmor/2.wav")]
    public void A_call_goes_to_the_bird_that_it_is_named_after(string name, string target)
    {
        var first = Advise(name)[0];
        Assert.Equal(target, first.Target);
        Assert.True(first.Confidence > 0.79, $"{first.Confidence}");
    }

    [Fact]
    public void The_first_free_number_is_taken_whatever_the_format_of_those_before()
    {
        Assert.Equal("calls/asbra/3.wav", Advise("Ashen Brackling.wav", "calls/asbra/1.wav", "calls/asbra/2.opus")[0].Target);
        Assert.Equal("calls/asbra/2.wav", Advise("Ashen Brackling 1.wav", "calls/asbra/1.wav")[0].Target);
    }

    [Fact]
    public void The_other_format_is_offered_behind_it() =>
        Assert.Equal(["calls/asbra/1.wav", "calls/asbra/1.opus"], Advise("Ashen Brackling.wav").Take(2).Select(c => c.Target));

    [Fact]
    public void A_word_that_two_birds_have_tells_neither_and_a_name_of_none_is_offered_nothing()
    {
        var both = Advise("ashen.wav");
        Assert.Contains(both, c => c.Target == "calls/asbra/1.wav");
        Assert.Contains(both, c => c.Target == "calls/asmor/1.wav");
        Assert.All(both, c => Assert.True(c.Confidence < 0.5));
        Assert.Empty(Advise("seagull.wav"));
    }
}
