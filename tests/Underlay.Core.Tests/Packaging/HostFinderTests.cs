using Underlay.Core.Packaging;

namespace Underlay.Core.Tests.Packaging;

public class HostFinderTests
{
    private static string? Find(string name, params string[] paths) =>
        HostFinder.Find(
            [Repository.Kilnmoor, Repository.Wrenfield],
            name,
            FileTree.OfBytes(paths.Select(p => KeyValuePair.Create(PackPath.Parse(p), Array.Empty<byte>()))))?.Key;

    [Theory]
    [InlineData("kilnmoor", "mine.kilnmoor", "notes.txt")]
    [InlineData("wrenfield", "MINE.WRENFIELD", "firing.json")]
    [InlineData("kilnmoor", "mine.zip", "firing.json")]
    [InlineData("kilnmoor", "mine.zip", "deep/in/it/firing.json")]
    [InlineData("wrenfield", "", "mine/guide.toml", "mine/a.txt")]
    [InlineData("kilnmoor", "", "art/surfaces/quartz.png")]
    [InlineData("kilnmoor", "", "mine/art/surfaces/quartz.png")]
    public void A_pack_says_its_host_by_ending_manifest_or_places(string host, string name, params string[] paths) =>
        Assert.Equal(host, Find(name, paths));

    [Theory]
    [InlineData("mine.zip", "notes.txt")]
    [InlineData("mine.zip", "firing.json", "guide.toml")]
    [InlineData("")]
    public void One_that_says_none_or_two_is_asked_about(string name, params string[] paths) => Assert.Null(Find(name, paths));
}
