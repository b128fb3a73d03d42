using System.Buffers;
using System.IO.MemoryMappedFiles;

namespace Underlay.Files;

/// <summary>
/// Bytes that pass through on their way elsewhere: written to a file that nothing else opens and that goes with the spool, then read
/// from the system's cache of it, so that they never stand in the program's own memory.
/// </summary>
public sealed class Spool : IDisposable
{
    private readonly FileStream file;
    private Mapping? mapping;

    /// <summary>Begins a spool in the system's folder for temporary files.</summary>
    /// <exception cref="IOException">No file can be made there.</exception>
    public Spool() => file = new FileStream(
        Path.Combine(Path.GetTempPath(), $"underlay-{Guid.NewGuid():n}"),
        new FileStreamOptions
        {
            Mode = FileMode.CreateNew,
            Access = FileAccess.ReadWrite,
            Share = FileShare.None,
            Options = FileOptions.DeleteOnClose,
        });

    /// <summary>The most bytes that a spool may have: what one piece of memory can be long.</summary>
    public const long MostBytes = int.MaxValue;

    /// <summary>Where bytes are written, until they are read.</summary>
    public Stream Output => mapping is null ? file : throw new InvalidOperationException("What is being read is not written to.");

    /// <summary>Bytes written.</summary>
    public long Length => file.Length;

    /// <summary>All that was written. To be used only until the spool is let go of.</summary>
    /// <exception cref="InvalidOperationException">There are more than <see cref="MostBytes"/>.</exception>
    public ReadOnlyMemory<byte> Read()
    {
        if (Length > MostBytes) throw new InvalidOperationException($"A spool of {Length} bytes cannot be read as one.");
        if (Length == 0) return ReadOnlyMemory<byte>.Empty;
        file.Flush();
        mapping ??= new Mapping(file);
        return mapping.Memory;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        (mapping as IDisposable)?.Dispose();
        file.Dispose();
    }

    /// <remarks>
    /// Nobody else can make the file shorter, which a mapping would not survive: it is opened for one, and has no known name.
    /// </remarks>
    private sealed unsafe class Mapping : MemoryManager<byte>
    {
        private readonly MemoryMappedFile mapped;
        private readonly MemoryMappedViewAccessor view;
        private readonly int length;
        private byte* start;

        public Mapping(FileStream file)
        {
            length = (int)file.Length;
            mapped = MemoryMappedFile.CreateFromFile(
                file,
                null,
                0,
                MemoryMappedFileAccess.Read,
                HandleInheritability.None,
                leaveOpen: true);
            view = mapped.CreateViewAccessor(0, length, MemoryMappedFileAccess.Read);
            view.SafeMemoryMappedViewHandle.AcquirePointer(ref start);
            start += view.PointerOffset;
        }

        public override Span<byte> GetSpan()
        {
            ObjectDisposedException.ThrowIf(start is null, this);
            return new Span<byte>(start, length);
        }

        public override MemoryHandle Pin(int elementIndex = 0)
        {
            ObjectDisposedException.ThrowIf(start is null, this);
            return new MemoryHandle(start + elementIndex);
        }

        public override void Unpin()
        {
        }

        protected override void Dispose(bool disposing)
        {
            if (start is null) return;
            start = null;
            view.SafeMemoryMappedViewHandle.ReleasePointer();
            view.Dispose();
            mapped.Dispose();
        }
    }
}
