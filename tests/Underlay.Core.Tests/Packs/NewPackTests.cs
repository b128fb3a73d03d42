using CsCheck;
using Underlay.Core.Manifests;

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
    public void A_new_manifest_is_accepted_by_its_host_whatever_the_title() =>
        Gen.Select(
            Gen.OneOfConst(Repository.Kilnmoor, Repository.Wrenfield),
            Gen.String[Gen.Char["aZ9 \"\\{}%&é…"], 1, 40].Select(t => $"T{t}")).Sample((host, title) =>
        {
            var write = NewPack.Manifest(host, title, host.Newest, $"Tove & {title}", "saltbrook", NewPack.NameOf(title));
            var facts = ManifestFacts.Read(host, FileTree.Empty.With([write]));
            Assert.True(facts.IsSound, string.Join("; ", facts.Faults.Select(f => f.Says)));
            Assert.Equal(title, facts.Title);
            Assert.Equal($"Tove & {title}", facts.Text!.FindString(host.Manifest.AuthorField));
            if (host == Repository.Kilnmoor) Assert.Equal($"saltbrook.{NewPack.NameOf(title)}", facts.Id);
        });

    [Fact]
    public void Two_packs_of_one_author_get_ids_of_their_own()
    {
        var names = new HashSet<string> { "tide_wares", "tide_wares_2" };
        Assert.Equal("tide_wares_3", NewPack.FreeName("tide_wares", names));
        Assert.Equal("reeds", NewPack.FreeName("reeds", names));
        foreach (var host in new[] { Repository.Kilnmoor, Repository.Wrenfield })
        {
            var ids = new[] { "tide_wares", "tide_wares_3" }.Select(
                name =>
                    ManifestFacts.Read(
                        host,
                        FileTree.Empty.With([NewPack.Manifest(host, "Tide Wares", host.Newest, "Tove", "saltbrook", name)])).Id);
            Assert.Equal(2, ids.Distinct().Count());
        }
    }
}
