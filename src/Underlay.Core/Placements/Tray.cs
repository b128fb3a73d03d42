using Underlay.Core.Packaging;
using Underlay.Core.Packs;

namespace Underlay.Core.Placements;

/// <summary>An archive in a drop that was refused.</summary>
/// <param name="Path">The archive.</param>
/// <param name="Problem">Why.</param>
public sealed record RefusedArchive(PackPath Path, ArchiveProblem Problem);

/// <summary>Files dropped in but not yet placed: what lay in archives stands below the archive's name.</summary>
/// <param name="Files">The files, ordered by path.</param>
/// <param name="Refused">Archives that were refused whole; they are not among the files.</param>
public sealed record Tray(FileTree Files, IReadOnlyList<RefusedArchive> Refused)
{
    /// <summary>Opens a drop. Archives are opened once; those inside them stay files.</summary>
    public static Tray Open(FileTree drop, ArchiveLimits limits)
    {
        var files = new List<TreeFile>();
        var refused = new List<RefusedArchive>();
        foreach (var file in drop.Files)
        {
            var head = file.ReadStart(PackArchive.HeadBytes);
            if (PackArchive.FindOther(head) is { } other)
            {
                refused.Add(new RefusedArchive(file.Path, PackArchive.NotRead(other)));
                continue;
            }

            if (!PackArchive.IsRead(head))
            {
                files.Add(file);
                continue;
            }

            var result = PackArchive.Read(file.AsMemory(), limits);
            if (result.Problem is { } problem) refused.Add(new RefusedArchive(file.Path, problem));
            else files.AddRange(Below(file.Path, result.Tree!));
        }

        return new Tray(FileTree.Of(files, drop.Refused), refused);
    }

    private static IEnumerable<TreeFile> Below(PackPath archive, FileTree tree)
    {
        foreach (var file in tree.Files)
            if (PackPath.TryParse($"{archive}/{file.Path}", out var path, out _)) yield return file with { Path = path };
    }
}
