using CsCheck;

namespace Underlay.Core.Tests.Packs;

public class NewPackTests
{
    [Theory]
    [InlineData("Tide Wares", "tide_wares")]
    [InlineData("  Tide -- Wares!  ", "tide_wares")]
    [InlineData("Crème Brûlée 2", "creme_brulee_2")]
    [InlineData("…", "pack")]
    public void A_name_is_derived_from_the_title(string title, string name) => Assert.Equal(name, NewPack.NameOf(title));

    [Fact]
    public void A_new_manifest_is_accepted_by_the_host_whatever_the_title() =>
        Gen.String[Gen.Char["aZ9 \"\\{}%é…"], 1, 40].Select(t => $"T{t}").Sample(title =>
        {
            var write = NewPack.Manifest(Repository.Kilnmoor, title, Repository.Kilnmoor.Newest, "saltbrook");
            var facts = ManifestFacts.Read(Repository.Kilnmoor, FileTree.Empty.With([write]));
            Assert.True(facts.IsSound, string.Join("; ", facts.Faults.Select(f => f.Says)));
            Assert.Equal(title, facts.Title);
            Assert.Equal($"saltbrook.{NewPack.NameOf(title)}", facts.Id);
        });
}
