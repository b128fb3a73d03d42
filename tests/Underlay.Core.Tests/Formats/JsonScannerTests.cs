using System.Text;
using System.Text.Json;
using CsCheck;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Tests.Formats;

/// <summary>Our reading of JSON takes what the standard reader takes, but for repeated keys.</summary>
public class JsonScannerTests
{
    private static readonly Gen<string> Letters = Gen.String[Gen.Char["{}[]\",:\\u01d8dcE.+- atruefalsn\n/#"], 0, 40];

    [Fact]
    public void It_takes_what_the_standard_reader_takes() =>
        Letters.Sample(text => Agree(text), iter: 20_000);

    [Fact]
    public void It_takes_what_the_standard_reader_takes_of_texts_with_one_slip() =>
        Gen.Select(Gen.Int, Gen.Int[0, 500], Gen.Char["{}[]\",:\\u0eE.-+tn \n\u0001/"], Gen.Int[0, 2]).Sample((seed, at, letter, how) =>
        {
            var text = new WrittenJson(seed).Write();
            at %= text.Length;
            Agree(text[..at] + (how == 0 ? "" : letter) + text[(how == 1 ? at : at + 1)..]);
        }, iter: 5_000);

    [Theory]
    [InlineData("[\"\\ud83d\\ude00\"]", null)]
    [InlineData("[\"\\ude00\"]", "half a character")]
    [InlineData("[\"\\ud83dx\"]", "half a character")]
    [InlineData("[\"a\nb\"]", "line break")]
    [InlineData("[\"\\q\"]", "escape")]
    [InlineData("[\"\\u12\"]", "four digits")]
    [InlineData("[01]", "no number")]
    [InlineData("[1.]", "no number")]
    [InlineData("[tru]", "value is wanted")]
    [InlineData("{\"a\" 1}", "colon")]
    [InlineData("[1,]", "comma stands before")]
    [InlineData("[,1]", "value is wanted")]
    [InlineData("# hello", "comment")]
    public void Each_slip_has_its_words(string text, string? word)
    {
        var problem = JsonText.Parse(Encoding.UTF8.GetBytes(text)).Problem;
        if (word is null) Assert.Null(problem);
        else Assert.Contains(word, problem!.Says, StringComparison.Ordinal);
    }

    private static void Agree(string text)
    {
        var ours = JsonText.Parse(Encoding.UTF8.GetBytes(text)).Problem;
        // On these two hosts are stricter.
        if (ours is not null && new[] { "twice", "half" }.Any(w => ours.Says.Contains(w, StringComparison.Ordinal))) return;
        Assert.True(IsTaken(text) == ours is null, $"{text}: {ours?.Says ?? "taken"}");
    }

    private static bool IsTaken(string text)
    {
        try
        {
            using var document = JsonDocument.Parse(text);
            return true;
        }
        catch (JsonException)
        {
            return false;
        }
    }
}
