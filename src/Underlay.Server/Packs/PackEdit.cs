using Underlay.Core.Checks;
using Underlay.Core.Packs;

namespace Underlay.Server.Packs;

/// <summary>What is to be changed in a pack.</summary>
/// <param name="Edits">The changes, from the pack as it is.</param>
/// <param name="Checked">The check of the pack after them, where there was one.</param>
/// <param name="Holds">
/// Judges the pack after them, while they are being written: where it says no, nothing is kept. Null where nobody judges.
/// </param>
internal sealed record PackEdit(
    IReadOnlyList<TreeEdit> Edits,
    CheckSession? Checked = null,
    Func<PackSnapshot, bool>? Holds = null);
