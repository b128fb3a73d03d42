using System.Collections.Immutable;
using System.Diagnostics.CodeAnalysis;

namespace Underlay.Core.Packs;

/// <summary>Where the bytes of a file come from.</summary>
public abstract class FileContent
{
    /// <summary>Fills a buffer with the file's bytes from its start; the buffer is not longer than the file.</summary>
    /// <exception cref="EndOfStreamException">The file became shorter.</exception>
    public abstract void Read(Span<byte> to);

    /// <summary>The hash, where it is known without reading.</summary>
    protected virtual ContentHash? KnownHash => null;

    /// <summary>The bytes as memory, where that takes no buffer to read them into; null where it does.</summary>
    protected internal virtual ReadOnlyMemory<byte>? FindMemory() => null;

    /// <summary>What was once learned from the bytes and kept; null where nothing is.</summary>
    /// <param name="key">What it is, and in which layout.</param>
    public virtual byte[]? FindLearned(string key) => null;

    /// <summary>Keeps what was learned from the bytes, where that is done at all.</summary>
    public virtual void Learn(string key, Func<byte[]> learned)
    {
    }

    // Boxed, so that threads see all of it or nothing.
    private object? hash;

    /// <summary>The hash of the bytes, learned once.</summary>
    internal ContentHash HashOf(TreeFile file) => FindHash() ?? HashOf(file.AsMemory().Span);

    /// <summary>The hash of the bytes, which are at hand; it is known from then on.</summary>
    internal ContentHash HashOf(ReadOnlySpan<byte> all) => FindHash() ?? (ContentHash)(hash = ContentHash.Of(all));

    /// <summary>True where the bytes are known to be those of another, without reading either.</summary>
    internal bool IsSameAs(FileContent other) =>
        ReferenceEquals(this, other) || (FindHash() is { } own && other.FindHash() is { } its && own == its);

    private ContentHash? FindHash() => (ContentHash?)hash ?? KnownHash;

    /// <summary>Bytes held in memory, with their hash where it is known.</summary>
    public static FileContent Of(ReadOnlyMemory<byte> bytes, ContentHash? hash = null) => new InMemory(bytes, hash);

    private sealed class InMemory(ReadOnlyMemory<byte> bytes, ContentHash? known) : FileContent
    {
        protected override ContentHash? KnownHash => known;

        protected internal override ReadOnlyMemory<byte>? FindMemory() => bytes;

        public override void Read(Span<byte> to) => bytes.Span[..to.Length].CopyTo(to);
    }
}

/// <summary>One file of a tree. Its bytes are read when asked for, and may be asked for more than once.</summary>
/// <param name="Path">Where it lies.</param>
/// <param name="Length">Bytes.</param>
/// <param name="Content">Its bytes.</param>
public sealed record TreeFile(PackPath Path, long Length, FileContent Content)
{
    /// <summary>The hash of its bytes; they are read for it once, and not at all where it is known.</summary>
    public ContentHash Hash => Content.HashOf(this);

    /// <summary>Reads all bytes.</summary>
    /// <exception cref="EndOfStreamException">The file became shorter while it was read.</exception>
    public byte[] ReadAll() => ReadStart(Length);

    /// <summary>All bytes, without a copy where they are at hand. Not to be kept longer than what they came in with.</summary>
    /// <exception cref="EndOfStreamException">The file became shorter while it was read.</exception>
    public ReadOnlyMemory<byte> AsMemory() => Content.FindMemory() ?? ReadAll();

    /// <summary>Reads the first bytes, fewer where the file is shorter.</summary>
    public byte[] ReadStart(long most)
    {
        // Reading fills it all or throws.
        var bytes = GC.AllocateUninitializedArray<byte>(checked((int)Math.Min(most, Length)));
        Content.Read(bytes);
        return bytes;
    }
}

/// <summary>A name that was found in a folder or an archive and cannot be a path.</summary>
/// <param name="Name">As found.</param>
/// <param name="Problem">Why not.</param>
public sealed record RefusedName(string Name, PathProblem Problem);

