namespace Underlay.Core.Tests.Checks;

public class DocumentationTests
{
    [Fact]
    public void Every_check_has_a_section_and_every_section_a_check()
    {
        var headings = File.ReadLines(Path.Combine(Repository.Root, "docs", "checks.md"))
            .Where(l => l.StartsWith("### ", StringComparison.Ordinal))
            .Select(l => l[4..].Trim());
        Assert.Equal(CheckList.Codes.Select(c => c.Value).Order(), headings.Order());
    }
}
