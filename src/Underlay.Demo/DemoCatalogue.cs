using Underlay.Core.Packs;
using Underlay.Demo.Kilnmoor;
using Underlay.Demo.Wrenfield;

namespace Underlay.Demo;

/// <summary>A tree of demo files and where it belongs below the demo's folder.</summary>
/// <param name="Folder">For example "packs/moorpaths".</param>
/// <param name="Make">Draws and writes the files, the same bytes each time.</param>
public sealed record DemoFolder(string Folder, Func<FileTree> Make);

/// <summary>A demo pack as the application shows it.</summary>
/// <param name="Name">The folder's name.</param>
/// <param name="Host">The host's key.</param>
/// <param name="About">A line on what to try.</param>
/// <param name="Make">Draws and writes the files.</param>
public sealed record DemoPack(string Name, string Host, string About, Func<FileTree> Make);

/// <summary>All that the demo holds: base files of the invented hosts, packs, and what puts the packs right.</summary>
public static class DemoCatalogue
{
    /// <summary>Raised whenever the same folder gets other bytes, so that kept copies are made anew.</summary>
    public const int Version = 12;

    /// <summary>Every folder.</summary>
    public static IReadOnlyList<DemoFolder> Folders { get; } =
    [
        new("base/kilnmoor/3.0", () => KilnmoorBase.Make("3.0")),
        new("base/kilnmoor/3.1", () => KilnmoorBase.Make("3.1")),
        new("base/kilnmoor/4.0", () => KilnmoorBase.Make("4.0")),
        new("base/wrenfield/1", () => WrenfieldBase.Make("1")),
        new("base/wrenfield/2", () => WrenfieldBase.Make("2")),
        new("packs/moorpaths", MoorpathsPack.Make),
        new("packs/tidepool", TidepoolPack.Make),
        new("packs/wintermarket", WintermarketPack.Make),
        new("trays/tidepool", TidepoolTray.Make),
        new("mended/tidepool", TidepoolPack.MakeMended),
        new("packs/northern-plates", NorthernPlates.Make),
        new("mended/northern-plates", NorthernPlates.MakeMended),
    ];

    /// <summary>The packs that a first start shows.</summary>
    public static IReadOnlyList<DemoPack> Packs { get; } =
    [
        new(
            "tidepool",
            "kilnmoor",
            "Sea glazes with some thirty mistakes in them: open Prove and mend them one by one.",
            TidepoolPack.Make),
        new("wintermarket", "kilnmoor", "Awnings, boards and scenes for winter, clean: see sets in the ledger.", WintermarketPack.Make),
        new(
            "moorpaths",
            "kilnmoor",
            "A few new grounds, the smallest whole pack: build it in Release and try it in Prove.",
            MoorpathsPack.Make),
        new(
            "northern-plates",
            "wrenfield",
            "Sixty bird plates named as their painter names them, and no contents yet: for another host.",
            NorthernPlates.Make),
    ];

    /// <summary>The base files of an edition, or null when the demo has none.</summary>
    public static DemoFolder? FindBase(string host, string edition) => Folders.FirstOrDefault(f => f.Folder == $"base/{host}/{edition}");
}
