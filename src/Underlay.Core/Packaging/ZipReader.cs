using System.Buffers;
using System.Buffers.Binary;
using System.IO.Compression;
using System.IO.Hashing;
using System.Text;
using Underlay.Core.Formats.Png;
using Underlay.Core.Packs;

namespace Underlay.Core.Packaging;

/// <summary>A tree read from an archive, or what kept it from being read.</summary>
public sealed record ArchiveResult(FileTree? Tree, ArchiveProblem? Problem);

/// <summary>
/// Reads a ZIP whole and strictly: every name is checked, every entry unpacked once and its CRC compared, before anything is
/// handed out. An archive with anything wrong is refused; nothing of it is taken.
/// </summary>
/// <remarks>APPNOTE 6.3 (.ZIP File Format Specification), methods 0 and 8, ZIP64 sizes read.</remarks>
public sealed class ZipReader
{
    private const uint EndSignature = 0x06054b50;
    private const uint CentralSignature = 0x02014b50;
    private const uint LocalSignature = 0x04034b50;
    private const int EndLength = 22;
    private const int CentralLength = 46;
    private const int LocalLength = 30;
    private static readonly UTF8Encoding StrictUtf8 = new(false, throwOnInvalidBytes: true);

    private readonly ReadOnlyMemory<byte> archive;
    private readonly ArchiveLimits limits;

    private ZipReader(ReadOnlyMemory<byte> archive, ArchiveLimits limits)
    {
        this.archive = archive;
        this.limits = limits;
    }

    /// <summary>True when bytes begin as an archive's local header does.</summary>
    public static bool IsZip(ReadOnlySpan<byte> bytes) => bytes.StartsWith("PK\u0003\u0004"u8);

    /// <summary>Reads an archive held in memory.</summary>
    /// <param name="archive">Its bytes; kept as long as the tree is.</param>
    /// <param name="limits">How much it may hold.</param>
    /// <param name="cancel">Stops between two entries.</param>
    public static ArchiveResult Read(ReadOnlyMemory<byte> archive, ArchiveLimits limits, CancellationToken cancel = default)
    {
        try
        {
            return new ArchiveResult(new ZipReader(archive, limits).ReadTree(cancel), null);
        }
        catch (RefusedException refused)
        {
            return new ArchiveResult(null, refused.Problem);
        }
    }

    private FileTree ReadTree(CancellationToken cancel)
    {
        var entries = ReadDirectory();
        CheckNames(entries);
        foreach (var entry in entries)
        {
            if (entry.IsEncrypted) throw Damaged(entry.Name, "is encrypted: pack it without a password");
            if (entry.Method is not (0 or 8))
                throw Damaged(entry.Name, $"is packed by method {entry.Method}, where stored or deflated is wanted");
            if (entry.Length < 0 || entry.Length > limits.EntryBytes)
                throw TooBig(entry.Name, $"claims {Claimed(entry.Length)} bytes; at most {limits.EntryBytes:N0} are allowed");
            // Nothing in the archive lies beyond its end; told before any sum is made of it.
            if (entry.Packed < 0 || entry.Packed > archive.Length || entry.HeaderStart < 0 || entry.HeaderStart > archive.Length)
                throw Damaged(entry.Name, "ends outside the archive: it was cut off");
        }

        if (entries.Sum(e => e.Length) is var total && total > limits.TotalBytes)
            throw Refuse(
                ArchiveProblemKind.TooBig,
                "",
                $"The archive claims {total:N0} bytes when unpacked; at most {limits.TotalBytes:N0} are allowed.");
        LocateData(entries);
        VerifyAll(entries, cancel);
        return FileTree.Of(
            entries.Where(e => !e.IsFolder).Select(e => new TreeFile(PackPath.Parse(e.Name), e.Length, new EntryContent(this, e))));
    }

