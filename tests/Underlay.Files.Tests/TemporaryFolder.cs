namespace Underlay.Files.Tests;

/// <summary>A folder of a test's own, which goes with it.</summary>
internal sealed class TemporaryFolder : IDisposable
{
    public string Path { get; } = Directory.CreateTempSubdirectory("underlay-files-").FullName;

    public string At(string name) => System.IO.Path.Combine(Path, name);

    public TemporaryFolder With(string name, string text)
    {
        Directory.CreateDirectory(System.IO.Path.GetDirectoryName(At(name))!);
        File.WriteAllText(At(name), text);
        return this;
    }

    /// <summary>The files below, in ordinal order.</summary>
    public IEnumerable<string> Files =>
        Directory.EnumerateFiles(Path, "*", SearchOption.AllDirectories)
            .Select(f => System.IO.Path.GetRelativePath(Path, f))
            .Order(StringComparer.Ordinal);

    public void Dispose() => Directory.Delete(Path, recursive: true);
}
