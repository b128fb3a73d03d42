using Underlay.Core.BaseFiles;

namespace Underlay.Core.Tests.BaseFiles;

public class BaseCatalogueFileTests
{
    private static byte[] Written() => Written(SmallBase.Catalogue);

    private static byte[] Written(BaseCatalogue catalogue)
    {
        using var stream = new MemoryStream();
        BaseCatalogueFile.Write(catalogue, stream);
        return stream.ToArray();
    }

    /// <summary>All that the checks look at, in both hosts and each edition.</summary>
    [Theory]
    [InlineData("kilnmoor")]
    [InlineData("wrenfield")]
    public void Every_fact_comes_back(string host)
    {
        var profile = host == "kilnmoor" ? Repository.Kilnmoor : Repository.Wrenfield;
        foreach (var edition in profile.Editions)
        {
            var catalogue = host == "kilnmoor" ? SmallBase.Of(edition) : SmallLibrary.Of(edition);
            var read = BaseCatalogueFile.Read(profile, edition, new MemoryStream(Written(catalogue)), catalogue.Read!)!;
            Assert.Equal(
                catalogue.Files.Select(f => (f.Path, f.Facts.Picture?.Pixels)),
                read.Files.Select(f => (f.Path, f.Facts.Picture?.Pixels)));
            Assert.Equal(catalogue.Files.Select(f => f.Facts.Unreadable), read.Files.Select(f => f.Facts.Unreadable));
            foreach (var (was, now) in catalogue.Files.Zip(read.Files))
            {
                Assert.Equal(was.Facts.Table?.Columns, now.Facts.Table?.Columns);
                Assert.Equal(
                    was.Facts.Table?.Rows.Select(r => (r.Key, r.Deed, r.Line, string.Join('|', r.Values))),
                    now.Facts.Table?.Rows.Select(r => (r.Key, r.Deed, r.Line, string.Join('|', r.Values))));
                Assert.Equal(
                    was.Facts.Index?.Rows.Select(r => (string.Join('/', r.Codes), r.File, r.Span)),
                    now.Facts.Index?.Rows.Select(r => (string.Join('/', r.Codes), r.File, r.Span)));
            }
        }
    }

    [Fact]
    public void A_catalogue_comes_back_as_it_was()
    {
        var read = BaseCatalogueFile.Read(
            Repository.Kilnmoor,
            Repository.Kilnmoor.Newest,
            new MemoryStream(Written()),
            SmallBase.Catalogue.Read!)!;
        Assert.Equal(
            SmallBase.Catalogue.Files.Select(f => (f.Path, f.Place, f.Bindings, f.Facts.Hash, f.Facts.Length, f.Facts.Picture)),
            read.Files.Select(f => (f.Path, f.Place, f.Bindings, f.Facts.Hash, f.Facts.Length, f.Facts.Picture)));
        Assert.Equal(
            SmallBase.Catalogue.Files.Select(f => f.Facts.Entry?.Text.Root.GetRawText()),
            read.Files.Select(f => f.Facts.Entry?.Text.Root.GetRawText()));
        Assert.Equivalent(SmallBase.Catalogue.Codebooks["materials"].Codes, read.Codebooks["materials"].Codes, strict: true);
        Assert.Equal(["bowl", "jug", "slab"], read.Codebooks["shapes"].Codes.Select(c => c.Value));
    }

    [Fact]
    public void One_that_is_cut_or_of_another_edition_is_not_read()
    {
        var bytes = Written();
        Assert.Null(
            BaseCatalogueFile.Read(
                Repository.Kilnmoor,
                Repository.Kilnmoor.Editions[0],
                new MemoryStream(bytes),
                SmallBase.Catalogue.Read!));
        for (var length = 0; length < bytes.Length; length += 37)
            Assert.Null(
                BaseCatalogueFile.Read(
                    Repository.Kilnmoor,
                    Repository.Kilnmoor.Newest,
                    new MemoryStream(bytes, 0, length),
                    SmallBase.Catalogue.Read!));
    }
}
