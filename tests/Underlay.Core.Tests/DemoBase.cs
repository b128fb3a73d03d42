using Underlay.Core.BaseFiles;

namespace Underlay.Core.Tests;

/// <summary>The demo's base, read once for all tests: its materials have prices, and nearly all of its wares recipes.</summary>
internal static class DemoBase
{
    private static readonly Lazy<BaseCatalogue> Known = new(
        () => BaseCatalogue.Read(Repository.Kilnmoor, Repository.Kilnmoor.Newest, DemoFiles.Base("kilnmoor", "4.0")));

    /// <summary>Kilnmoor's, of the newest edition.</summary>
    public static BaseCatalogue Kilnmoor => Known.Value;

    /// <summary>A pack judged over it.</summary>
    public static CheckReport Check(FileTree pack) => CheckReport.Make(Repository.Kilnmoor, null, _ => Kilnmoor, pack);
}
