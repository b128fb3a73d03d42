using Underlay.Core.Hosts;
using Underlay.Core.Packaging;
using Underlay.Core.Packs;
using Underlay.Data;
using Underlay.Data.Packs;
using Underlay.Server.Files;
using Underlay.Server.Hosting;

namespace Underlay.Server.Packs;

/// <summary>Makes a pack of a folder or an archive.</summary>
internal sealed class PackImporter(UnderlayDatabase database, PackDesk desk, TimeProvider clock)
{
    /// <summary>One archive becomes its contents; anything else is taken as a folder's files.</summary>
    /// <exception cref="ProblemException">The archive is refused whole, or there is nothing to take.</exception>
    public async Task<PackMade> ImportAsync(HostProfile profile, Upload upload, string? about, CancellationToken cancel)
    {
        var (name, tree) = Open(profile, upload, cancel);
        if (tree.Files.Count == 0) throw ProblemException.Unsound("There are no files in it that could become a pack.");
        var title = ManifestFacts.Read(profile, tree).Title ?? name;
        var pack = new Pack { Id = Guid.CreateVersion7(), Host = profile.Key, Name = name, About = about, CreatedAt = clock.GetUtcNow() };
        // The pack and its files come together or not at all.
        database.Packs.Add(pack);
        await database.SaveChangesAsync(cancel).ConfigureAwait(false);
        try
        {
            await desk.EditAsync(pack.Id, null, $"Open {name}", _ => [.. tree.Files.Select(f => new TreeEdit.Write(f.Path, f.ReadAll()))], cancel).ConfigureAwait(false);
        }
        catch
        {
            database.Packs.Remove(pack);
            await database.SaveChangesAsync(CancellationToken.None).ConfigureAwait(false);
            throw;
        }

        return new PackMade(pack.Id, title, [.. upload.Refused, .. tree.Refused.Select(Refused.Of)]);
    }

    private static (string Name, FileTree Tree) Open(HostProfile profile, Upload upload, CancellationToken cancel)
    {
        if (upload.Files is [var only] && ZipReader.IsZip(only.Bytes))
        {
            var result = ZipReader.Read(only.Bytes, ArchiveLimits.Standard, cancel);
            var (tree, problem) = result.Tree is { } package ? Folios.Unfold(profile, package) : (FileTree.Empty, result.Problem);
            if (problem is not null) throw new ProblemException(422, "archive-refused", $"{only.Path.FileName} was refused whole, and nothing was taken from it: {problem.Says}") { Paths = [only.Path.Value] };
            return (Stem(only.Path.FileName), tree);
        }

        var dropped = FileTree.OfBytes(upload.Files.Select(f => KeyValuePair.Create(f.Path, f.Bytes)));
        // A dropped folder stands around all of its files; the author means what is in it.
        var folders = upload.Files.Select(f => f.Path.Segments is [var first, _, ..] ? first : null).Distinct().ToList();
        return folders is [{ } folder]
            ? (folder, dropped.Select(path => PackPath.Parse(path.Value[(folder.Length + 1)..])))
            : ("New pack", dropped);
    }

    private static string Stem(string name) => name.IndexOf('.', StringComparison.Ordinal) is var dot && dot > 0 ? name[..dot] : name;
}
