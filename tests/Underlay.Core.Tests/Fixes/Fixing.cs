using Underlay.Core.Mending;

namespace Underlay.Core.Tests.Fixes;

/// <summary>Fixes of packs over the small base.</summary>
internal static class Fixing
{
    /// <summary>Applies the fixes of these codes; without any, all that lose nothing and leave no choice.</summary>
    public static FixOutcome Run(APack pack, params string[] only) =>
        FixRunner.Run("Tide Pool", pack.Tree, t => CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, t), Repository.Kilnmoor, only);
}
