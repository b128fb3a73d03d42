using System.Globalization;
using System.Text;

namespace Underlay.Core.Packaging;

/// <summary>Writes TAR archives of plain files: the same files give the same bytes.</summary>
/// <remarks>
/// POSIX.1-2017 pax interchange format. The framework's writer puts its process id into pax headers and times into all, so that no
/// two archives are the same; extended headers are written here where a path needs them, and no times.
/// </remarks>
internal static class TarWriter
{
    private const int Block = 512;
    private const int LongestName = 100;

    /// <summary>The archive of files, in their order.</summary>
    public static byte[] Write(IEnumerable<(string Path, byte[] Bytes)> files)
    {
        using var tar = new MemoryStream();
        foreach (var (path, bytes) in files)
        {
            var plain = Encoding.UTF8.GetByteCount(path) == path.Length && path.Length <= LongestName;
            if (!plain) Add(tar, "PaxHeader", 'x', PathRecord(path));
            Add(tar, plain ? path : "file", '0', bytes);
        }

        tar.Write(new byte[2 * Block]);
        return tar.ToArray();
    }

    private static void Add(MemoryStream tar, string name, char type, byte[] bytes)
    {
        var header = new byte[Block];
        void Put(int at, string text) => Encoding.ASCII.GetBytes(text, header.AsSpan(at));
        string Octal(long value, int digits) => Convert.ToString(value, 8).PadLeft(digits, '0');
        Put(0, name);
        Put(100, "0000644\0");
        Put(108, "0000000\0");
        Put(116, "0000000\0");
        Put(124, Octal(bytes.Length, 11) + "\0");
        Put(136, "00000000000\0");
        Put(148, "        ");
        header[156] = (byte)type;
        Put(257, "ustar\00");
        Put(264, "0");
        Put(148, Octal(header.Sum(b => (int)b), 6) + "\0 ");
        tar.Write(header);
        tar.Write(bytes);
        tar.Write(new byte[(Block - (bytes.Length % Block)) % Block]);
    }

    /// <summary>"length path=value" and a line feed, the length counting itself.</summary>
    private static byte[] PathRecord(string path)
    {
        var body = Encoding.UTF8.GetBytes($" path={path}\n");
        var length = body.Length;
        while (length != body.Length + length.ToString(CultureInfo.InvariantCulture).Length)
            length = body.Length + length.ToString(CultureInfo.InvariantCulture).Length;
        return [.. Encoding.ASCII.GetBytes(length.ToString(CultureInfo.InvariantCulture)), .. body];
    }
}
