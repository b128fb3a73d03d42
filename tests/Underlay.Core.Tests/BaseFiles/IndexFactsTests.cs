using System.Text;
using CsCheck;
using Underlay.Core.BaseFiles;

namespace Underlay.Core.Tests.BaseFiles;

public class IndexFactsTests
{
    private static IndexFacts Read(string text) =>
        IndexFacts.Of(Encoding.UTF8.GetBytes(text), Repository.Wrenfield.Place("contents").Index!);

    private static string Contents(string inside) => $"<contents about=\"t\"><chapter family=\"brac\">{inside}</chapter></contents>";

    [Fact]
    public void Rows_have_the_codes_of_the_elements_around_them()
    {
        var index = Read("""
            <contents>
              <chapter family="brac">
                <bird code="asbra">
                  <plate src="plates/a.png" plumage="adult"/><plate src="plates/b.png" plumage="young" months="10-3"/>
                </bird>
              </chapter>
              <chapter family="morr"><bird code="asmor"><plate src="plates/c.png" plumage="adult"/></bird></chapter>
            </contents>
            """);
        Assert.Equal(
            [
                ("brac asbra adult", "plates/a.png", null, 4),
                ("brac asbra young", "plates/b.png", "10-3", 4),
                ("morr asmor adult", "plates/c.png", (string?)null, 7),
            ],
            index.Rows.Select(r => (string.Join(' ', r.Codes), r.File, r.Span, r.At.Line)));
        Assert.True(index.Names(PackPath.Parse("plates/b.png")));
    }

    [Theory]
    [InlineData("<!DOCTYPE contents [<!ENTITY x SYSTEM 'file:///etc/passwd'>]><contents>&x;</contents>", "document type")]
    [InlineData("<contents>", "no XML")]
    [InlineData("", "no XML")]
    [InlineData("<?xml version='1.0' encoding='latin1'?><contents/>", "encoding is latin1")]
    public void What_cannot_be_read_is_told_and_no_entity_is_looked_up(string text, string says) =>
        Assert.Contains(says, Read(text).Problem!.Says, StringComparison.Ordinal);

    [Theory]
    [InlineData("<bird><plate src='a' plumage='b'/></bird>", "“bird” in line 1 lacks “code”")]
    [InlineData("<bird code='x'><plate plumage='b'/></bird>", "lacks “src”")]
    [InlineData("<bird code='x'><plate src='a' plumage='b' months='0-13'/></bird>", "“months” is “0-13”")]
    [InlineData("<bird code='x'><plate src='a' plumage='b' months='4'/></bird>", "two months")]
    public void What_the_host_does_not_accept_is_told_with_its_line(string inside, string says) =>
        Assert.Contains(Read(Contents(inside)).Faults, f => f.Says.Contains(says, StringComparison.Ordinal));

    [Fact]
    public void Other_elements_are_passed_over_with_all_that_is_in_them() =>
        Assert.Empty(
            Read(
                "<contents><note><chapter family='x'><bird code='y'><plate src='z' plumage='w'/></bird></chapter></note><chapter "
                    + "family='a'><plate src='z' plumage='w'/></chapter></contents>").Rows);

    [Fact]
    public void Any_text_is_read_or_refused_and_never_crashes() =>
        Gen.String[Gen.OneOfConst('<', '>', '/', '"', '=', 'a', ' ', '&', ';', '!', '-'), 0, 40]
            .Sample(text => Assert.NotNull(Read(Contents(text)).Rows));
}