/// <summary>
/// Files by path, sorted ordinally; no two collide when case is folded, and none is a folder too. What could not be taken in is
/// kept apart by name. Trees come from folders, archives, databases and memory; all that reads packs reads this.
/// </summary>
/// <remarks>
/// A tree after edits shares all with the one before but what was changed, so that an edit costs what it changes; its files are put
/// in order when they are asked for.
/// </remarks>
public sealed class FileTree
{
    // Below this, changes are never many.
    private const int FewChanges = 256;

    private readonly Root root;
    private readonly Changes changes;
    private readonly Lazy<IReadOnlyList<TreeFile>> files;
    private readonly Ordered ordered;

    private FileTree(Root root, Changes changes, Ordered ordered, IReadOnlyList<RefusedName> refused)
    {
        this.root = root;
        this.changes = changes;
        this.ordered = ordered;
        files = new Lazy<IReadOnlyList<TreeFile>>(
            () => ordered.Since is null ? ordered.Files : Merge(ordered.Files, ChangesSince(ordered.Since)));
        Refused = refused;
    }

    private FileTree(Root root, IReadOnlyList<RefusedName> refused)
        : this(root, Changes.None, new Ordered(root.Sorted, null), refused)
    {
    }

    /// <summary>No files.</summary>
    public static FileTree Empty { get; } = new(new Root([]), []);

    /// <summary>The files in ordinal order of their paths.</summary>
    public IReadOnlyList<TreeFile> Files => files.Value;

    /// <summary>What could not be taken in, in the order found.</summary>
    public IReadOnlyList<RefusedName> Refused { get; }

    /// <summary>Makes a tree. Of two paths that cannot lie side by side, the ordinally later one is refused.</summary>
    public static FileTree Of(IEnumerable<TreeFile> files, IEnumerable<RefusedName>? refused = null) =>
        OfSorted(files.OrderBy(f => f.Path), refused ?? []);

    /// <summary>Makes a tree of bytes held in memory.</summary>
    public static FileTree OfBytes(IEnumerable<KeyValuePair<PackPath, byte[]>> files) =>
        Of(files.Select(f => new TreeFile(f.Key, f.Value.Length, FileContent.Of(f.Value))));

    /// <summary>The file at the path, if there is one.</summary>
    public TreeFile? Find(PackPath path) =>
        changes.Files.TryGetValue(path, out var changed) ? changed : root.ByPath.GetValueOrDefault(path);

    /// <summary>True when a file lies at the path.</summary>
    public bool TryFind(PackPath path, [NotNullWhen(true)] out TreeFile? file) => (file = Find(path)) is not null;

    /// <summary>The same tree with each path mapped; paths mapped to nothing are left out.</summary>
    public FileTree Select(Func<PackPath, PackPath?> map) =>
        Of(Files.Select(f => map(f.Path) is { } to ? f with { Path = to } : null).OfType<TreeFile>(), Refused);

    /// <summary>The tree after edits, none of which may replace a file that it does not name.</summary>
    /// <exception cref="InvalidOperationException">
    /// An edit copies, moves or deletes a file that is not there, or moves onto one that is.
    /// </exception>
    public FileTree With(IEnumerable<TreeEdit> edits)
    {
        var draft = new Draft(this);
        foreach (var edit in edits) edit.ApplyTo(draft);
        var (now, collides) = draft.End();
        if (collides) return OfSorted(Merge(root.Sorted, now.Files), Refused);
        // Taken into the files as often as these have grown by a share of theirs, so that each change is merged a few times only.
        if (now.Files.Count > FewChanges + (root.Sorted.Count / 2)) return new FileTree(new Root(Merge(root.Sorted, now.Files)), Refused);
        var last = files.IsValueCreated ? new Ordered(files.Value, null) : ordered;
        return new FileTree(root, now, last with { Since = new SetPaths(draft.SetPaths, last.Since) }, Refused);
    }

    private static FileTree OfSorted(IEnumerable<TreeFile> files, IEnumerable<RefusedName> refused)
    {
        var kept = new List<TreeFile>();
        var left = new List<RefusedName>(refused);
        var folded = new FoldedPaths();
        foreach (var file in files)
        {
            if (folded.TryAdd(file.Path.Value) is { } problem) left.Add(new RefusedName(file.Path.Value, problem));
            else kept.Add(file);
        }

        return new FileTree(new Root(kept), left);
    }