    private List<Entry> ReadDirectory()
    {
        var span = archive.Span;
        if (span.Length == 0) throw Damaged("", "is empty");
        var end = FindEnd(span);
        if (end < 0) throw Damaged("", span.StartsWith("PK"u8) ? "ends in the middle: its directory is missing" : "is no ZIP archive");
        long count = BinaryPrimitives.ReadUInt16LittleEndian(span[(end + 10)..]);
        long size = BinaryPrimitives.ReadUInt32LittleEndian(span[(end + 12)..]);
        long start = BinaryPrimitives.ReadUInt32LittleEndian(span[(end + 16)..]);
        var onDisk = BinaryPrimitives.ReadUInt16LittleEndian(span[(end + 4)..]);
        if (count == 0xFFFF || size == 0xFFFFFFFF || start == 0xFFFFFFFF)
            (count, size, start) = ReadZip64End(span, end) ?? (count, size, start);
        if (onDisk is not (0 or 0xFFFF)) throw Damaged("", "is one part of several");
        if (count < 0 || size < 0 || start < 0) throw Damaged("", "has a directory that lies outside of it");
        if (count > limits.Entries)
            throw Refuse(ArchiveProblemKind.TooBig, "", $"The archive has {count:N0} entries; at most {limits.Entries:N0} are allowed.");
        if (start > end || size > end - start) throw Damaged("", "has a directory that lies outside of it");
        if (count > size / CentralLength) throw Damaged("", "has a directory too short for its entries");
        var entries = new List<Entry>((int)count);
        var at = (int)start;
        var stop = (int)(start + size);
        for (var i = 0; i < count; i++)
        {
            if (stop - at < CentralLength || BinaryPrimitives.ReadUInt32LittleEndian(span[at..]) != CentralSignature)
                throw Damaged("", $"has a broken directory at entry {i + 1}");
            entries.Add(ReadCentral(span, ref at, stop, i));
        }

        if (at != stop) throw Damaged("", "has a directory of another length than it says");
        return entries;
    }

    private static int FindEnd(ReadOnlySpan<byte> span)
    {
        // The record ends with a comment of up to 65,535 bytes; the last signature whose comment fits exactly counts.
        for (var at = span.Length - EndLength; at >= 0 && at >= span.Length - EndLength - 0xFFFF; at--)
        {
            if (BinaryPrimitives.ReadUInt32LittleEndian(span[at..]) == EndSignature
                && at + EndLength + BinaryPrimitives.ReadUInt16LittleEndian(span[(at + 20)..]) == span.Length) return at;
        }

        return -1;
    }

    private static (long Count, long Size, long Start)? ReadZip64End(ReadOnlySpan<byte> span, int end)
    {
        if (end < 20 || BinaryPrimitives.ReadUInt32LittleEndian(span[(end - 20)..]) != 0x07064b50) return null;
        var at = BinaryPrimitives.ReadInt64LittleEndian(span[(end - 12)..]);
        if (at < 0 || at > end - 20 - 56 || BinaryPrimitives.ReadUInt32LittleEndian(span[(int)at..]) != 0x06064b50)
            throw Damaged("", "has a broken ZIP64 directory");
        var record = span[(int)at..];
        return (
            BinaryPrimitives.ReadInt64LittleEndian(record[32..]),
            BinaryPrimitives.ReadInt64LittleEndian(record[40..]),
            BinaryPrimitives.ReadInt64LittleEndian(record[48..]));
    }

    private static Entry ReadCentral(ReadOnlySpan<byte> span, ref int at, int stop, int index)
    {
        var head = span[at..];
        var flags = BinaryPrimitives.ReadUInt16LittleEndian(head[8..]);
        int nameLength = BinaryPrimitives.ReadUInt16LittleEndian(head[28..]);
        int extraLength = BinaryPrimitives.ReadUInt16LittleEndian(head[30..]);
        int commentLength = BinaryPrimitives.ReadUInt16LittleEndian(head[32..]);
        var next = at + CentralLength + nameLength + extraLength + commentLength;
        if (next > stop) throw Damaged("", $"has a broken directory at entry {index + 1}");
        var nameBytes = head.Slice(CentralLength, nameLength);
        long packed = BinaryPrimitives.ReadUInt32LittleEndian(head[20..]);
        long length = BinaryPrimitives.ReadUInt32LittleEndian(head[24..]);
        long start = BinaryPrimitives.ReadUInt32LittleEndian(head[42..]);
        ReadZip64Extra(head.Slice(CentralLength + nameLength, extraLength), ref length, ref packed, ref start);
        at = next;
        return new Entry
        {
            Name = DecodeName(nameBytes, index),
            RawName = nameBytes.ToArray(),
            IsEncrypted = (flags & 0x2041) != 0,
            Method = BinaryPrimitives.ReadUInt16LittleEndian(head[10..]),
            Crc = BinaryPrimitives.ReadUInt32LittleEndian(head[16..]),
            Packed = packed,
            Length = length,
            HeaderStart = start,
            // Only archives made on Unix carry file types; a type that is neither file nor folder is a link, pipe or device.
            UnixType = head[5] == 3 ? (int)(BinaryPrimitives.ReadUInt32LittleEndian(head[38..]) >> 28) : 0,
        };
    }

