using System.Buffers.Binary;
using System.IO.Compression;
using System.IO.Hashing;
using System.Text;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Packaging;

/// <summary>
/// Writes ZIP archives that depend on nothing but names and bytes: one fixed time, one way of writing headers, entries in the
/// order given. Streamed: a few entries are in memory at a time.
/// </summary>
/// <remarks>
/// APPNOTE 6.3 (.ZIP File Format Specification), methods 0 and 8; ZIP64 only where numbers do not fit without it (section 4.3.9).
/// </remarks>
public sealed class ZipWriter : IDisposable
{
    // 1 January 1980, 00:00: the earliest time that the format can say.
    private const ushort DosDate = (1 << 5) | 1;
    private const ushort Utf8Names = 1 << 11;
    private const ushort Version = 20;
    private const ushort Zip64Version = 45;
    private const ushort Zip64StartLength = 12;
    private const ushort MadeOnUnix = (3 << 8) | Version;
    private const uint PlainFile = 0x81A4u << 16;

    private readonly Stream output;
    private readonly MemoryStream directory = new();
    private long written;
    private int count;

    /// <summary>Begins an archive.</summary>
    /// <param name="output">Where to; need not be seekable and stays open.</param>
    public ZipWriter(Stream output) => this.output = output;

    /// <summary>Packs one entry. Safe to call from many threads; the result goes to <see cref="Write"/>.</summary>
    /// <param name="path">The entry's name.</param>
    /// <param name="bytes">Its bytes.</param>
    /// <param name="method">How to store it; what would not become smaller is stored as it is.</param>
    public static PackedEntry Pack(PackPath path, ReadOnlyMemory<byte> bytes, EntryMethod method)
    {
        var crc = Crc32.HashToUInt32(bytes.Span);
        if (method == EntryMethod.Deflated && Deflate(bytes) is { } deflated)
            return new PackedEntry(path, crc, bytes.Length, deflated, EntryMethod.Deflated);
        return new PackedEntry(path, crc, bytes.Length, bytes, EntryMethod.Stored);
    }

    /// <summary>Writes a packed entry behind those before it.</summary>
    public void Write(PackedEntry entry)
    {
        var name = Encoding.UTF8.GetBytes(entry.Path.Value);
        count++;
        var head = new byte[30];
        BinaryPrimitives.WriteUInt32LittleEndian(head, 0x04034b50);
        BinaryPrimitives.WriteUInt16LittleEndian(head.AsSpan(4), Version);
        WriteShared(head.AsSpan(6), entry, name.Length);

        var central = new byte[46];
        BinaryPrimitives.WriteUInt32LittleEndian(central, 0x02014b50);
        BinaryPrimitives.WriteUInt16LittleEndian(central.AsSpan(4), MadeOnUnix);
        BinaryPrimitives.WriteUInt16LittleEndian(central.AsSpan(6), Version);
        WriteShared(central.AsSpan(8), entry, name.Length);
        BinaryPrimitives.WriteUInt32LittleEndian(central.AsSpan(38), PlainFile);
        var isFar = written >= uint.MaxValue;
        BinaryPrimitives.WriteUInt32LittleEndian(central.AsSpan(42), isFar ? uint.MaxValue : (uint)written);
        if (isFar)
        {
            BinaryPrimitives.WriteUInt16LittleEndian(central.AsSpan(6), Zip64Version);
            BinaryPrimitives.WriteUInt16LittleEndian(central.AsSpan(30), Zip64StartLength);
        }

        directory.Write(central);
        directory.Write(name);
        if (isFar)
        {
            // The extra field "Zip64 extended information" with the one number that does not fit (section 4.5.3).
            var extra = new byte[Zip64StartLength];
            BinaryPrimitives.WriteUInt16LittleEndian(extra, 1);
            BinaryPrimitives.WriteUInt16LittleEndian(extra.AsSpan(2), sizeof(long));
            BinaryPrimitives.WriteInt64LittleEndian(extra.AsSpan(4), written);
            directory.Write(extra);
        }

        Emit(head);
        Emit(name);
        Emit(entry.Data.Span);
    }

