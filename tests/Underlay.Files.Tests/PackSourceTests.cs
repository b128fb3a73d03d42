using Underlay.Core.Packaging;
using Underlay.Testing;

namespace Underlay.Files.Tests;

public class PackSourceTests
{
    [Fact]
    public void A_folder_and_its_package_open_to_the_same_files()
    {
        using var folder = new TemporaryFolder();
        var pack = APack.Of().WithSurface("saltbrook_shore", Picture.Of(64, 64));
        FolderWriter.WriteAll(folder.At("shore"), pack.Tree);
        using (var package = File.Create(folder.At("shore.kilnmoor")))
            PackageBuilder.Write(Repository.Kilnmoor, PackageBuilder.Plan(Repository.Kilnmoor, pack.Tree).Files, package);
        var opened = PackSource.Open(folder.At("shore"), Repository.Kilnmoor);
        var package2 = PackSource.Open(folder.At("shore.kilnmoor"), Repository.Kilnmoor);
        Assert.Equal(("shore", true, "shore", false), (opened.Name, opened.IsFolder, package2.Name, package2.IsFolder));
        Assert.Equal(opened.Tree.Files.Select(f => f.Path), package2.Tree.Files.Select(f => f.Path));
    }

    [Fact]
    public void What_is_no_archive_is_refused_in_words_and_what_is_not_there_is_said_not_to_be()
    {
        using var folder = new TemporaryFolder().With("notes.kilnmoor", "no archive");
        var source = PackSource.Open(folder.At("notes.kilnmoor"), Repository.Kilnmoor);
        Assert.NotNull(source.Problem);
        Assert.Empty(source.Tree.Files);
        Assert.Throws<FileNotFoundException>(() => PackSource.Open(folder.At("none.kilnmoor"), Repository.Kilnmoor));
    }

    [Fact]
    public void A_profile_that_cannot_be_read_says_where()
    {
        using var hosts = new TemporaryFolder().With("broken/host.json", "{ \"host\": 7 }").With("notes.txt", "");
        Assert.Equal(["broken"], ProfileFolder.List(hosts.Path));
        var problem = Assert.Throws<InvalidDataException>(() => ProfileFolder.Read(hosts.Path, "broken"));
        Assert.Contains("host.json", problem.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_trial_without_its_program_says_which_is_missing()
    {
        using var folder = new TemporaryFolder();
        var host = Repository.Kilnmoor;
        var problem = await Assert.ThrowsAsync<FileNotFoundException>(
            () => new TrialRunner(folder.Path).RunAsync(host, folder.Path, host.Newest, insist: false, []));
        Assert.Contains(host.Title, problem.Message, StringComparison.Ordinal);
    }
}
