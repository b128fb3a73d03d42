using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>One file, of the pack or of the base, in one place.</summary>
/// <param name="Path">Where it lies.</param>
/// <param name="Place">Its place.</param>
/// <param name="Bindings">What its path has at the place's placeholders.</param>
/// <param name="Layer">The layer of the stack that it comes from.</param>
/// <param name="Facts">What is known of its bytes.</param>
public sealed record Placement(PackPath Path, Place Place, Bindings Bindings, Layer Layer, FileFacts Facts)
{
    /// <summary>The text at a field of its entry, or null.</summary>
    public string? Field(string pointer) => Facts.Entry?.Text.FindString(pointer);
}

/// <summary>A file that the host leaves out.</summary>
/// <param name="Placement">The file.</param>
/// <param name="Code">The host's word for why.</param>
/// <param name="Rule">The rule that it breaks; null when it cannot be read or is not accepted.</param>
public sealed record Drop(Placement Placement, string Code, Rule? Rule);

/// <summary>A rule that holds for a file, and the file on which that depends.</summary>
/// <param name="Rule">The rule.</param>
/// <param name="ChosenBy">The entry whose field chose the rule, or null.</param>
public readonly record struct ActiveRule(Rule Rule, PackPath? ChosenBy);

/// <summary>The files that are judged together.</summary>
/// <param name="Key">See <see cref="GroupMap.KeyOf"/>.</param>
/// <param name="Shown">What the host shows of it, of the pack or of the base.</param>
/// <param name="Dropped">What it leaves out.</param>
/// <param name="TakenOver">Facts of entries beyond the group whose fields those of the group take over.</param>
public sealed record Group(string Key, IReadOnlyList<Placement> Shown, IReadOnlyList<Drop> Dropped, IReadOnlyList<FileFacts> TakenOver);
