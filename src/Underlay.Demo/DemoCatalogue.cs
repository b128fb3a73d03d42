using Underlay.Core.Packs;
using Underlay.Demo.Kilnmoor;

namespace Underlay.Demo;

/// <summary>A tree of demo files and where it belongs below the demo's folder.</summary>
/// <param name="Folder">For example "packs/moorpaths".</param>
/// <param name="Make">Draws and writes the files, the same bytes each time.</param>
public sealed record DemoFolder(string Folder, Func<FileTree> Make);

/// <summary>All that the demo holds: base files of the invented hosts, packs, and what puts the packs right.</summary>
public static class DemoCatalogue
{
    /// <summary>Raised whenever the same folder gets other bytes, so that kept copies are made anew.</summary>
    public const int Version = 1;

    /// <summary>Every folder.</summary>
    public static IReadOnlyList<DemoFolder> Folders { get; } =
    [
        new("base/kilnmoor/4.0", KilnmoorBase.Make),
        new("packs/moorpaths", MoorpathsPack.Make),
        new("packs/tidepool", TidepoolPack.Make),
        new("trays/tidepool", TidepoolTray.Make),
        new("mended/tidepool", TidepoolPack.MakeMended),
    ];

    /// <summary>The base files of an edition, or null when the demo has none.</summary>
    public static DemoFolder? FindBase(string host, string edition) => Folders.FirstOrDefault(f => f.Folder == $"base/{host}/{edition}");
}
