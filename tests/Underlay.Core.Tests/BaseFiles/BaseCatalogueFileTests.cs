using Underlay.Core.BaseFiles;

namespace Underlay.Core.Tests.BaseFiles;

public class BaseCatalogueFileTests
{
    private static byte[] Written()
    {
        using var stream = new MemoryStream();
        BaseCatalogueFile.Write(SmallBase.Catalogue, stream);
        return stream.ToArray();
    }

    [Fact]
    public void A_catalogue_comes_back_as_it_was()
    {
        var read = BaseCatalogueFile.Read(Repository.Kilnmoor, Repository.Kilnmoor.Newest, new MemoryStream(Written()), SmallBase.Catalogue.Read!)!;
        Assert.Equal(SmallBase.Catalogue.Files.Select(f => (f.Path, f.Place, f.Bindings, f.Facts.Hash, f.Facts.Length, f.Facts.Picture)), read.Files.Select(f => (f.Path, f.Place, f.Bindings, f.Facts.Hash, f.Facts.Length, f.Facts.Picture)));
        Assert.Equal(SmallBase.Catalogue.Files.Select(f => f.Facts.Entry?.Text.Root.GetRawText()), read.Files.Select(f => f.Facts.Entry?.Text.Root.GetRawText()));
        Assert.Equal(SmallBase.Catalogue.Codebooks["materials"].Codes, read.Codebooks["materials"].Codes);
        Assert.Equal(["bowl", "jug"], read.Codebooks["shapes"].Codes.Select(c => c.Value));
    }

    [Fact]
    public void One_that_is_cut_or_of_another_edition_is_not_read()
    {
        var bytes = Written();
        Assert.Null(BaseCatalogueFile.Read(Repository.Kilnmoor, Repository.Kilnmoor.Editions[0], new MemoryStream(bytes), SmallBase.Catalogue.Read!));
        for (var length = 0; length < bytes.Length; length += 37)
            Assert.Null(BaseCatalogueFile.Read(Repository.Kilnmoor, Repository.Kilnmoor.Newest, new MemoryStream(bytes, 0, length), SmallBase.Catalogue.Read!));
    }
}
