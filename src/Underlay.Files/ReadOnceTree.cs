using Underlay.Core.Packs;

namespace Underlay.Files;

/// <summary>
/// A tree whose small files are read from disk once, however often their bytes are asked for: what is checked is what is packed.
/// Larger ones are read again, since most of their time goes elsewhere.
/// </summary>
public static class ReadOnceTree
{
    // Bytes of a file, and of all that are kept.
    private const int MostOfOne = 16 << 10;
    private const long Most = 128 << 20;

    /// <summary>The same files.</summary>
    public static FileTree Of(FileTree tree)
    {
        var left = Most;
        return FileTree.Of(
            tree.Files.Select(
                f => f.Length is > 0 and <= MostOfOne && (left -= f.Length) > 0
                    ? new TreeFile(f.Path, f.Length, new KeptContent(f))
                    : f),
            tree.Refused);
    }

    private sealed class KeptContent(TreeFile file) : FileContent
    {
        private byte[]? bytes;

        public override void Read(Span<byte> to) => Bytes().AsSpan(0, to.Length).CopyTo(to);

        protected override ReadOnlyMemory<byte>? FindMemory() => Bytes();

        // Where two threads ask at once, one reads in vain.
        private byte[] Bytes()
        {
            if (Volatile.Read(ref bytes) is { } known) return known;
            var read = file.ReadAll();
            return Interlocked.CompareExchange(ref bytes, read, null) ?? read;
        }
    }
}
