using System.Buffers;
using Underlay.Core.BaseFiles.Contents;
using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.BaseFiles;

/// <summary>Reads files and takes their facts, many at a time, each file once and into pooled memory.</summary>
public static class FactsReader
{
    /// <summary>Files longer than this are not read: no package can hold them. Bytes.</summary>
    public const long MostBytes = 256L * 1024 * 1024;

    // So few are done before threads would be.
    private const int FewFiles = 24;

    /// <summary>Takes the facts of one file.</summary>
    /// <param name="file">The file.</param>
    /// <param name="place">The place it lies in, or null for a file outside every place: only hash and length are taken.</param>
    public static FileFacts Read(TreeFile file, Place? place)
    {
        var reader = place is null ? null : ContentReader.Of(place.Content);
        if (file.Length > MostBytes) return new FileFacts(default, file.Length, reader?.TooLong("it is larger than 256 MiB", place!));
        var length = (int)file.Length;
        var key = reader?.KeyFor(place!);
        if (key is not null && file.Content.FindLearned(key) is { } learned && Recall(reader!, place!, learned) is { } recalled)
            return new FileFacts(file.Hash, length, recalled);
        if (reader is { KeepsBytes: true })
        {
            var bytes = file.ReadAll();
            var (entry, fault) = Judge(reader, bytes, place!);
            return new FileFacts(file.Content.HashOf(bytes), length, entry) { Fault = fault };
        }

        var pooled = ArrayPool<byte>.Shared.Rent(Math.Max(1, length));
        try
        {
            var memory = pooled.AsMemory(0, length);
            file.Content.Read(memory.Span);
            var (facts, fault) = reader is null ? (null, null) : Judge(reader, memory, place!);
            if (key is not null && facts is not null) file.Content.Learn(key, () => Write(reader!, facts));
            return new FileFacts(file.Content.HashOf(memory.Span), length, facts) { Fault = fault };
        }
        finally
        {
            ArrayPool<byte>.Shared.Return(pooled);
        }
    }

    private static (ContentFacts? Facts, Exception? Fault) Judge(ContentReader reader, ReadOnlyMemory<byte> bytes, Place place)
    {
        try
        {
            return (reader.Read(bytes, place), null);
        }
        catch (Exception fault) when (Faults.IsOurs(fault))
        {
            return (null, fault);
        }
    }

    /// <summary>Tells a file what was found in the same bytes while they lay elsewhere, so that it is kept.</summary>
    public static void Transfer(FileFacts facts, TreeFile file, Place place)
    {
        if (facts.Content is not { } content || file.Length > MostBytes) return;
        var reader = ContentReader.Of(place.Content);
        if (reader.KeyFor(place) is { } key) file.Content.Learn(key, () => Write(reader, content));
    }

    private static ContentFacts? Recall(ContentReader reader, Place place, byte[] learned)
    {
        try
        {
            using var input = new BinaryReader(new MemoryStream(learned));
            return reader.ReadBack(input, place, () => []);
        }
        catch (Exception problem) when (problem is IOException or FormatException or ArgumentException)
        {
            // What cannot be read back is learned again.
            return null;
        }
    }

    private static byte[] Write(ContentReader reader, ContentFacts facts)
    {
        using var output = new MemoryStream();
        using (var writer = new BinaryWriter(output)) reader.Write(writer, facts);
        return output.ToArray();
    }

    /// <summary>Takes the facts of bytes as of a file of a place.</summary>
    public static ContentFacts Read(ReadOnlyMemory<byte> bytes, Place place) => ContentReader.Of(place.Content).Read(bytes, place);

    /// <summary>Takes the facts of many files on all cores.</summary>
    /// <param name="files">Files with their places.</param>
    /// <param name="progress">Told the number of files done, now and then.</param>
    /// <param name="cancel">Stops between two files.</param>
    public static IReadOnlyDictionary<PackPath, FileFacts> ReadAll(
        IReadOnlyList<(TreeFile File, Place? Place)> files,
        IProgress<int>? progress = null,
        CancellationToken cancel = default)
    {
        if (files.Count < FewFiles) return files.ToDictionary(f => f.File.Path, f => Read(f.File, f.Place));
        var done = 0;
        var read = SideBySide.Select(
            files,
            item =>
            {
                var facts = Read(item.File, item.Place);
                if (Interlocked.Increment(ref done) is var count && count % 100 == 0) progress?.Report(count);
                return facts;
            },
            cancel);
        progress?.Report(files.Count);
        var byPath = new Dictionary<PackPath, FileFacts>(files.Count);
        for (var i = 0; i < read.Length; i++) byPath[files[i].File.Path] = read[i];
        return byPath;
    }
}
