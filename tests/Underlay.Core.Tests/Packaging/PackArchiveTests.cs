using System.Buffers.Binary;
using System.Formats.Tar;
using Underlay.Core.Packaging;
using Underlay.Testing.Fuzzing;

namespace Underlay.Core.Tests.Packaging;

/// <summary>Whatever authors call an archive and wrap around a pack: the pack is found in it, or what it is is said.</summary>
public class PackArchiveTests
{
    private static readonly APack Pack = APack.Of().With("art/surfaces/flagstone.png", Picture.Of(64, 64));

    private static OpenedPack Open(byte[] archive) => PackArchive.Open(Repository.Kilnmoor, archive, ArchiveLimits.Standard);

    private static byte[] Zip(APack pack, string below = "") =>
        ZipParts.Write([.. pack.Files.Select(f => new ZipPart(System.Text.Encoding.UTF8.GetBytes(below + f.Key), f.Value))]);

    private static byte[] Tar(APack pack, string below, TarEntryFormat format)
    {
        using var file = new MemoryStream();
        using (var tar = new TarWriter(file, format, leaveOpen: true))
        {
            if (below.Length > 0)
                tar.WriteEntry(
                    format == TarEntryFormat.Pax
                        ? new PaxTarEntry(TarEntryType.Directory, below)
                        : new UstarTarEntry(TarEntryType.Directory, below));
            foreach (var (path, bytes) in pack.Files)
            {
                TarEntry entry = format == TarEntryFormat.Pax
                    ? new PaxTarEntry(TarEntryType.RegularFile, below + path)
                    : new UstarTarEntry(TarEntryType.RegularFile, below + path);
                entry.DataStream = new MemoryStream(bytes);
                tar.WriteEntry(entry);
            }
        }

        return file.ToArray();
    }

    [Theory]
    [InlineData("")]
    [InlineData("tide/")]
    [InlineData("download/tide pool (1)/pack/")]
    public void A_pack_is_found_out_of_the_folders_around_it(string below)
    {
        foreach (var archive in new[] { Zip(Pack, below), Tar(Pack, below, TarEntryFormat.Ustar), Tar(Pack, below, TarEntryFormat.Pax) })
        {
            var opened = Open(archive);
            Assert.Null(opened.Problem);
            Assert.Equal(below.TrimEnd('/'), opened.Around);
            Assert.Equal(Pack.Files.Keys.Order(StringComparer.Ordinal), opened.Tree.Files.Select(f => f.Path.Value));
        }
    }

    [Fact]
    public void Without_a_manifest_one_folder_around_all_is_taken_off_and_the_host_s_own_is_not()
    {
        var bare = Pack.Without("firing.json");
        Assert.Equal("my things", Open(Zip(bare, "my things/")).Around);
        Assert.Equal("", Open(Zip(bare)).Around);
    }

    [Fact]
    public void What_systems_put_beside_a_folder_hides_no_pack()
    {
        var opened = Open(
            Zip(
                new APack(Pack.Files.ToDictionary(f => "tide/" + f.Key, f => f.Value))
                    .With("__rest/tide/._firing.json", [1])
                    .With(".DS_Store", [1])
                    .With("tide/Thumbs.db", [1])));
        Assert.Equal("tide", opened.Around);
        Assert.Contains(opened.Tree.Files, f => f.Path.Value == "firing.json");
    }

    [Theory]
    [InlineData("377ABCAF271C0004", "7z")]
    [InlineData("526172211A0700CF", "RAR")]
    [InlineData("1F8B080000000000", "gzip")]
    [InlineData("FD377A585A000000", "xz")]
    public void An_archive_of_another_kind_is_named_and_what_to_do_is_said(string begins, string name)
    {
        var problem = Open([.. Convert.FromHexString(begins), .. new byte[100]]).Problem;
        Assert.Equal(
            $"It is a {name} archive, and Underlay opens ZIP and TAR: unpack it and open the folder, or pack it anew as ZIP.",
            problem?.Says);
    }

