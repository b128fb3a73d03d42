using Underlay.Core.Packs;
using Underlay.Testing;

namespace Underlay.Files.Tests;

public class CacheTests
{
    private static readonly string Profile = Path.Combine(Repository.Hosts, "kilnmoor");

    private static TemporaryFolder ASmallBase() => Filled(Picture.Of(64, 64).ToPng());

    private static TemporaryFolder Filled(byte[] surface)
    {
        var folder = new TemporaryFolder();
        FolderWriter.WriteFile(folder.At("art/surfaces/quartz.png"), surface);
        return folder;
    }

    [Fact]
    public void A_base_is_examined_once_and_again_when_it_changes()
    {
        using var cache = new TemporaryFolder();
        using var folder = ASmallBase();
        var host = Repository.Kilnmoor;
        var first = new BaseCache(cache.Path).Get(host, Profile, host.Newest, folder.Path);
        var kept = Assert.Single(cache.Files);
        var second = new BaseCache(cache.Path).Get(host, Profile, host.Newest, folder.Path);
        Assert.Equal(first.Files.Select(f => (f.Path, f.Facts.Hash)), second.Files.Select(f => (f.Path, f.Facts.Hash)));
        Assert.Equal([kept], cache.Files);

        FolderWriter.WriteFile(folder.At("art/surfaces/quartz.png"), Picture.Of(128, 128).ToPng());
        var third = new BaseCache(cache.Path).Get(host, Profile, host.Newest, folder.Path);
        Assert.NotEqual(first.Files[0].Facts.Hash, third.Files[0].Facts.Hash);
        Assert.Equal(2, cache.Files.Count());
    }

    [Fact]
    public void A_catalogue_that_was_damaged_is_made_anew()
    {
        using var cache = new TemporaryFolder();
        using var folder = ASmallBase();
        var host = Repository.Kilnmoor;
        var first = new BaseCache(cache.Path).Get(host, Profile, host.Newest, folder.Path);
        var kept = cache.At(Assert.Single(cache.Files));
        foreach (var damaged in new[] { [], File.ReadAllBytes(kept)[..^7], "no catalogue"u8.ToArray() })
        {
            File.WriteAllBytes(kept, damaged);
            var again = new BaseCache(cache.Path).Get(host, Profile, host.Newest, folder.Path);
            Assert.Equal(first.Files.Select(f => f.Facts.Hash), again.Files.Select(f => f.Facts.Hash));
        }
    }

    [Fact]
    public void Base_files_are_made_once_and_anew_for_another_version()
    {
        using var cache = new TemporaryFolder();
        var made = 0;
        FileTree Make()
        {
            made++;
            return FileTree.OfBytes([KeyValuePair.Create(PackPath.Parse("a.txt"), "one"u8.ToArray())]);
        }

        var first = new BaseFolders(cache.Path, 1).Get("base/host/1", Make);
        Assert.Equal(first, new BaseFolders(cache.Path, 1).Get("base/host/1", Make));
        Assert.Equal((1, "one"), (made, File.ReadAllText(Path.Combine(first, "a.txt"))));
        Assert.NotEqual(first, new BaseFolders(cache.Path, 2).Get("base/host/1", Make));
        Assert.Equal(2, made);
    }
}
