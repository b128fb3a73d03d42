using System.Globalization;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packaging;
using Underlay.Core.Packs;
using Underlay.Data;
using Underlay.Data.Packs;
using Underlay.Server.Files;
using Underlay.Server.Hosting;

namespace Underlay.Server.Packs;

/// <summary>Makes a pack of a folder or an archive, out of the folders around it.</summary>
internal sealed class PackImporter(UnderlayDatabase database, PackService packs, TimeProvider clock)
{
    private const string Nameless = "New pack";

    /// <summary>
    /// One archive becomes its contents; anything else is taken as a folder's files. The pack and its files come together or not at
    /// all.
    /// </summary>
    /// <exception cref="ProblemException">The archive is refused whole, or there is nothing to take.</exception>
    public async Task<PackMade> ImportAsync(HostProfile profile, Upload upload, string? about, CancellationToken cancel)
    {
        var (found, tree) = Open(profile, upload, cancel);
        if (tree.Files.Count == 0) throw ProblemException.Unsound("There are no files in it that could become a pack.");
        var name = FreeName(found, await PackNames.TakenAsync(database, profile.Key, cancel).ConfigureAwait(false));
        var pack = new Pack { Id = Guid.CreateVersion7(), Host = profile.Key, Name = name, About = about, CreatedAt = clock.GetUtcNow() };
        await packs.BeginAsync(
            pack,
            $"Open {found}",
            [.. tree.Files.Select(f => new TreeEdit.Put(f))],
            cancel).ConfigureAwait(false);
        return new PackMade(
            pack.Id,
            ManifestFacts.Read(profile, tree).Title ?? name,
            [.. upload.Refused, .. tree.Refused.Select(Refused.Of)]);
    }

    /// <summary>The host that what was uploaded is for, by what it says itself.</summary>
    /// <exception cref="ProblemException">It does not say, or the archive is refused whole.</exception>
    public static HostProfile FindHost(IReadOnlyList<HostProfile> hosts, Upload upload, CancellationToken cancel)
    {
        var archive = ArchiveOf(upload);
        var tree = upload.Tree;
        if (archive is not null)
        {
            var read = PackArchive.Read(archive.AsMemory(), ArchiveLimits.Standard, cancel);
            tree = read.Tree ?? throw RefusedWhole(archive.Path.FileName, archive.Path.Value, read.Problem!);
        }

        return HostFinder.Find(hosts, archive?.Path.FileName ?? "", tree)
            ?? throw new ProblemException(
                422,
                "which-host",
                "Nothing in it says for which host it was made: neither its name nor a manifest.");
    }

    private static ProblemException RefusedWhole(string name, string path, ArchiveProblem problem) =>
        new(422, "archive-refused", $"{name} was refused whole, and nothing was taken from it: {problem.Says}") { Paths = [path] };

    private static TreeFile? ArchiveOf(Upload upload) =>
        upload.Files is [var only] && IsArchive(only.ReadStart(PackArchive.HeadBytes)) ? only : null;

    private static (string Name, FileTree Tree) Open(HostProfile profile, Upload upload, CancellationToken cancel)
    {
        var archive = ArchiveOf(upload);
        var opened = archive is null
            ? PackArchive.Find(profile, upload.Tree)
            : PackArchive.Open(profile, archive.AsMemory(), ArchiveLimits.Standard, cancel);
        // A dropped folder stands around all of its files; the author means what is in it.
        var around = opened.Around[(opened.Around.LastIndexOf('/') + 1)..];
        var name = archive is null ? around.Length > 0 ? around : Nameless : Stem(archive.Path.FileName);
        return opened.Problem is { } problem
            ? throw RefusedWhole(archive?.Path.FileName ?? name, archive?.Path.Value ?? name, problem)
            : (name, opened.Tree);
    }

    private static bool IsArchive(byte[] head) => PackArchive.IsRead(head) || PackArchive.FindOther(head) is not null;

    /// <summary>
    /// What the pack is called while its manifest has no title; numbered where another is called so, since ids are made of it.
    /// </summary>
    private static string FreeName(string name, IReadOnlySet<string> taken)
    {
        var free = name;
        for (var number = 2; taken.Contains(NewPack.NameOf(free)); number++)
            free = string.Create(CultureInfo.InvariantCulture, $"{name} {number}");
        return free;
    }

    private static string Stem(string name) => name.IndexOf('.', StringComparison.Ordinal) is var dot && dot > 0 ? name[..dot] : name;
}
