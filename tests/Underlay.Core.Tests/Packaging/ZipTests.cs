using System.Buffers.Binary;
using System.IO.Compression;
using System.Text;
using CsCheck;
using Underlay.Core.Hosts;
using Underlay.Core.Packaging;

namespace Underlay.Core.Tests.Packaging;

public class ZipTests
{
    private static readonly Gen<Dictionary<string, byte[]>> AnyFiles =
        Gen.Dictionary(
            Gen.String[Gen.Char["abcé/_🏺"], 1, 12].Where(t => PackPath.TryParse(t, out _, out _)),
            Gen.OneOf(Gen.Byte.Array[0, 300], Gen.Byte.Select(b => Enumerable.Repeat(b, 5000).ToArray())))[0, 12]
            .Where(files => files.Keys.All(k => !files.Keys.Any(o => o.StartsWith(k + "/", StringComparison.Ordinal))));

    private static byte[] Pack(IEnumerable<KeyValuePair<string, byte[]>> files, EntryMethod method = EntryMethod.Deflated)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipWriter(stream))
        {
            foreach (var (path, bytes) in files) zip.Write(ZipWriter.Pack(PackPath.Parse(path), bytes, method));
            zip.Finish();
        }

        return stream.ToArray();
    }

    private static ArchiveProblem Refused(byte[] archive, ArchiveLimits? limits = null) =>
        ZipReader.Read(archive, limits ?? ArchiveLimits.Standard).Problem!;

    [Fact]
    public void What_is_packed_comes_out_again() =>
        Gen.Select(AnyFiles, Gen.OneOfConst(EntryMethod.Stored, EntryMethod.Deflated)).Sample((files, method) =>
        {
            var tree = ZipReader.Read(Pack(files, method), ArchiveLimits.Standard).Tree!;
            Assert.Equal(files.OrderBy(f => f.Key, StringComparer.Ordinal).Select(f => f.Key), tree.Files.Select(f => f.Path.Value));
            foreach (var file in tree.Files) Assert.Equal(files[file.Path.Value], file.ReadAll());
        });

    [Fact]
    public void Another_reader_reads_the_same() =>
        AnyFiles.Sample(
            files =>
            {
                using var zip = new ZipArchive(new MemoryStream(Pack(files)));
                foreach (var entry in zip.Entries)
                {
                    using var bytes = new MemoryStream();
                    using (var stream = entry.Open()) stream.CopyTo(bytes);
                    Assert.Equal(files[entry.FullName], bytes.ToArray());
                }

                Assert.Equal(files.Count, zip.Entries.Count);
            },
            iter: 50);

    [Fact]
    public void Archives_of_another_writer_are_read_with_folders_comments_and_streamed_entries()
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(new UnseekableStream(stream), ZipArchiveMode.Create, leaveOpen: true))
        {
            zip.Comment = "made elsewhere";
            zip.CreateEntry("art/");
            using var entry = zip.CreateEntry("art/a.txt").Open();
            entry.Write(Encoding.UTF8.GetBytes(new string('a', 3000)));
        }

        var file = Assert.Single(ZipReader.Read(stream.ToArray(), ArchiveLimits.Standard).Tree!.Files);
        Assert.Equal(("art/a.txt", 3000), (file.Path.Value, file.ReadAll().Length));
    }

    [Theory]
    [InlineData("parent", "could leave the pack")]
    [InlineData("absolute", "root of the disk")]
    [InlineData("drive", "reserve")]
    [InlineData("backslash", "backslash")]
    [InlineData("link", "link")]
    [InlineData("repeated", "holds both")]
    [InlineData("case", "“a.txt” and “A.txt”")]
    [InlineData("not utf8", "not UTF-8")]
    [InlineData("encrypted", "encrypted")]
    [InlineData("method", "method 14")]
    [InlineData("crc", "wrong CRC")]
    [InlineData("longer than said", "more than it says")]
    [InlineData("shorter than said", "before its last byte")]
    [InlineData("no zip", "no ZIP archive")]
    [InlineData("empty", "is empty")]
    [InlineData("cut in the directory", "ends in the middle")]
    [InlineData("cut in front", "directory that lies outside of it")]
    public void A_broken_archive_is_refused_in_words(string how, string word) =>
        Assert.Contains(word, Refused(ZipParts.Broken(how)).Says, StringComparison.Ordinal);

    [Fact]
    public void An_archive_of_too_many_entries_is_refused_by_its_count()
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
            for (var i = 0; i < 70_000; i++) zip.CreateEntry($"{i}");
        var problem = ZipReader.Read(stream.ToArray(), ArchiveLimits.Standard with { Entries = 60_000 }).Problem!;
        Assert.Equal(
            (ArchiveProblemKind.TooBig, "The archive has 70,000 entries; at most 60,000 are allowed."),
            (problem.Kind, problem.Says));
    }

    [Theory]
    [InlineData(65_534, 22)]
    [InlineData(65_535, 22 + 56 + 20)]
    [InlineData(70_000, 22 + 56 + 20)]
    public void More_entries_than_a_plain_ZIP_can_count_are_written_and_read(int count, int endBytes)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipWriter(stream))
        {
            for (var i = 0; i < count; i++) zip.Write(ZipWriter.Pack(PackPath.Parse($"f{i:D6}"), new[] { (byte)i }, EntryMethod.Stored));
            zip.Finish();
        }

        // Headers of 30 and 46 bytes, the name twice, one byte each, and the end.
        Assert.Equal((count * (30 + 46 + 14 + 1L)) + endBytes, stream.Length);
        var read = ZipReader.Read(stream.ToArray(), ArchiveLimits.Standard).Tree!;
        Assert.Equal(count, read.Files.Count);
        Assert.Equal((byte)(count - 1), Assert.Single(read.Files[^1].ReadAll()));
        using var other = new ZipArchive(stream, ZipArchiveMode.Read);
        Assert.Equal(count, other.Entries.Count);
        Assert.Equal($"f{count - 1:D6}", other.Entries[^1].FullName);
    }

    [Fact]
    public void An_entry_that_claims_2_GB_is_refused_before_it_is_unpacked()
    {
        var problem = Refused(ZipParts.Write(new ZipPart("a", "x") { Deflated = true, ClaimedLength = 2_000_000_000 }));
        Assert.Equal((ArchiveProblemKind.TooBig, "a"), (problem.Kind, problem.Entry));
        Assert.Contains("claims 2,000,000,000 bytes", problem.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void An_entry_that_grows_too_much_is_refused_before_it_is_unpacked() =>
        Assert.Contains(
            "250 times",
            Refused(ZipParts.Write(new ZipPart(Encoding.UTF8.GetBytes("a"), new byte[4_000_000]) { Deflated = true })).Says,
            StringComparison.Ordinal);

    [Fact]
    public void Many_entries_that_are_too_large_together_are_refused() =>
        Assert.Contains(
            "claims 3,000 bytes when unpacked",
            Refused(
                ZipParts.Write([.. Enumerable.Range(0, 3).Select(i => new ZipPart($"{i}", new string('a', 1000)))]),
                ArchiveLimits.Standard with { TotalBytes = 2999 }).Says,
            StringComparison.Ordinal);

    [Fact]
    public void An_archive_inside_is_a_file_like_any_other_and_is_not_opened()
    {
        var inner = ZipParts.Write(new ZipPart("../evil"));
        var outer = ZipReader.Read(ZipParts.Write(new ZipPart(Encoding.UTF8.GetBytes("inner.zip"), inner)), ArchiveLimits.Standard).Tree!;
        Assert.Equal(inner, Assert.Single(outer.Files).ReadAll());
    }

    [Fact]
    public void Entries_that_share_bytes_are_refused()
    {
        var archive = ZipParts.Write(new ZipPart("a", "aaaa"), new ZipPart("b", "bbbb"));
        var second = archive.AsSpan().LastIndexOf("PK\u0001\u0002"u8);
        BinaryPrimitives.WriteUInt32LittleEndian(archive.AsSpan(second + 42), 0);
        Assert.Contains("overlaps", Refused(archive).Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_name_that_differs_at_the_data_is_refused() =>
        Assert.Contains(
            "another name at its data",
            Refused(ZipParts.Write(new ZipPart("a") { LocalName = [0x62] })).Says,
            StringComparison.Ordinal);

    [Fact]
    public void Cutting_an_archive_anywhere_makes_it_refused()
    {
        var archive = Pack(new Dictionary<string, byte[]> { ["a"] = [1, 2, 3], ["b/c"] = new byte[400] });
        for (var length = 0; length < archive.Length; length++) Assert.NotNull(Refused(archive[..length]));
    }

    [Fact]
    public void Damage_anywhere_is_refused_or_does_no_harm() =>
        Gen.Select(AnyFiles, Gen.Int[0, 100_000], Gen.Byte[1, 255]).Sample((files, at, flip) =>
        {
            var archive = Pack(files);
            archive[at % archive.Length] ^= flip;
            var result = ZipReader.Read(archive, ArchiveLimits.Standard);
            Assert.True(result.Problem is { Says.Length: > 0 } || result.Tree!.Files.All(f => f.ReadAll().Length == f.Length));
        });

    private sealed class UnseekableStream(Stream inner) : Stream
    {
        public override bool CanRead => false;

        public override bool CanSeek => false;

        public override bool CanWrite => true;

        public override long Length => throw new NotSupportedException();

        public override long Position
        {
            get => throw new NotSupportedException();
            set => throw new NotSupportedException();
        }

        public override void Flush() => inner.Flush();

        public override int Read(byte[] buffer, int offset, int count) => throw new NotSupportedException();

        public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

        public override void SetLength(long value) => throw new NotSupportedException();

        public override void Write(byte[] buffer, int offset, int count) => inner.Write(buffer, offset, count);
    }
}