    [Theory]
    [InlineData("art/surfaces", "art/surfaces/x.png")]
    [InlineData("art/surfaces/x.png", "art/surfaces")]
    [InlineData("Art/Surfaces/x.png", "art/surfaces")]
    [InlineData("a", "a/b/c/d")]
    public void A_file_and_a_folder_of_one_name_are_unsafe_in_either_order(string first, string second)
    {
        Assert.Equal(
            ArchiveProblemKind.Unsafe,
            ZipReader.Read(ZipParts.Write(new ZipPart(first), new ZipPart(second)), ArchiveLimits.Standard).Problem?.Kind);
        var folded = new FoldedPaths();
        Assert.Null(folded.TryAdd(first));
        Assert.Equal(PathProblem.FileAndFolder, folded.TryAdd(second));
    }

    [Fact]
    public void A_folder_entry_beside_a_file_of_its_name_is_unsafe() =>
        Assert.Equal(
            ArchiveProblemKind.Unsafe,
            ZipReader.Read(
                ZipParts.Write(new ZipPart("art/surfaces"), new ZipPart("art/surfaces/", "")),
                ArchiveLimits.Standard).Problem?.Kind);

    [Fact]
    public void A_link_in_a_TAR_is_unsafe()
    {
        using var file = new MemoryStream();
        using (var tar = new TarWriter(file, TarEntryFormat.Ustar, leaveOpen: true))
            tar.WriteEntry(new UstarTarEntry(TarEntryType.SymbolicLink, "firing.json") { LinkName = "/etc/hosts" });
        Assert.Equal(ArchiveProblemKind.Unsafe, Open(file.ToArray()).Problem?.Kind);
    }

    [Theory]
    [InlineData("../firing.json")]
    [InlineData("/firing.json")]
    [InlineData("art\\x.png")]
    public void A_name_in_a_TAR_that_leads_out_is_unsafe(string name)
    {
        var problem = Open(Tar(APack.Empty.With(name, [1]), "", TarEntryFormat.Pax)).Problem;
        Assert.Equal((ArchiveProblemKind.Unsafe, name), (problem!.Kind, problem.Entry));
    }

    [Fact]
    public void A_TAR_of_512_bytes_that_claims_200_MB_is_damaged_and_makes_no_room_for_them()
    {
        var tar = Tar(APack.Empty.With("a.txt", [1, 2, 3]), "", TarEntryFormat.Ustar)[..512];
        System.Text.Encoding.ASCII.GetBytes("01372000000\0").CopyTo(tar, 124);
        tar.AsSpan(148, 8).Fill((byte)' ');
        var sum = tar.Sum(b => b);
        System.Text.Encoding.ASCII.GetBytes(Convert.ToString(sum, 8).PadLeft(6, '0') + "\0 ").CopyTo(tar, 148);
        var allocated = GC.GetAllocatedBytesForCurrentThread();
        Assert.Equal(ArchiveProblemKind.Damaged, Open(tar).Problem?.Kind);
        Assert.True(GC.GetAllocatedBytesForCurrentThread() - allocated < 1 << 20);
    }

    [Theory]
    [InlineData(long.MaxValue)]
    [InlineData(long.MaxValue - 100)]
    [InlineData(long.MinValue)]
    [InlineData(-1)]
    [InlineData(uint.MaxValue)]
    [InlineData(21)]
    public void A_ZIP64_length_that_the_archive_cannot_hold_is_damaged(long packed)
    {
        var problem = ZipReader.Read(ArchiveIntakes.Zip64(packed), ArchiveLimits.Standard).Problem;
        Assert.Equal(ArchiveProblemKind.Damaged, problem?.Kind);
        Assert.Contains("a.json", problem!.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_ZIP64_length_that_is_right_is_read() =>
        Assert.Equal(20, Assert.Single(ZipReader.Read(ArchiveIntakes.Zip64(20), ArchiveLimits.Standard).Tree!.Files).Length);

    [Theory]
    [InlineData(8)]
    [InlineData(10)]
    public void A_count_of_entries_that_the_directory_cannot_hold_is_damaged(int at)
    {
        var archive = ZipParts.Write(new ZipPart("a"));
        BinaryPrimitives.WriteUInt16LittleEndian(archive.AsSpan(archive.Length - 22 + at), 40_000);
        if (at == 10) Assert.Equal(ArchiveProblemKind.Damaged, ZipReader.Read(archive, ArchiveLimits.Standard).Problem?.Kind);
        else Assert.NotNull(ZipReader.Read(archive, ArchiveLimits.Standard).Tree);
    }
}