    private static void ReadZip64Extra(ReadOnlySpan<byte> extra, ref long length, ref long packed, ref long start)
    {
        while (extra.Length >= 4)
        {
            var id = BinaryPrimitives.ReadUInt16LittleEndian(extra);
            int size = BinaryPrimitives.ReadUInt16LittleEndian(extra[2..]);
            if (size > extra.Length - 4) return;
            var field = extra.Slice(4, size);
            extra = extra[(4 + size)..];
            if (id != 1) continue;
            length = Widen(length, ref field);
            packed = Widen(packed, ref field);
            start = Widen(start, ref field);
        }
    }

    private static long Widen(long value, ref ReadOnlySpan<byte> field)
    {
        if (value != 0xFFFFFFFF || field.Length < 8) return value;
        // A number of 2^63 and more comes out negative, and is refused as such.
        value = BinaryPrimitives.ReadInt64LittleEndian(field);
        field = field[8..];
        return value;
    }

    private static string DecodeName(ReadOnlySpan<byte> name, int index)
    {
        try
        {
            return StrictUtf8.GetString(name);
        }
        catch (DecoderFallbackException)
        {
            throw Refuse(ArchiveProblemKind.Unsafe, "", $"The name of entry {index + 1} is not UTF-8.");
        }
    }

    private static void CheckNames(List<Entry> entries)
    {
        var seen = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase);
        foreach (var entry in entries)
        {
            var name = entry.IsFolder ? entry.Name[..^1] : entry.Name;
            if (!PackPath.TryParse(name, out _, out var problem)) throw Unsafe(entry.Name, problem);
            if (entry.UnixType is not (0 or 8) && !(entry.UnixType == 4 && entry.IsFolder))
                throw Unsafe(entry.Name, PathProblem.NotAPlainFile);
            if (!seen.TryAdd(name, entry.Name))
                throw Refuse(
                    ArchiveProblemKind.Unsafe,
                    entry.Name,
                    $"The archive holds both “{seen[name]}” and “{entry.Name}”: on many systems these are one file.");
        }

