using System.Formats.Tar;
using Underlay.Core.Formats.Png;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Packaging;

/// <summary>A pack found in what an author opened, or why there is none.</summary>
/// <param name="Tree">The files; empty where there is a problem.</param>
/// <param name="Around">The folders that lay around the pack, joined by "/"; empty for none.</param>
/// <param name="Problem">Why nothing was taken.</param>
public sealed record OpenedPack(FileTree Tree, string Around, ArchiveProblem? Problem);

/// <summary>
/// Opens archives that authors have: ZIP and TAR, whatever they are called, with folders around the pack; others it names.
/// </summary>
public static class PackArchive
{
    private static readonly (string Name, byte[] Begins)[] Others =
    [
        ("7z", [0x37, 0x7A, 0xBC, 0xAF, 0x27, 0x1C]),
        ("RAR", [0x52, 0x61, 0x72, 0x21, 0x1A, 0x07]),
        ("gzip", [0x1F, 0x8B]),
        ("xz", [0xFD, 0x37, 0x7A, 0x58, 0x5A, 0x00]),
        ("bzip2", [0x42, 0x5A, 0x68]),
        ("Zstandard", [0x28, 0xB5, 0x2F, 0xFD]),
    ];

    /// <summary>The most bytes of a file's start that are needed to tell what it is.</summary>
    public const int HeadBytes = 512;

    /// <summary>The name of a kind of archive that is not opened, or null.</summary>
    public static string? FindOther(ReadOnlySpan<byte> head)
    {
        foreach (var (name, begins) in Others)
            if (head.StartsWith(begins)) return name;
        return null;
    }

    /// <summary>True for a ZIP or a TAR, by its first bytes.</summary>
    public static bool IsRead(ReadOnlySpan<byte> head) => ZipReader.IsZip(head) || IsTar(head);

    /// <summary>What an author is told of an archive that is not opened.</summary>
    public static ArchiveProblem NotRead(string name) =>
        new(
            ArchiveProblemKind.Damaged,
            "",
            $"It is a {name} archive, and Underlay opens ZIP and TAR: unpack it and open the folder, or pack it anew as ZIP.");

    /// <summary>The files of an archive as they stand in it.</summary>
    /// <param name="archive">Its bytes; kept as long as the tree is.</param>
    /// <param name="limits">How much it may hold.</param>
    /// <param name="cancel">Stops between two entries.</param>
    public static ArchiveResult Read(ReadOnlyMemory<byte> archive, ArchiveLimits limits, CancellationToken cancel = default)
    {
        if (IsTar(archive.Span)) return ReadTar(archive, limits, cancel);
        return FindOther(archive.Span) is { } other ? new ArchiveResult(null, NotRead(other)) : ZipReader.Read(archive, limits, cancel);
    }

    /// <summary>The pack in an archive: out of the folders around it, and out of archives inside it that the host asks for.</summary>
    public static OpenedPack Open(
        HostProfile profile,
        ReadOnlyMemory<byte> archive,
        ArchiveLimits limits,
        CancellationToken cancel = default)
    {
        var read = Read(archive, limits, cancel);
        return read.Tree is { } tree ? Find(profile, tree) : new OpenedPack(FileTree.Empty, "", read.Problem);
    }

    /// <summary>The pack in a tree of files: out of the folders around it.</summary>
    public static OpenedPack Find(HostProfile profile, FileTree tree)
    {
        var around = FindAround(profile, tree);
        var bare = around.Length == 0 ? tree : tree.Select(p => p.IsBelow(around) ? PackPath.Parse(p.Value[(around.Length + 1)..]) : null);
        var (unfolded, problem) = Bundles.TakeOut(profile, bare);
        return new OpenedPack(unfolded, around, problem);
    }

    /// <summary>
    /// The outermost folders that hold everything: down to the manifest where there is one, else as long as there is but one and
    /// nothing beside it.
    /// </summary>
    private static string FindAround(HostProfile profile, FileTree tree)
    {
        var files = tree.Files.Where(f => !ReservedFolder.Holds(f.Path) && !SystemFiles.Is(f.Path)).Select(f => f.Path).ToList();
        if (files.Count == 0 || files.Contains(profile.Manifest.Path)) return "";
        var manifests = files
            .Where(p => p.Value.EndsWith($"/{profile.Manifest.Path}", StringComparison.Ordinal))
            .OrderBy(p => p.Segments.Length)
            .ToList();
        if (manifests is [var manifest, ..] && (manifests.Count == 1 || manifests[1].Segments.Length > manifest.Segments.Length))
            return manifest.Value[..^(profile.Manifest.Path.Value.Length + 1)];
        var around = "";
        while (files.TrueForAll(f => around.Length == 0 || f.IsBelow(around)))
        {
            var next = files.Select(f => f.Value[(around.Length == 0 ? 0 : around.Length + 1)..]).Select(rest => rest.Split('/')).ToList();
            // A folder that the host has is the pack's own.
            if (next.Exists(n => n.Length == 1)
                || next.Select(n => n[0]).Distinct(StringComparer.Ordinal).Count() > 1
                || IsHostFolder(profile, next[0][0]))
                break;
            around = around.Length == 0 ? next[0][0] : $"{around}/{next[0][0]}";
        }

        return around;
    }

