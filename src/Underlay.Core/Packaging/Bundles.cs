using System.Formats.Tar;
using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Formats.Toml;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Packaging;

/// <summary>
/// Puts the files of a folder into archives inside the package, and takes them out again. Archives are named by their content,
/// since hosts keep what they know by name: a changed one under its old name would show old pictures.
/// </summary>
public static class Bundles
{
    private const int NameDigits = 16;

    /// <summary>The files as they stand in the package: those below the rule's folder in archives, which the manifest lists.</summary>
    public static IReadOnlyList<TreeFile> PutIn(HostProfile profile, IReadOnlyList<TreeFile> files)
    {
        if (profile.Package.Bundle is not { } rule || !files.Any(f => IsBelow(f.Path, rule))) return files;
        var order = OrderOf(profile, rule, files);
        var inside = files
            .Where(f => IsBelow(f.Path, rule))
            .OrderBy(f => order.GetValueOrDefault(f.Path.Value, int.MaxValue))
            .ThenBy(f => f.Path);
        var bundles = new Dictionary<PackPath, TreeFile>();
        foreach (var part in inside.Chunk(rule.Most))
        {
            var content = new Bundle(part);
            var path = PackPath.Parse($"{rule.Folder}/{content.Hash.Hex[..NameDigits]}.tar");
            bundles[path] = new TreeFile(path, content.Length, content);
        }

        var rest = files.Where(f => !IsBelow(f.Path, rule)).Select(f => f.Path == profile.Manifest.Path ? List(f, rule, bundles) : f);
        return [.. rest.Concat(bundles.Values).OrderBy(f => f.Path)];
    }

    /// <summary>The pack as its author has it: files out of the archives that the manifest lists, and a manifest that lists none.</summary>
    public static (FileTree Tree, ArchiveProblem? Problem) TakeOut(HostProfile profile, FileTree package)
    {
        if (profile.Package.Bundle is not { } rule || package.Find(profile.Manifest.Path) is not { } manifest) return (package, null);
        var text = TomlText.Parse(manifest.ReadAll());
        var count = text.Find($"/{rule.Table}") is { ValueKind: System.Text.Json.JsonValueKind.Array } list ? list.GetArrayLength() : 0;
        if (count == 0) return (package, null);
        var files = package.Files.ToDictionary(f => f.Path);
        for (var i = 0; i < count; i++)
        {
            if (!PackPath.TryParse(text.FindString($"/{rule.Table}/{i}/file"), out var path, out _) || !files.Remove(path, out var bundle))
                continue;
            var bytes = bundle.ReadAll();
            if (ContentHash.Of(bytes).Hex != text.FindString($"/{rule.Table}/{i}/sha256"))
                return (FileTree.Empty, Damaged(rule, path, $"it has another SHA-256 than {profile.Manifest.Path} gives"));
            if (Take(bytes, rule, files) is { } problem) return (FileTree.Empty, Damaged(rule, path, problem));
        }

        var bare = Encoding.UTF8.GetBytes(WithoutTable(Encoding.UTF8.GetString(manifest.ReadAll()), rule));
        files[manifest.Path] = new TreeFile(manifest.Path, bare.Length, FileContent.Of(bare));
        return (FileTree.Of(files.Values, package.Refused), null);
    }

    private static bool IsBelow(PackPath path, BundleRule rule) => path.Value.StartsWith(rule.Below, StringComparison.Ordinal);

    private static Dictionary<string, int> OrderOf(HostProfile profile, BundleRule rule, IReadOnlyList<TreeFile> files)
    {
        var place = profile.Place(rule.Index);
        var index = files.FirstOrDefault(f => place.Pattern!.Match(f.Path) is not null);
        var order = new Dictionary<string, int>(StringComparer.Ordinal);
        if (index is null) return order;
        foreach (var row in IndexFacts.Of(index.ReadAll(), place.Index!).Rows) order.TryAdd(row.File, order.Count);
        return order;
    }

    private static TreeFile List(TreeFile manifest, BundleRule rule, Dictionary<PackPath, TreeFile> bundles)
    {
        var text = new StringBuilder(WithoutTable(Encoding.UTF8.GetString(manifest.ReadAll()), rule).TrimEnd('\n')).Append('\n');
        foreach (var (file, bundle) in bundles)
            text.Append(
                System.Globalization.CultureInfo.InvariantCulture,
                $"\n[[{rule.Table}]]\nfile = \"{file}\"\nsha256 = \"{bundle.Hash}\"\n");
        var written = Encoding.UTF8.GetBytes(text.ToString());
        return new TreeFile(manifest.Path, written.Length, FileContent.Of(written));
    }

    /// <summary>The manifest without the tables that list archives.</summary>
    private static string WithoutTable(string text, BundleRule rule)
    {
        var kept = new List<string>();
        var inTable = false;
        foreach (var line in text.Split('\n'))
        {
            if (line.TrimStart().StartsWith('[')) inTable = line.Trim().StartsWith($"[[{rule.Table}]]", StringComparison.Ordinal);
            if (!inTable) kept.Add(line);
        }

        return string.Join('\n', kept).TrimEnd('\n') + "\n";
    }

    private static string? Take(byte[] bytes, BundleRule rule, Dictionary<PackPath, TreeFile> files)
    {
        try
        {
            using var tar = new TarReader(new MemoryStream(bytes, writable: false));
            while (tar.GetNextEntry() is { } entry)
            {
                if (entry.EntryType is not (TarEntryType.RegularFile or TarEntryType.V7RegularFile))
                    return $"“{entry.Name}” in it is no plain file";
                if (!PackPath.TryParse(entry.Name, out var path, out _) || !IsBelow(path, rule))
                    return $"the name “{entry.Name}” in it may not stand there";
                using var data = new MemoryStream();
                entry.DataStream?.CopyTo(data);
                if (!files.TryAdd(path, new TreeFile(path, data.Length, FileContent.Of(data.ToArray())))) return $"{path} stands twice";
            }

            return null;
        }
        catch (Exception problem)
            when (problem is InvalidDataException or EndOfStreamException or FormatException or IOException or NotSupportedException)
        {
            return "it is no TAR archive";
        }
    }

    /// <summary>An archive of files: made once for its name, and again when it is written, so that one at a time is in memory.</summary>
    private sealed class Bundle : FileContent
    {
        private readonly TreeFile[] files;

        public Bundle(TreeFile[] files)
        {
            this.files = files;
            var tar = Make();
            (Length, Hash) = (tar.Length, ContentHash.Of(tar));
        }

        public long Length { get; }

        public ContentHash Hash { get; }

        protected override ContentHash? KnownHash => Hash;

        protected internal override ReadOnlyMemory<byte>? FindMemory() => Make();

        public override void Read(Span<byte> to) => Make().AsSpan(0, to.Length).CopyTo(to);

        private byte[] Make() => TarWriter.Write(files.Select(f => (f.Path.Value, f.ReadAll())));
    }

    private static ArchiveProblem Damaged(BundleRule rule, PackPath path, string says) =>
        new(ArchiveProblemKind.Damaged, path.Value, $"The {rule.Called} {path} cannot be used: {says}.");
}
