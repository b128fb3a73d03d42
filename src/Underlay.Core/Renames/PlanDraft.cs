using Underlay.Core.Packs;

namespace Underlay.Core.Renames;

/// <summary>A plan as it grows: each edit is made on the files that the edits before it leave.</summary>
internal sealed class PlanDraft(FileTree tree)
{
    private readonly List<PlanLine> lines = [];
    private readonly List<TreeEdit> edits = [];

    /// <summary>The files as they then are.</summary>
    public FileTree Tree { get; private set; } = tree;

    public void Add(PackPath path, string says, params IReadOnlyList<TreeEdit> more)
    {
        if (more.Count == 0) return;
        lines.Add(new PlanLine(path, says));
        Add(more);
    }

    /// <summary>Something about what was done.</summary>
    public void Tell(PackPath path, string says) => lines.Add(new PlanLine(path, says));

    /// <summary>Edits that go without saying.</summary>
    public void Add(IReadOnlyList<TreeEdit> more)
    {
        edits.AddRange(more);
        Tree = Tree.With(more);
    }

    public EntryPlan Done(PackPath path) => new(path, lines, edits, null);
}