    private static bool IsHostFolder(HostProfile profile, string folder) =>
        profile.Places
            .Select(p => p.Pattern)
            .OfType<PathPattern>()
            .Concat(profile.Unjudged.Select(u => u.Pattern))
            .Any(p => p.Text.Split('/') is [var first, _, ..] && first == folder);

    /// <remarks>POSIX.1-1988 (ustar) and pax: the magic at 257; older archives by the sum over their header.</remarks>
    private static bool IsTar(ReadOnlySpan<byte> head) =>
        head.Length >= HeadBytes && (head[257..].StartsWith("ustar"u8) || HasOldHeader(head[..HeadBytes]));

    private static bool HasOldHeader(ReadOnlySpan<byte> head)
    {
        if (head[0] is 0 or < 0x20) return false;
        var written = 0;
        foreach (var b in head.Slice(148, 8))
        {
            if (b is >= (byte)'0' and <= (byte)'7') written = (written * 8) + (b - '0');
            else if (b is not (0 or (byte)' ')) return false;
        }

        var sum = 8 * ' ';
        for (var i = 0; i < head.Length; i++) sum += i is >= 148 and < 156 ? 0 : head[i];
        return written == sum;
    }

    private static ArchiveResult ReadTar(ReadOnlyMemory<byte> archive, ArchiveLimits limits, CancellationToken cancel)
    {
        var files = new List<TreeFile>();
        var folded = new FoldedPaths();
        var total = 0L;
        try
        {
            using var tar = new TarReader(new ReadOnlyMemoryStream(archive));
            while (tar.GetNextEntry() is { } entry)
            {
                cancel.ThrowIfCancellationRequested();
                if (entry.EntryType is TarEntryType.Directory or TarEntryType.GlobalExtendedAttributes) continue;
                var name = entry.Name.StartsWith("./", StringComparison.Ordinal) ? entry.Name[2..] : entry.Name;
                if (!PackPath.TryParse(name, out var path, out var problem))
                    return Refuse(ArchiveProblemKind.Unsafe, name, $"The entry “{name}” {problem.Says()}.");
                if (entry.EntryType is not (TarEntryType.RegularFile or TarEntryType.V7RegularFile))
                    return Refuse(ArchiveProblemKind.Unsafe, name, $"The entry “{name}” {PathProblem.NotAPlainFile.Says()}.");
                if (folded.TryAdd(name) is { } collision)
                    return Refuse(ArchiveProblemKind.Unsafe, name, $"The entry “{name}” {collision.Says()}.");
                total += entry.Length;
                if (files.Count >= limits.Entries || entry.Length > limits.EntryBytes || total > limits.TotalBytes)
                    return Refuse(ArchiveProblemKind.TooBig, name, "The archive holds more than Underlay takes in.");
                // Nothing in the archive is longer than it; told before room is made for what is not there.
                if (entry.Length > archive.Length)
                    return Refuse(ArchiveProblemKind.Damaged, name, $"The entry “{name}” ends outside the archive: it was cut off.");
                var bytes = new byte[entry.Length];
                entry.DataStream?.ReadExactly(bytes);
                files.Add(new TreeFile(path, bytes.Length, FileContent.Of(bytes)));
            }
        }
        catch (Exception problem)
            when (
                problem is InvalidDataException or EndOfStreamException or FormatException or IOException
                    or NotSupportedException or ArgumentException or OverflowException)
        {
            return Refuse(ArchiveProblemKind.Damaged, "", "The TAR archive is damaged or ends in the middle.");
        }

        return new ArchiveResult(FileTree.Of(files), null);
    }

    private static ArchiveResult Refuse(ArchiveProblemKind kind, string entry, string says) =>
        new(null, new ArchiveProblem(kind, entry, says));
}
