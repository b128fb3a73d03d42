using Underlay.Core.Packs;

namespace Underlay.Core.Decisions;

/// <summary>A file under <c>.underlay/</c> that keeps decisions of the author, row by row (docs/pack-files.md).</summary>
/// <remarks>
/// What cannot be read of it is told as a finding and never written over; what can be read counts. So a stray quote takes no note along.
/// </remarks>
public interface IDecisionFile
{
    /// <summary>Where it is.</summary>
    PackPath Path { get; }

    /// <summary>What it keeps, for people: "notes on recordings".</summary>
    string Noun { get; }

    /// <summary>How many rows can be read, and what cannot.</summary>
    (int Rows, IReadOnlyList<DecisionDamage> Damage) Judge(FileTree tree);

    /// <summary>The file with those rows alone that can be read.</summary>
    TreeEdit.Write WriteReadable(FileTree tree);
}

/// <inheritdoc cref="IDecisionFile"/>
/// <typeparam name="T">A decision.</typeparam>
public sealed class DecisionFile<T> : IDecisionFile
    where T : class
{
    private readonly IRowForm<T> form;
    private readonly Func<T, string> key;

    internal DecisionFile(PackPath path, string noun, IRowForm<T> form, Func<T, string> key)
    {
        Path = path;
        Noun = noun;
        this.form = form;
        this.key = key;
    }

    /// <inheritdoc/>
    public PackPath Path { get; }

    /// <inheritdoc/>
    public string Noun { get; }

    /// <summary>What it says.</summary>
    public DecisionRows<T> Read(FileTree tree)
    {
        if (!tree.TryFind(Path, out var file)) return new DecisionRows<T>([], []);
        var damage = new List<DecisionDamage>();
        var rows = form.Read(file.ReadAll(), damage);
        var last = new Dictionary<string, DecisionRow<T>>(StringComparer.Ordinal);
        foreach (var row in rows)
        {
            var name = key(row.Value);
            if (last.TryGetValue(name, out var other))
                damage.Add(new DecisionDamage(other.At(), $"the row speaks of the same as the one in {row.At()}"));
            last[name] = row;
        }

        return new DecisionRows<T>(
            [.. rows.Where(r => ReferenceEquals(last[key(r.Value)], r)).Select(r => r.Value)],
            [.. damage.OrderBy(d => d.At.Line).ThenBy(d => d.At.Column)]);
    }

    /// <summary>What it comes to that the rows are others; a file without rows goes, and a damaged one stays as it is.</summary>
    /// <param name="tree">The pack's files.</param>
    /// <param name="change">The rows as they are to be, of those that are there.</param>
    public DecisionChange Change(FileTree tree, Func<IReadOnlyList<T>, IEnumerable<T>> change)
    {
        var (rows, damage) = Read(tree);
        List<T> now = [.. change(rows)];
        if (now.SequenceEqual(rows)) return DecisionChange.None;
        if (damage.FirstOrDefault(d => d.LosesText) is { } lost) return new DecisionChange([], new DamagedDecisions(Path, lost));
        if (now.Count == 0) return new DecisionChange([new TreeEdit.Delete(Path)], null);
        return new DecisionChange([Write(tree, now)], null);
    }

    /// <inheritdoc/>
    public (int Rows, IReadOnlyList<DecisionDamage> Damage) Judge(FileTree tree)
    {
        var (rows, damage) = Read(tree);
        return (rows.Count, damage);
    }

    /// <inheritdoc/>
    public TreeEdit.Write WriteReadable(FileTree tree) => Write(tree, Read(tree).Rows);

    private TreeEdit.Write Write(FileTree tree, IReadOnlyList<T> rows) => new(Path, form.Write(tree.Find(Path)?.ReadAll(), rows, key));
}
