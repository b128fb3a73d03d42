using System.Diagnostics.CodeAnalysis;

namespace Underlay.Core.Packs;

/// <summary>Where the bytes of a file come from.</summary>
public abstract class FileContent
{
    /// <summary>Fills a buffer with the file's bytes from its start; the buffer is not longer than the file.</summary>
    /// <exception cref="EndOfStreamException">The file became shorter.</exception>
    public abstract void Read(Span<byte> to);

    /// <summary>Bytes held in memory.</summary>
    public static FileContent Of(ReadOnlyMemory<byte> bytes) => new InMemory(bytes);

    private sealed class InMemory(ReadOnlyMemory<byte> bytes) : FileContent
    {
        public override void Read(Span<byte> to) => bytes.Span[..to.Length].CopyTo(to);
    }
}

/// <summary>One file of a tree. Its bytes are read when asked for, and may be asked for more than once.</summary>
/// <param name="Path">Where it lies.</param>
/// <param name="Length">Bytes.</param>
/// <param name="Content">Its bytes.</param>
public sealed record TreeFile(PackPath Path, long Length, FileContent Content)
{
    /// <summary>Reads all bytes.</summary>
    /// <exception cref="EndOfStreamException">The file became shorter while it was read.</exception>
    public byte[] ReadAll() => ReadStart(Length);

    /// <summary>Reads the first bytes, fewer where the file is shorter.</summary>
    public byte[] ReadStart(long most)
    {
        var bytes = new byte[Math.Min(most, Length)];
        Content.Read(bytes);
        return bytes;
    }
}

/// <summary>A name that was found in a folder or an archive and cannot be a path.</summary>
/// <param name="Name">As found.</param>
/// <param name="Problem">Why not.</param>
public sealed record RefusedName(string Name, PathProblem Problem);

/// <summary>
/// Files by path, sorted ordinally, unique when case-folded; what could not be taken in is kept apart by name.
/// Trees come from folders, archives, databases and memory; all that reads packs reads this.
/// </summary>
public sealed class FileTree
{
    private readonly Dictionary<PackPath, TreeFile> byPath;

    private FileTree(IReadOnlyList<TreeFile> files, IReadOnlyList<RefusedName> refused, Dictionary<PackPath, TreeFile>? byPath = null)
    {
        Files = files;
        Refused = refused;
        this.byPath = byPath ?? files.ToDictionary(f => f.Path);
    }

    /// <summary>No files.</summary>
    public static FileTree Empty { get; } = new([], []);

    /// <summary>The files in ordinal order of their paths.</summary>
    public IReadOnlyList<TreeFile> Files { get; }

    /// <summary>What could not be taken in, in the order found.</summary>
    public IReadOnlyList<RefusedName> Refused { get; }

    /// <summary>Makes a tree. Of two paths that differ in case only, the ordinally later one is refused.</summary>
    public static FileTree Of(IEnumerable<TreeFile> files, IEnumerable<RefusedName>? refused = null) => OfSorted(files.OrderBy(f => f.Path), refused ?? []);

    /// <summary>Makes a tree of bytes held in memory.</summary>
    public static FileTree OfBytes(IEnumerable<KeyValuePair<PackPath, byte[]>> files) =>
        Of(files.Select(f => new TreeFile(f.Key, f.Value.Length, FileContent.Of(f.Value))));

    /// <summary>The file at the path, if there is one.</summary>
    public TreeFile? Find(PackPath path) => byPath.GetValueOrDefault(path);

    /// <summary>True when a file lies at the path.</summary>
    public bool TryFind(PackPath path, [NotNullWhen(true)] out TreeFile? file) => byPath.TryGetValue(path, out file);

    /// <summary>The same tree with each path mapped; paths mapped to nothing are left out.</summary>
    public FileTree Select(Func<PackPath, PackPath?> map) =>
        new(
            [.. Files.Select(f => map(f.Path) is { } to ? f with { Path = to } : null).OfType<TreeFile>().OrderBy(f => f.Path)],
            Refused);

    /// <summary>The tree after edits, none of which may replace a file that it does not name.</summary>
    /// <exception cref="InvalidOperationException">An edit moves or deletes a file that is not there, or moves onto one that is.</exception>
    public FileTree With(IEnumerable<TreeEdit> edits)
    {
        var after = new Dictionary<PackPath, TreeFile>(byPath);
        var touched = new HashSet<PackPath>();
        foreach (var edit in edits)
        {
            edit.ApplyTo(after);
            touched.UnionWith(edit.Touches);
        }

        var added = touched.Where(p => after.ContainsKey(p) && !byPath.ContainsKey(p)).Order().Select(p => after[p]).ToList();
        // Only a new path can collide with another.
        return added.Count > 0 ? OfSorted(Merge(after, touched, added), Refused) : new FileTree(Merge(after, touched, added), Refused, after);
    }

    private static FileTree OfSorted(IEnumerable<TreeFile> files, IEnumerable<RefusedName> refused)
    {
        var kept = new List<TreeFile>();
        var left = new List<RefusedName>(refused);
        var seen = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        foreach (var file in files)
        {
            if (seen.Add(file.Path.Value)) kept.Add(file);
            else left.Add(new RefusedName(file.Path.Value, PathProblem.Collides));
        }

        return new FileTree(kept, left);
    }

    /// <summary>The files in order after some were replaced or taken away and others, in order too, came in.</summary>
    private List<TreeFile> Merge(Dictionary<PackPath, TreeFile> after, HashSet<PackPath> touched, List<TreeFile> added)
    {
        var files = new List<TreeFile>(after.Count);
        var next = 0;
        foreach (var file in Files)
        {
            while (next < added.Count && added[next].Path < file.Path) files.Add(added[next++]);
            if (!touched.Contains(file.Path)) files.Add(file);
            else if (after.TryGetValue(file.Path, out var now)) files.Add(now);
        }

        files.AddRange(added.Skip(next));
        return files;
    }
}
