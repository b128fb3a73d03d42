namespace Underlay.Core.Packs;

/// <summary>One change to a tree, as a fix or an author makes it.</summary>
public abstract record TreeEdit
{
    private protected TreeEdit()
    {
    }

    /// <summary>The paths that it changes, as they were or become.</summary>
    internal abstract IEnumerable<PackPath> Touches { get; }

    internal abstract void ApplyTo(Dictionary<PackPath, TreeFile> files);

    /// <summary>Writes a file, new or in the place of the one there.</summary>
    public sealed record Write(PackPath Path, ReadOnlyMemory<byte> Bytes) : TreeEdit
    {
        internal override IEnumerable<PackPath> Touches => [Path];

        internal override void ApplyTo(Dictionary<PackPath, TreeFile> files) =>
            files[Path] = new TreeFile(Path, Bytes.Length, FileContent.Of(Bytes));
    }

    /// <summary>Puts a file, new or in the place of the one there, whose bytes are read when they are asked for.</summary>
    public sealed record Put(TreeFile File) : TreeEdit
    {
        internal override IEnumerable<PackPath> Touches => [File.Path];

        internal override void ApplyTo(Dictionary<PackPath, TreeFile> files) => files[File.Path] = File;
    }

    /// <summary>Moves a file to a path that is free.</summary>
    public sealed record Move(PackPath From, PackPath To) : TreeEdit
    {
        internal override IEnumerable<PackPath> Touches => [From, To];

        internal override void ApplyTo(Dictionary<PackPath, TreeFile> files)
        {
            if (!files.Remove(From, out var file)) throw new InvalidOperationException($"There is no file {From} to move.");
            if (!files.TryAdd(To, file with { Path = To })) throw new InvalidOperationException($"A file {To} is already there.");
        }
    }

    /// <summary>Takes a file away.</summary>
    public sealed record Delete(PackPath Path) : TreeEdit
    {
        internal override IEnumerable<PackPath> Touches => [Path];

        internal override void ApplyTo(Dictionary<PackPath, TreeFile> files)
        {
            if (!files.Remove(Path)) throw new InvalidOperationException($"There is no file {Path} to delete.");
        }
    }
}