        // Once all are known: a file may stand before what lies below its name.
        var folded = new FoldedPaths();
        foreach (var file in entries.Where(e => !e.IsFolder))
            if (folded.TryAdd(file.Name) is { } problem) throw Unsafe(file.Name, problem);
        foreach (var folder in entries.Where(e => e.IsFolder))
            if (folded.IsFile(folder.Name[..^1])) throw Unsafe(folder.Name, PathProblem.FileAndFolder);
    }

    private void LocateData(List<Entry> entries)
    {
        var span = archive.Span;
        var behind = 0L;
        foreach (var entry in entries.OrderBy(e => e.HeaderStart))
        {
            if (entry.HeaderStart < behind) throw Damaged(entry.Name, "overlaps another entry");
            if (entry.HeaderStart > span.Length - LocalLength) throw Damaged(entry.Name, "lies outside the archive: it was cut off");
            var head = span[(int)entry.HeaderStart..];
            if (BinaryPrimitives.ReadUInt32LittleEndian(head) != LocalSignature)
                throw Damaged(entry.Name, "does not begin where the directory says");
            int nameLength = BinaryPrimitives.ReadUInt16LittleEndian(head[26..]);
            int extraLength = BinaryPrimitives.ReadUInt16LittleEndian(head[28..]);
            entry.DataStart = entry.HeaderStart + LocalLength + nameLength + extraLength;
            behind = entry.DataStart + entry.Packed;
            if (behind > span.Length) throw Damaged(entry.Name, "ends outside the archive: it was cut off");
            if (!head.Slice(LocalLength, nameLength).SequenceEqual(entry.RawName))
                throw Damaged(entry.Name, "has another name at its data than in the directory");
            if (entry.Method == 0 && entry.Packed != entry.Length) throw Damaged(entry.Name, "is stored, yet has two lengths");
            if (entry.Length > 1 << 20 && entry.Length / limits.Ratio > entry.Packed)
                throw TooBig(entry.Name, $"would unpack to more than {limits.Ratio} times its size");
        }
    }

    private void VerifyAll(List<Entry> entries, CancellationToken cancel)
    {
        // Collected by index, so that the same archive is always refused for the same entry.
        var refused = new RefusedException?[entries.Count];
        var options = new ParallelOptions { CancellationToken = cancel, MaxDegreeOfParallelism = Environment.ProcessorCount };
        Parallel.For(0, entries.Count, options, i =>
        {
            try
            {
                Verify(entries[i]);
            }
            catch (RefusedException found)
            {
                refused[i] = found;
            }
        });
        if (refused.FirstOrDefault(r => r is not null) is { } first) throw first;
    }

    private void Verify(Entry entry)
    {
        var crc = new Crc32();
        var buffer = ArrayPool<byte>.Shared.Rent(81920);
        try
        {
            using var stream = Open(entry);
            var length = 0L;
            while (stream.Read(buffer) is var read && read > 0)
            {
                length += read;
                if (length > entry.Length) throw Damaged(entry.Name, "unpacks to more than it says");
                crc.Append(buffer.AsSpan(0, read));
            }

            if (length != entry.Length) throw Damaged(entry.Name, "ends before its last byte");
        }
        catch (InvalidDataException)
        {
            throw Damaged(entry.Name, "cannot be unpacked");
        }
        finally
        {
            ArrayPool<byte>.Shared.Return(buffer);
        }

        if (crc.GetCurrentHashAsUInt32() != entry.Crc) throw Damaged(entry.Name, "has a wrong CRC: it was damaged");
    }

    private Stream Open(Entry entry)
    {
        var data = new ReadOnlyMemoryStream(archive.Slice((int)entry.DataStart, (int)entry.Packed));
        return entry.Method == 0 ? data : new DeflateStream(data, CompressionMode.Decompress);
    }

    private static RefusedException Unsafe(string name, PathProblem problem) =>
        Refuse(ArchiveProblemKind.Unsafe, name, $"The entry “{name}” {problem.Says()}.");

    private static RefusedException Damaged(string name, string says) =>
        name.Length == 0
            ? Refuse(ArchiveProblemKind.Damaged, name, $"The archive {says}.")
            : Refuse(ArchiveProblemKind.Damaged, name, $"The entry “{name}” {says}.");

    /// <summary>A length as a person reads it; one that was negative is larger than any file.</summary>
    private static string Claimed(long bytes) =>
        bytes < 0 ? "more than 9,000,000,000,000,000,000" : FormattableString.Invariant($"{bytes:N0}");

    private static RefusedException TooBig(string name, FormattableString says) =>
        Refuse(ArchiveProblemKind.TooBig, name, $"The entry “{name}” {FormattableString.Invariant(says)}.");

    private static RefusedException Refuse(ArchiveProblemKind kind, string name, FormattableString says) =>
        new(new ArchiveProblem(kind, name, FormattableString.Invariant(says)));

    private sealed class EntryContent(ZipReader reader, Entry entry) : FileContent
    {
        public override void Read(Span<byte> to)
        {
            using var stream = reader.Open(entry);
            stream.ReadExactly(to);
        }
    }

    private sealed class Entry
    {
        public required string Name { get; init; }

        public required byte[] RawName { get; init; }

        public required bool IsEncrypted { get; init; }

        public required int Method { get; init; }

        public required uint Crc { get; init; }

        public required long Packed { get; init; }

        public required long Length { get; init; }

        public required long HeaderStart { get; init; }

        public required int UnixType { get; init; }

        public long DataStart { get; set; }

        public bool IsFolder => Name.EndsWith('/');
    }

    private sealed class RefusedException(ArchiveProblem problem) : Exception(problem.Says)
    {
        public ArchiveProblem Problem { get; } = problem;
    }
}