    /// <summary>Ends the archive with its directory.</summary>
    public void Finish()
    {
        var start = written;
        Emit(directory.GetBuffer().AsSpan(0, (int)directory.Length));
        if (count >= ushort.MaxValue || start >= uint.MaxValue) EmitZip64End(start);
        var end = new byte[22];
        BinaryPrimitives.WriteUInt32LittleEndian(end, 0x06054b50);
        BinaryPrimitives.WriteUInt16LittleEndian(end.AsSpan(8), (ushort)Math.Min(count, ushort.MaxValue));
        BinaryPrimitives.WriteUInt16LittleEndian(end.AsSpan(10), (ushort)Math.Min(count, ushort.MaxValue));
        BinaryPrimitives.WriteUInt32LittleEndian(end.AsSpan(12), (uint)directory.Length);
        BinaryPrimitives.WriteUInt32LittleEndian(end.AsSpan(16), (uint)Math.Min(start, uint.MaxValue));
        Emit(end);
    }

    /// <summary>The directory's numbers in full, and where they stand (sections 4.3.14 and 4.3.15).</summary>
    private void EmitZip64End(long start)
    {
        var at = written;
        var record = new byte[56];
        BinaryPrimitives.WriteUInt32LittleEndian(record, 0x06064b50);
        BinaryPrimitives.WriteInt64LittleEndian(record.AsSpan(4), record.Length - 12);
        BinaryPrimitives.WriteUInt16LittleEndian(record.AsSpan(12), (3 << 8) | Zip64Version);
        BinaryPrimitives.WriteUInt16LittleEndian(record.AsSpan(14), Zip64Version);
        BinaryPrimitives.WriteInt64LittleEndian(record.AsSpan(24), count);
        BinaryPrimitives.WriteInt64LittleEndian(record.AsSpan(32), count);
        BinaryPrimitives.WriteInt64LittleEndian(record.AsSpan(40), directory.Length);
        BinaryPrimitives.WriteInt64LittleEndian(record.AsSpan(48), start);
        Emit(record);
        var locator = new byte[20];
        BinaryPrimitives.WriteUInt32LittleEndian(locator, 0x07064b50);
        BinaryPrimitives.WriteInt64LittleEndian(locator.AsSpan(8), at);
        BinaryPrimitives.WriteUInt32LittleEndian(locator.AsSpan(16), 1);
        Emit(locator);
    }

    /// <inheritdoc/>
    public void Dispose() => directory.Dispose();

    /// <summary>The 24 bytes from the flags to the length of the extra field, which both headers share.</summary>
    private static void WriteShared(Span<byte> to, PackedEntry entry, int nameLength)
    {
        BinaryPrimitives.WriteUInt16LittleEndian(to, Utf8Names);
        BinaryPrimitives.WriteUInt16LittleEndian(to[2..], entry.Method == EntryMethod.Stored ? (ushort)0 : (ushort)8);
        BinaryPrimitives.WriteUInt16LittleEndian(to[6..], DosDate);
        BinaryPrimitives.WriteUInt32LittleEndian(to[8..], entry.Crc);
        BinaryPrimitives.WriteUInt32LittleEndian(to[12..], (uint)entry.Data.Length);
        BinaryPrimitives.WriteUInt32LittleEndian(to[16..], (uint)entry.Length);
        BinaryPrimitives.WriteUInt16LittleEndian(to[20..], (ushort)nameLength);
    }

    private static ReadOnlyMemory<byte>? Deflate(ReadOnlyMemory<byte> bytes)
    {
        var packed = new MemoryStream();
        using (var deflate = new DeflateStream(packed, CompressionLevel.Optimal, leaveOpen: true)) deflate.Write(bytes.Span);
        if (packed.Length >= bytes.Length) return null;
        return packed.GetBuffer().AsMemory(0, (int)packed.Length);
    }

    private void Emit(ReadOnlySpan<byte> bytes)
    {
        output.Write(bytes);
        written += bytes.Length;
    }
}

/// <summary>An entry ready to be written.</summary>
/// <param name="Path">Its name.</param>
/// <param name="Crc">CRC-32 of its bytes.</param>
/// <param name="Length">Bytes before packing.</param>
/// <param name="Data">The packed bytes.</param>
/// <param name="Method">How they are packed.</param>
public sealed record PackedEntry(PackPath Path, uint Crc, long Length, ReadOnlyMemory<byte> Data, EntryMethod Method);
