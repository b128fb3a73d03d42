using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;

namespace Underlay.Core.Checks;

/// <summary>An archive's file name does not end as the host wants.</summary>
/// <remarks>Host: not listed, ending. See docs/checks.md#packageending.</remarks>
public static class WrongEnding
{
    /// <summary>The check's name.</summary>
    public static CheckCode Code { get; } = new("package/ending");

    /// <summary>The finding for an archive, or null when its name is right.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="fileName">The archive's file name.</param>
    public static Finding? Find(HostProfile profile, string fileName)
    {
        var wanted = profile.Package.Extension;
        if (fileName.EndsWith(wanted, StringComparison.Ordinal)) return null;
        return new Finding
        {
            Code = Code,
            Severity = Severity.Blocker,
            Path = "",
            Message = $"The file is called {fileName}; a package’s name has to end in {wanted}. {profile.Title} would not list the pack.",
            Predicts = [new Prediction(PredictionKind.Unlisted, "", OwnCodes.Ending)],
        };
    }
}
