using Underlay.Core.Packs;

namespace Underlay.Files;

/// <summary>Writes trees and edits to folders on disk. A file is complete or not there: it is written beside its place and moved.</summary>
public static class FolderWriter
{
    /// <summary>Applies edits to a folder, in order.</summary>
    /// <exception cref="IOException">A file cannot be written or moved; edits before it stand.</exception>
    public static void Apply(string folder, IEnumerable<TreeEdit> edits)
    {
        foreach (var edit in edits)
        {
            switch (edit)
            {
                case TreeEdit.Write write:
                    WriteFile(Where(folder, write.Path), write.Bytes.Span);
                    break;
                case TreeEdit.Put put:
                    WriteFile(Where(folder, put.File.Path), put.File.ReadAll());
                    break;
                case TreeEdit.Copy copy:
                    WriteFile(Where(folder, copy.To), File.ReadAllBytes(Where(folder, copy.From)));
                    break;
                case TreeEdit.Move move:
                    var target = Where(folder, move.To);
                    Directory.CreateDirectory(Path.GetDirectoryName(target)!);
                    File.Move(Where(folder, move.From), target, overwrite: false);
                    RemoveEmptyFolders(folder, move.From);
                    break;
                case TreeEdit.Delete delete:
                    File.Delete(Where(folder, delete.Path));
                    RemoveEmptyFolders(folder, delete.Path);
                    break;
            }
        }
    }

    /// <summary>Writes every file of a tree below a folder.</summary>
    public static void WriteAll(string folder, FileTree tree)
    {
        foreach (var file in tree.Files) WriteFile(Where(folder, file.Path), file.ReadAll());
    }

    /// <summary>Writes one file whole.</summary>
    public static void WriteFile(string path, ReadOnlySpan<byte> bytes)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        var beside = $"{path}.{Environment.ProcessId}.part";
        File.WriteAllBytes(beside, bytes);
        File.Move(beside, path, overwrite: true);
    }

    private static string Where(string folder, PackPath path) => Path.Combine(folder, path.Value);

    private static void RemoveEmptyFolders(string root, PackPath path)
    {
        for (var folder = Path.GetDirectoryName(path.Value); !string.IsNullOrEmpty(folder); folder = Path.GetDirectoryName(folder))
        {
            var full = Path.Combine(root, folder);
            if (!Directory.Exists(full) || Directory.EnumerateFileSystemEntries(full).Any()) return;
            Directory.Delete(full);
        }
    }
}
