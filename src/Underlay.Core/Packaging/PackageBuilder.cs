using System.Security.Cryptography;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;

namespace Underlay.Core.Packaging;

/// <summary>What a package holds, decided before a byte is written.</summary>
/// <param name="Files">What goes in, ordered by path.</param>
/// <param name="Omitted">What the host would not read, ordered by path; the reserved folder is not told.</param>
public sealed record PackagePlan(IReadOnlyList<TreeFile> Files, IReadOnlyList<PackPath> Omitted);

/// <summary>A built package.</summary>
/// <param name="Sha256">Of its bytes, as 64 hexadecimal digits.</param>
/// <param name="Length">Bytes.</param>
public sealed record BuiltPackage(string Sha256, long Length);

/// <summary>Builds the package that a host wants: the same files give the same bytes, whatever their order and times.</summary>
public static class PackageBuilder
{
    /// <summary>Bytes of files that are read and not yet written; one file may have more.</summary>
    private const long MostWaiting = 32 << 20;

    // So many are packed by one task, which costs more than one small file does.
    private const int MostTogether = 64;
    private const long MostBytesTogether = 1 << 20;

    // Small pieces are hashed and written together.
    private const int BufferBytes = 1 << 16;

    /// <summary>
    /// Decides what goes into a package: the manifest and all that the host reads in one of the editions that it declares.
    /// </summary>
    public static PackagePlan Plan(HostProfile profile, FileTree tree)
    {
        var manifest = ManifestFacts.Read(profile, tree);
        var editions = profile.Editions.Where(e => !manifest.IsSound || manifest.Declares(e)).ToList();
        var fixedPaths = profile.Places
            .Where(p => p.ManifestField is not null)
            .Select(p => manifest.FindPath(p.ManifestField!))
            .OfType<PackPath>()
            .ToHashSet();
        var files = new List<TreeFile>();
        var omitted = new List<PackPath>();
        foreach (var file in tree.Files)
        {
            if (ReservedFolder.Holds(file.Path)) continue;
            var isRead = file.Path == profile.Manifest.Path
                || fixedPaths.Contains(file.Path)
                || editions.Any(e => profile.Locate(file.Path, e) is not null)
                || profile.FindUnjudged(file.Path) is not null;
            if (isRead) files.Add(file);
            else omitted.Add(file.Path);
        }

        return new PackagePlan(files, omitted);
    }

    /// <summary>Writes a package.</summary>
    /// <param name="profile">The host, whose container tree says how each file is stored.</param>
    /// <param name="files">What goes in.</param>
    /// <param name="output">Where to; need not be seekable.</param>
    /// <param name="progress">Told the number of files written, now and then.</param>
    /// <param name="cancel">Stops between two files.</param>
    public static BuiltPackage Write(
        HostProfile profile,
        IReadOnlyList<TreeFile> files,
        Stream output,
        IProgress<int>? progress = null,
        CancellationToken cancel = default)
    {
        files = Bundles.PutIn(profile, files);
        using var hashing = new HashingStream(output);
        using var buffered = new BufferedStream(hashing, BufferBytes);
        using var zip = new ZipWriter(buffered);
        // Packed on all cores, written in order; the window bounds what is in memory.
        var window = new Queue<Task<PackedEntry[]>>();
        var (next, done, waiting) = (0, 0, 0L);
        while (done < files.Count)
        {
            while (next < files.Count && window.Count < Environment.ProcessorCount * 2 && (window.Count == 0 || waiting < MostWaiting))
            {
                var some = Some(files, next);
                next += some.Count;
                waiting += some.Sum(f => f.Length);
                window.Enqueue(
                    Task.Run(
                        () => some.Select(f => ZipWriter.Pack(f.Path, f.AsMemory(), profile.Package.MethodOf(f.Path))).ToArray(),
                        cancel));
            }

            foreach (var packed in window.Dequeue().GetAwaiter().GetResult())
            {
                waiting -= packed.Length;
                zip.Write(packed);
                done++;
            }

            progress?.Report(done);
        }

        zip.Finish();
        buffered.Flush();
        return new BuiltPackage(hashing.Sha256, hashing.Written);
    }

    private static List<TreeFile> Some(IReadOnlyList<TreeFile> files, int from)
    {
        var (some, bytes) = (new List<TreeFile>(), 0L);
        for (var i = from; i < files.Count && some.Count < MostTogether && bytes < MostBytesTogether; i++)
        {
            some.Add(files[i]);
            bytes += files[i].Length;
        }

        return some;
    }

    private sealed class HashingStream(Stream inner) : Stream
    {
        private readonly IncrementalHash hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);

        public long Written { get; private set; }

        public string Sha256 => Convert.ToHexStringLower(hash.GetCurrentHash());

        public override bool CanRead => false;

        public override bool CanSeek => false;

        public override bool CanWrite => true;

        public override long Length => Written;

        public override long Position
        {
            get => Written;
            set => throw new NotSupportedException();
        }

        public override void Write(ReadOnlySpan<byte> buffer)
        {
            inner.Write(buffer);
            hash.AppendData(buffer);
            Written += buffer.Length;
        }

        public override void Write(byte[] buffer, int offset, int count) => Write(buffer.AsSpan(offset, count));

        public override void Flush() => inner.Flush();

        public override int Read(byte[] buffer, int offset, int count) => throw new NotSupportedException();

        public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

        public override void SetLength(long value) => throw new NotSupportedException();

        protected override void Dispose(bool disposing)
        {
            if (disposing) hash.Dispose();
            base.Dispose(disposing);
        }
    }
}
