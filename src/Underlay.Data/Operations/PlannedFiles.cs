using Npgsql;
using Underlay.Core.Packs;
using Underlay.Data.Blobs;
using Underlay.Data.Facts;

namespace Underlay.Data.Operations;

/// <summary>
/// The files of a plan as they will be read once it is carried out, so that they can be checked meanwhile. Until then new bytes are
/// at hand, and what is learned of them waits: nothing can be kept of blobs that are not there.
/// </summary>
public sealed class PlannedFiles
{
    private readonly List<BlobContent> atHand = [];
    private readonly KeptFacts facts;

    /// <summary>The files of a plan.</summary>
    /// <param name="plan">What will be carried out.</param>
    /// <param name="tree">The pack before it.</param>
    /// <param name="source">The database that it will be carried out in.</param>
    /// <param name="store">Where what is learned of them goes.</param>
    public PlannedFiles(EditPlan plan, FileTree tree, NpgsqlDataSource source, FactsStore store)
    {
        facts = new KeptFacts(store, waits: true);
        var bytes = plan.Blobs.DistinctBy(b => b.Hash).ToDictionary(b => b.Hash, b => b.Read);
        var there = plan.Rows.Where(r => r.After is not null).ToLookup(r => bytes.ContainsKey(r.After!.Value));
        foreach (var row in there[true]) atHand.Add(new BlobContent(source, row.After!.Value, facts, bytes[row.After.Value]));
        // What is known of a file that moves or is copied is known where it comes to lie.
        var known = plan.Rows
            .Select(r => tree.Find(r.Path)?.Content)
            .OfType<BlobContent>()
            .Where(c => c.IsKnown)
            .DistinctBy(c => c.Hash)
            .ToDictionary(c => c.Hash);
        var kept = there[false].ToLookup(r => known.ContainsKey(r.After!.Value));
        var read = BlobBatch.Files(source, kept[false].Select(r => (r.Path, r.After!.Value, r.Length)), facts);
        Edits =
        [
            .. plan.Rows.Where(r => r.After is null).Select(r => new TreeEdit.Delete(r.Path)),
            .. kept[true].Select(r => new TreeEdit.Put(new TreeFile(r.Path, r.Length, known[r.After!.Value]))),
            .. read.Select(f => new TreeEdit.Put(f)),
            .. there[true].Zip(atHand).Select(f => new TreeEdit.Put(new TreeFile(f.First.Path, f.First.Length, f.Second))),
        ];
    }

    /// <summary>Edits that lead from the plan's tree to the one after it.</summary>
    public IReadOnlyList<TreeEdit> Edits { get; }

    /// <summary>The plan was carried out, and nothing is being learned: bytes are let go of, and what was learned is kept.</summary>
    public void AreKept()
    {
        foreach (var content in atHand) content.LetGo();
        facts.WaitNoMore();
    }
}
