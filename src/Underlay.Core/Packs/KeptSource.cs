namespace Underlay.Core.Packs;

/// <summary>Keeps the files that authors made beside what the pack has of them.</summary>
public static class KeptSource
{
    /// <summary>The edits that keep a source; the one before it is the author's work too, and is moved aside.</summary>
    /// <param name="tree">The pack.</param>
    /// <param name="path">The file that is made of it.</param>
    /// <param name="source">Its bytes.</param>
    /// <param name="hash">Their hash.</param>
    public static IReadOnlyList<TreeEdit> Edits(FileTree tree, PackPath path, byte[] source, ContentHash hash)
    {
        var edits = new List<TreeEdit>();
        var kept = ReservedFolder.SourceOf(path);
        if (tree.Find(kept) is { } earlier && earlier.Hash is var old && old != hash)
        {
            var aside = PackPath.Parse($"{kept}.{old.Hex[..8]}");
            if (tree.Find(aside) is null) edits.Add(new TreeEdit.Move(kept, aside));
        }

        // What the pack has at the path is not held in memory for it.
        var isThere = tree.Find(path) is { } file && file.Length == source.Length && file.Hash == hash;
        edits.Add(isThere ? new TreeEdit.Copy(path, kept) : new TreeEdit.Write(kept, source) { Hash = hash });
        return edits;
    }
}
