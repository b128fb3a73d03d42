using Underlay.Core.Manifests;

namespace Underlay.Files.Tests;

/// <summary>What the author said once is kept, and a damaged file of it is told.</summary>
public sealed class AuthorFileTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("underlay-author-").FullName;

    private string At => Path.Combine(folder, "deep", "author.json");

    public void Dispose() => Directory.Delete(folder, recursive: true);

    [Fact]
    public void What_was_said_comes_back()
    {
        Assert.Equal(Author.Unknown, AuthorFile.Read(At));
        AuthorFile.Write(At, new Author("Tove “T” Salter", "saltbrook"));
        AuthorFile.Write(At, new Author("Tove Salter", "moorside"));
        Assert.Equal(new Author("Tove Salter", "moorside"), AuthorFile.Read(At));
        Assert.Single(Directory.GetFiles(Path.GetDirectoryName(At)!));
    }

    [Theory]
    [InlineData("{ \"name\": ")]
    [InlineData("[]")]
    [InlineData("{ \"name\": 7 }")]
    [InlineData("{ \"prefix\": \"Two Words\" }")]
    public void A_damaged_file_is_told_with_its_path(string text)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(At)!);
        File.WriteAllText(At, text);
        Assert.Contains(At, Assert.Throws<InvalidDataException>(() => AuthorFile.Read(At)).Message, StringComparison.Ordinal);
    }
}
