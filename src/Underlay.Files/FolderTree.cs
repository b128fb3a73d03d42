using Underlay.Core.Packs;

namespace Underlay.Files;

/// <summary>Reads a folder on disk as a tree.</summary>
public static class FolderTree
{
    /// <summary>Folders and files of version control, which are nobody's pack.</summary>
    private static readonly HashSet<string> VersionControl = new(
        StringComparer.Ordinal) { ".git", ".hg", ".svn", ".gitignore", ".gitattributes" };

    /// <summary>Lists a folder. Links are not followed; names that cannot be paths are kept apart.</summary>
    /// <param name="folder">The folder.</param>
    /// <exception cref="IOException">The folder or something in it cannot be listed.</exception>
    public static FileTree Read(string folder)
    {
        var files = new List<TreeFile>();
        var refused = new List<RefusedName>();
        Collect(new DirectoryInfo(folder), "", files, refused);
        return FileTree.Of(files, refused);
    }

    private static void Collect(DirectoryInfo folder, string prefix, List<TreeFile> files, List<RefusedName> refused)
    {
        foreach (var item in folder.EnumerateFileSystemInfos().OrderBy(i => i.Name, StringComparer.Ordinal))
        {
            if (VersionControl.Contains(item.Name)) continue;
            var name = prefix + item.Name;
            if (item.LinkTarget is not null) refused.Add(new RefusedName(name, PathProblem.NotAPlainFile));
            else if (item is DirectoryInfo inner) Collect(inner, name + "/", files, refused);
            else if (item is not FileInfo file || !IsPlain(file)) refused.Add(new RefusedName(name, PathProblem.NotAPlainFile));
            else if (PackPath.TryParse(name, out var path, out var problem))
                files.Add(new TreeFile(path, file.Length, new DiskContent(file.FullName)));
            else refused.Add(new RefusedName(name, problem));
        }
    }

    private static bool IsPlain(FileInfo file) => (file.Attributes & (FileAttributes.Device | FileAttributes.ReparsePoint)) == 0;

    private sealed class DiskContent(string file) : FileContent
    {
        public override void Read(Span<byte> to)
        {
            // A file without length is not opened at all: pipes show none, and would block the reader.
            if (to.IsEmpty) return;
            using var handle = File.OpenHandle(file);
            for (var at = 0; at < to.Length;)
            {
                var read = RandomAccess.Read(handle, to[at..], at);
                if (read == 0) throw new EndOfStreamException($"{file} became shorter while it was read.");
                at += read;
            }
        }
    }
}
