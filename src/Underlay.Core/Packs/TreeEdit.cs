namespace Underlay.Core.Packs;

/// <summary>One change to a tree, as a fix or an author makes it.</summary>
public abstract record TreeEdit
{
    private protected TreeEdit()
    {
    }

    /// <summary>The paths that it changes, as they were or become.</summary>
    public abstract IEnumerable<PackPath> Touches { get; }

    internal abstract void ApplyTo(FileTree.Draft files);

    /// <summary>Writes a file, new or in the place of the one there.</summary>
    public sealed record Write(PackPath Path, ReadOnlyMemory<byte> Bytes) : TreeEdit
    {
        /// <summary>The hash of the bytes, where whoever made them knows it.</summary>
        public ContentHash? Hash { get; init; }

        /// <inheritdoc/>
        public override IEnumerable<PackPath> Touches => [Path];

        internal override void ApplyTo(FileTree.Draft files) =>
            files.Set(Path, new TreeFile(Path, Bytes.Length, FileContent.Of(Bytes, Hash)));
    }

    /// <summary>Puts a file, new or in the place of the one there, whose bytes are read when they are asked for.</summary>
    public sealed record Put(TreeFile File) : TreeEdit
    {
        /// <inheritdoc/>
        public override IEnumerable<PackPath> Touches => [File.Path];

        internal override void ApplyTo(FileTree.Draft files) => files.Set(File.Path, File);
    }

    /// <summary>Puts what is at a path at another too, new or in the place of the file there.</summary>
    public sealed record Copy(PackPath From, PackPath To) : TreeEdit
    {
        /// <inheritdoc/>
        public override IEnumerable<PackPath> Touches => [To];

        internal override void ApplyTo(FileTree.Draft files)
        {
            var file = files.Find(From) ?? throw new InvalidOperationException($"There is no file {From} to copy.");
            files.Set(To, file with { Path = To });
        }
    }

    /// <summary>Moves a file to a path that is free.</summary>
    public sealed record Move(PackPath From, PackPath To) : TreeEdit
    {
        /// <inheritdoc/>
        public override IEnumerable<PackPath> Touches => [From, To];

        internal override void ApplyTo(FileTree.Draft files)
        {
            var file = files.Find(From) ?? throw new InvalidOperationException($"There is no file {From} to move.");
            files.Set(From, null);
            if (files.Find(To) is not null) throw new InvalidOperationException($"A file {To} is already there.");
            files.Set(To, file with { Path = To });
        }
    }

    /// <summary>Takes a file away.</summary>
    public sealed record Delete(PackPath Path) : TreeEdit
    {
        /// <inheritdoc/>
        public override IEnumerable<PackPath> Touches => [Path];

        internal override void ApplyTo(FileTree.Draft files)
        {
            if (files.Find(Path) is null) throw new InvalidOperationException($"There is no file {Path} to delete.");
            files.Set(Path, null);
        }
    }
}