    /// <summary>What is at each path that was set since files were put in order.</summary>
    private Dictionary<PackPath, TreeFile?> ChangesSince(SetPaths last)
    {
        var since = new Dictionary<PackPath, TreeFile?>();
        for (SetPaths? set = last; set is not null; set = set.Before)
            foreach (var path in set.Paths) since[path] = changes.Files[path];
        return since;
    }

    /// <summary>The files in order after some were replaced or taken away and others came in.</summary>
    private static List<TreeFile> Merge(IReadOnlyList<TreeFile> sorted, IReadOnlyDictionary<PackPath, TreeFile?> changes)
    {
        var changed = changes.OrderBy(c => c.Key).ToList();
        var files = new List<TreeFile>(sorted.Count + changed.Count);
        var next = 0;
        foreach (var file in sorted)
        {
            for (; next < changed.Count && changed[next].Key < file.Path; next++)
                if (changed[next].Value is { } added) files.Add(added);
            if (next == changed.Count || changed[next].Key != file.Path) files.Add(file);
            else if (changed[next++].Value is { } now) files.Add(now);
        }

        for (; next < changed.Count; next++)
            if (changed[next].Value is { } added) files.Add(added);
        return files;
    }

    /// <summary>Files as they were put in order for an earlier tree, and what was set since: only this is sorted then.</summary>
    private sealed record Ordered(IReadOnlyList<TreeFile> Files, SetPaths? Since);

    /// <summary>Paths that were set by edits, and by those before.</summary>
    private sealed record SetPaths(IReadOnlyList<PackPath> Paths, SetPaths? Before);

    /// <summary>Files that many trees share.</summary>
    private sealed class Root(IReadOnlyList<TreeFile> sorted)
    {
        public IReadOnlyList<TreeFile> Sorted => sorted;

        public Dictionary<PackPath, TreeFile> ByPath { get; } = sorted.ToDictionary(f => f.Path);

        public Lazy<FoldedPaths> Folded { get; } = new(() => FoldedPaths.Of(sorted));
    }

    /// <summary>What differs from the root.</summary>
    /// <param name="Files">By path: the file there now, or null for one that was taken away.</param>
    /// <param name="Added">Paths that came in, as systems that fold case see them; those taken away since among them.</param>
    internal sealed record Changes(ImmutableDictionary<PackPath, TreeFile?> Files, FoldedSnapshot Added)
    {
        public static Changes None { get; } = new(ImmutableDictionary<PackPath, TreeFile?>.Empty, FoldedSnapshot.Empty);
    }

    /// <summary>A tree while edits are applied to it.</summary>
    internal sealed class Draft(FileTree before)
    {
        private readonly ImmutableDictionary<PackPath, TreeFile?>.Builder files = before.changes.Files.ToBuilder();
        private readonly List<PackPath> set = [];

        /// <summary>The paths that were set, some of them perhaps more than once.</summary>
        public IReadOnlyList<PackPath> SetPaths => set;

        /// <summary>The file at a path, or null.</summary>
        public TreeFile? Find(PackPath path) =>
            files.TryGetValue(path, out var changed) ? changed : before.root.ByPath.GetValueOrDefault(path);

        /// <summary>Puts a file at its path, or takes the one there away.</summary>
        public void Set(PackPath path, TreeFile? file)
        {
            files[path] = file;
            set.Add(path);
        }

        /// <summary>The changes, and whether a new path may collide with another: only new ones can.</summary>
        public (Changes Changes, bool Collides) End()
        {
            var added = before.changes.Added.Begin();
            foreach (var path in set.Distinct())
            {
                if (files[path] is null || before.Find(path) is not null) continue;
                // What an edit took away still counts here: seldom, and then all is looked at anew.
                if (before.root.Folded.Value.FindProblem(path.Value) is not null || added.Paths.TryAdd(path.Value) is not null)
                    return (Ended(added), true);
            }

            return (Ended(added), false);
        }

        private Changes Ended(FoldedSnapshot.Draft added) => new(files.ToImmutable(), added.End());
    }
}
