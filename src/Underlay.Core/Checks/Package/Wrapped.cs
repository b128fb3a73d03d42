using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Checks;

/// <summary>One folder lies around everything, the manifest too.</summary>
/// <remarks>Host: not listed, wrapped. Nothing else can be judged until it is unwrapped. See docs/checks.md#packagewrapped.</remarks>
public static class Wrapped
{
    /// <summary>The check's name.</summary>
    public static CheckCode Code { get; } = new("package/wrapped");

    /// <summary>The finding, or null when nothing is wrapped.</summary>
    public static Finding? Find(HostProfile profile, FileTree tree)
    {
        if (FindWrapper(profile, tree) is not { } folder) return null;
        return new Finding
        {
            Code = Code,
            Severity = Severity.Blocker,
            Path = folder,
            Message = $"The folder “{folder}” lies around everything; {profile.Manifest.Path} has to be at the root. {profile.Title} "
                + $"would not list the pack.",
            Predicts = [new Prediction(PredictionKind.Unlisted, "", OwnCodes.Wrapped)],
            Fix = new Unwrap(folder),
        };
    }

    /// <summary>The folder, one or more deep, that holds all files with the manifest at its root; or null.</summary>
    internal static string? FindWrapper(HostProfile profile, FileTree tree)
    {
        if (tree.Find(profile.Manifest.Path) is not null) return null;
        var files = tree.Files.Where(f => !ReservedFolder.Holds(f.Path)).ToList();
        if (files.Count == 0) return null;
        var folder = files[0].Path.Value;
        while (folder.LastIndexOf('/') is var slash && slash > 0)
        {
            folder = folder[..slash];
            if (tree.Find(PackPath.Parse($"{folder}/{profile.Manifest.Path}")) is not null && files.All(f => f.Path.IsBelow(folder)))
                return folder;
        }

        return null;
    }
}
