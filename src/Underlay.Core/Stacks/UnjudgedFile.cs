using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>A file of the pack at which we ourselves fail: it is left out of what is judged, so that it takes no other along.</summary>
/// <param name="File">The file.</param>
/// <param name="Fault">What was thrown; for whoever mends it.</param>
public sealed record UnjudgedFile(TreeFile File, Exception Fault);
