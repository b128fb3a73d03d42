using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Sounds;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>The end of a loop does not meet its start, so that each turn clicks.</summary>
/// <remarks>Host: does not mind. See docs/checks.md#soundloop-clicks.</remarks>
public sealed class LoopClicks : Check
{
    private const int SeamMs = 60;

    /// <inheritdoc/>
    public override CheckCode Code => new("sound/loop-clicks");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<SoundRowRule>(overlay.Edition))
                foreach (var sound in overlay.ShownIn(place).TakeWhile(p => !p.Layer.IsBase))
                {
                    if (sound.Facts.Sound is not { Header: { } header, Measure: not null }) continue;
                    var row = SoundRow.Of(overlay, rule, sound);
                    if (!row.Loops || !row.FitsInto(header.Frames)) continue;
                    if (SoundReader.Read(overlay.Pack.Tree.Find(sound.Path)!.ReadAll()) is not { } samples) continue;
                    if (LoopSeam.Click(samples, row.LoopFrom!.Value, row.LoopTo!.Value) is not { } step) continue;
                    yield return Report(
                        overlay,
                        sound,
                        Consequence.Regret,
                        FormattableString.Invariant(
                            $"Its loop clicks: where frame {row.LoopTo} meets frame {row.LoopFrom}, the sound jumps by ")
                            + FormattableString.Invariant($"{step * 100:0} % of full scale.")) with
                    {
                        Rule = rule,
                        Fix = FixOf(sound, row, header.Rate),
                    };
                }
    }

    /// <summary>Where nothing lies before the loop, there is nothing to fade to.</summary>
    private static ShapeSound? FixOf(Placement sound, SoundRow row, int rate) =>
        row is { LoopFrom: { } from, LoopTo: { } to } && from >= rate / 100
            ? new ShapeSound(sound.Path, new CrossFade(from, to, SeamMs, rate))
            : null;
}
