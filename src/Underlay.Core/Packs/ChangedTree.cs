namespace Underlay.Core.Packs;

/// <summary>A tree while many changes are gathered; it is made anew only where someone looks.</summary>
internal sealed class ChangedTree(FileTree begun)
{
    private readonly HashSet<PackPath> touched = [];
    private readonly List<TreeEdit> since = [];
    private FileTree tree = begun;

    /// <summary>The tree after all changes so far.</summary>
    /// <exception cref="InvalidOperationException">A change does not apply.</exception>
    public FileTree Now
    {
        get
        {
            if (since.Count > 0) tree = tree.With(since);
            since.Clear();
            return tree;
        }
    }

    /// <summary>True where a change named the path.</summary>
    public bool HasTouched(PackPath path) => touched.Contains(path);

    /// <summary>Makes changes.</summary>
    public void Add(IReadOnlyList<TreeEdit> edits)
    {
        since.AddRange(edits);
        touched.UnionWith(edits.SelectMany(e => e.Touches));
    }
}
