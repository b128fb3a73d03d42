using System.Text;
using System.Xml.Linq;
using CsCheck;
using Underlay.Core.Formats.Xml;

namespace Underlay.Core.Tests.Formats;

/// <summary>Attributes of XML are changed; every other letter of the text stays.</summary>
public class XmlEditTests
{
    private static readonly Gen<string> Piece = Gen.OneOfConst(
        "<!-- old='x' -->", "\r\n\t", "text &amp; more", "<b old = \"x\"/>", "<a\n  old='y' other='x > y'></a>",
        "<a  old=\"&quot;x\"  />", "<![CDATA[ old='x' ]]>", "<?p old='x'?>");

    private static readonly Gen<string> Text =
        from head in Gen.OneOfConst("", "\uFEFF", "<?xml version='1.0'?>\n")
        from pieces in Piece.Array[0, 8]
        select $"{head}<root>{string.Concat(pieces)}</root>\n";

    [Fact]
    public void An_attribute_that_is_set_is_the_only_thing_that_changes() =>
        Gen.Select(Text, Gen.String[Gen.Char["a<&>\"'é "], 0, 6]).Sample((text, value) =>
        {
            var bytes = Encoding.UTF8.GetBytes(text);
            Assert.Equal(bytes, XmlEdit.SetAttributes(bytes, a => a.Value));
            var set = Encoding.UTF8.GetString(XmlEdit.SetAttributes(bytes, a => a is { Element: "a", Name: "old" } ? value : null));
            var (before, after) = (Read(text), Read(set));
            foreach (var element in before.Descendants("a")) element.SetAttributeValue("old", value);
            Assert.Equal(before.ToString(SaveOptions.DisableFormatting), after.ToString(SaveOptions.DisableFormatting));
            // What stands around the values is the same to the letter.
            Assert.Equal(Around(text), Around(set));
        });

    private static XDocument Read(string text) => XDocument.Parse(text.TrimStart('\uFEFF'), LoadOptions.PreserveWhitespace);

    private static string Around(string text) =>
        string.Concat(text.Split("<a").Select((part, i) => i == 0 ? part : Without(part)));

    private static string Without(string part)
    {
        var open = part.IndexOfAny(['"', '\'']);
        return part[..(open + 1)] + part[part.IndexOf(part[open], open + 1)..];
    }
}
