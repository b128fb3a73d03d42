using System.Collections.Immutable;

namespace Underlay.Core.Packs;

/// <summary>Folded paths that trees share: one that adds to them costs what it adds.</summary>
internal sealed class FoldedSnapshot
{
    private static readonly ImmutableHashSet<string> None = ImmutableHashSet.Create<string>(StringComparer.OrdinalIgnoreCase);

    private readonly ImmutableHashSet<string> files;
    private readonly ImmutableHashSet<string> folders;

    private FoldedSnapshot(ImmutableHashSet<string> files, ImmutableHashSet<string> folders)
    {
        this.files = files;
        this.folders = folders;
    }

    /// <summary>No paths.</summary>
    public static FoldedSnapshot Empty { get; } = new(None, None);

    /// <summary>A copy to add to.</summary>
    public Draft Begin() => new(files.ToBuilder(), folders.ToBuilder());

    /// <summary>Paths that are being added to.</summary>
    internal sealed class Draft(ImmutableHashSet<string>.Builder files, ImmutableHashSet<string>.Builder folders)
    {
        /// <summary>The paths, to be asked and added to.</summary>
        public FoldedPaths Paths { get; } = new(files, folders);

        /// <summary>All of them now.</summary>
        public FoldedSnapshot End() => new(files.ToImmutable(), folders.ToImmutable());
    }
}
