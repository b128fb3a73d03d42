using System.Globalization;
using Underlay.Core.Hosts;
using Underlay.Core.Packaging;
using Underlay.Core.Packs;

namespace Underlay.Cli;

/// <summary>
/// A package that is written while its pack is checked, to a file of its own beside the target. What is not finished is taken away
/// again, with the folder that was made for it.
/// </summary>
/// <param name="target">Where the package is to lie.</param>
internal sealed class UnfinishedPackage(FileInfo target) : IDisposable
{
    private readonly string unfinished = $"{target.FullName}.{Environment.ProcessId}.part";
    private readonly CancellationTokenSource stop = new();
    private Task<BuiltPackage>? writing;
    private bool isOwnFolder;

    /// <summary>Begins to write.</summary>
    public void Begin(HostProfile profile, IReadOnlyList<TreeFile> files) => writing = Task.Run(() =>
    {
        isOwnFolder = !target.Directory!.Exists;
        target.Directory.Create();
        using var stream = new FileStream(unfinished, FileMode.CreateNew, FileAccess.Write, FileShare.None, 1 << 20);
        return PackageBuilder.Write(profile, files, stream, cancel: stop.Token);
    });

    /// <summary>Waits until all is written, and puts it where it is to lie.</summary>
    /// <exception cref="UserErrorException">The host takes no package so large.</exception>
    public BuiltPackage Finish(HostProfile profile)
    {
        var built = writing!.GetAwaiter().GetResult();
        if (built.Length > profile.Package.MostBytes)
            throw new UserErrorException(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"The package would have {built.Length:N0} bytes; {profile.Title} takes at most {profile.Package.MostBytes:N0}."));
        File.Move(unfinished, target.FullName, overwrite: true);
        isOwnFolder = false;
        return built;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        stop.Cancel();
        // What kept it from being written was told where it was waited for, or matters no more.
        if (writing is not null) ((IAsyncResult)writing).AsyncWaitHandle.WaitOne();
        File.Delete(unfinished);
        if (isOwnFolder && target.Directory is { Exists: true } folder && !folder.EnumerateFileSystemInfos().Any()) folder.Delete();
        stop.Dispose();
    }
}
